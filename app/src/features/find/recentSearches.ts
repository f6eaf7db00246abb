import { useSyncExternalStore } from 'react';
import { rememberedSearches, rememberSearches } from '../../state/memory';

/** What was looked for here lately and found something worth opening, the last first. This browser keeps it. */

/** So many are kept. */
const MOST = 6;

const listeners = new Set<() => void>();
let known: { written: string | null; lines: readonly string[] } = { written: null, lines: [] };

/** Nothing of what is no list of lines. */
function linesIn(written: string | null): readonly string[] {
  try {
    const kept: unknown = JSON.parse(written ?? '[]');
    return Array.isArray(kept) ? kept.filter((each): each is string => typeof each === 'string') : [];
  } catch {
    return [];
  }
}

function read(): readonly string[] {
  const written = rememberedSearches();
  if (written !== known.written) known = { written, lines: linesIn(written) };
  return known.lines;
}

function write(lines: readonly string[]): void {
  rememberSearches(lines.length > 0 ? JSON.stringify(lines) : null);
  listeners.forEach((listener) => listener());
}

/** A query line that led somewhere. */
export function rememberSearch(line: string): void {
  const searched = line.trim();
  if (searched !== '') write([searched, ...read().filter((each) => each !== searched)].slice(0, MOST));
}

export const forgetSearches = (): void => write([]);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

export const useRecentSearches = (): readonly string[] => useSyncExternalStore(subscribe, read);
