import { useSyncExternalStore } from 'react';
import type { Mode } from './tokens';

export type ModeChoice = Mode | 'system';

const KEY = 'glossarion-theme';
const listeners = new Set<() => void>();
const system = () => window.matchMedia('(prefers-color-scheme: dark)');

export function modeChoice(): ModeChoice {
  const kept = localStorage.getItem(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'system';
}

/** Keeps the choice on this device and puts it into effect. */
export function chooseMode(choice: ModeChoice): void {
  if (choice === 'system') localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, choice);
  applyMode();
  listeners.forEach((listener) => listener());
}

export function applyMode(): void {
  const choice = modeChoice();
  if (choice === 'system') delete document.documentElement.dataset.theme;
  else document.documentElement.dataset.theme = choice;
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  system().addEventListener('change', listener);
  return () => {
    listeners.delete(listener);
    system().removeEventListener('change', listener);
  };
};

export const useModeChoice = (): ModeChoice => useSyncExternalStore(subscribe, modeChoice);

export function useMode(): Mode {
  const choice = useModeChoice();
  const isDark = useSyncExternalStore(subscribe, () => system().matches);
  return choice === 'system' ? (isDark ? 'dark' : 'light') : choice;
}
