import { useSyncExternalStore } from 'react';

/** A place this window has shown; they are kept latest first, each once. */
export interface VisitedPlace {
  address: string;
  title: string;
  /** ISO 8601. */
  at: string;
}

const KEY = 'glossarion-visited';
const KEPT = 60;
const listeners = new Set<() => void>();

const stored = (): string => sessionStorage.getItem(KEY) ?? '[]';

function visitedPlaces(written = stored()): VisitedPlace[] {
  try {
    return JSON.parse(written) as VisitedPlace[];
  } catch {
    return [];
  }
}

const onVisited = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The places this window has shown, as they are now. */
export const useVisited = (): VisitedPlace[] => visitedPlaces(useSyncExternalStore(onVisited, stored));

export const forgetVisited = (): void => sessionStorage.removeItem(KEY);

export function noteVisited(address: string, title: string): void {
  const others = visitedPlaces().filter((place) => place.address !== address);
  const places = [{ address, title, at: new Date().toISOString() }, ...others].slice(0, KEPT);
  sessionStorage.setItem(KEY, JSON.stringify(places));
  listeners.forEach((listener) => listener());
}
