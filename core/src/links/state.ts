import type { Season } from '../outline/season';

/** What a link finds at its other end. */
export const LINK_STATES = ['written', 'unwritten', 'aside', 'binned', 'gone'] as const;
export type LinkState = (typeof LINK_STATES)[number];

export interface LinkTarget {
  isDeleted: boolean;
  /** The season it is in, that of what it stands in included. */
  season: Season;
  /** Nothing is written on it: neither words nor anything that shows some. */
  isEmpty: boolean;
  kind: 'notebook' | 'section' | 'page' | 'block';
}

export function linkState(target: LinkTarget | null): LinkState {
  if (!target) return 'gone';
  if (target.isDeleted) return 'binned';
  if (target.season === 'aside') return 'aside';
  return target.kind === 'page' && target.isEmpty ? 'unwritten' : 'written';
}

/** How a link's state is read out; a written target needs no word. */
export const LINK_STATE_WORDS: Record<LinkState, string> = {
  written: '',
  unwritten: 'not yet written',
  aside: 'laid aside',
  binned: 'in the bin',
  gone: 'gone',
};
