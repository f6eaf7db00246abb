/** What a link finds at its other end. */
export type LinkState = 'written' | 'unwritten' | 'binned' | 'gone';

export interface LinkTarget {
  isDeleted: boolean;
  wordCount: number;
  kind: 'notebook' | 'section' | 'page' | 'block';
}

export function linkState(target: LinkTarget | null): LinkState {
  if (!target) return 'gone';
  if (target.isDeleted) return 'binned';
  return target.kind === 'page' && target.wordCount === 0 ? 'unwritten' : 'written';
}

/** How a link's state is read out; a written target needs no word. */
export const LINK_STATE_WORDS: Record<LinkState, string> = {
  written: '',
  unwritten: 'not yet written',
  binned: 'in the bin',
  gone: 'gone',
};
