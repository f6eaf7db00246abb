import { useSyncExternalStore } from 'react';
import { localDay, untilMidnight } from '@glossarion/core/journal';

/** The day it is here; it turns over at midnight by this device's clock even while the app stays open. */
const listeners = new Set<() => void>();
let today = localDay(new Date());
let timer: ReturnType<typeof setTimeout> | undefined;

const LONGEST_SLEEP = 60_000;

function look(): void {
  clearTimeout(timer);
  const now = localDay(new Date());
  if (now !== today) {
    today = now;
    listeners.forEach((listener) => listener());
  }
  // A device that slept wakes late: look at least every minute.
  timer = setTimeout(look, Math.min(LONGEST_SLEEP, untilMidnight(new Date()) + 20));
}

function subscribe(listener: () => void): () => void {
  if (listeners.size === 0) {
    look();
    document.addEventListener('visibilitychange', look);
  }
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearTimeout(timer);
    document.removeEventListener('visibilitychange', look);
  };
}

export const useToday = (): string => useSyncExternalStore(subscribe, () => today);
