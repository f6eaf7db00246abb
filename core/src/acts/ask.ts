import type { NodeJson } from '../document/types';
import { missing, refused } from './actError';
import type { ActEntry, ActOutline } from './outline';

/** What acts ask of an outline. Each throws ActError when it is not so. */

type Entries = Pick<ActOutline, 'entry'>;

export function entryOf(outline: Entries, id: string): ActEntry {
  const entry = outline.entry(id);
  if (!entry) throw missing();
  return entry;
}

export function pageOf(outline: Entries, id: string): ActEntry {
  const entry = entryOf(outline, id);
  if (entry.kind !== 'page') throw missing();
  return entry;
}

/** Days, weeks and months stand in the journal, beneath nothing; they can't be moved, named or deleted. */
export function noDay(outline: Entries, id: string): ActEntry {
  const entry = entryOf(outline, id);
  if (entry.day !== null) throw refused('A day stays in the journal; its lines can be moved and deleted.');
  if (entry.period !== null) throw refused('A week or month stays in the journal; its lines can be moved and deleted.');
  return entry;
}

/** What may hold pages: nothing of the journal, and no jotting. */
export function holderOf(outline: Entries, id: string): ActEntry {
  const entry = noDay(outline, id);
  if (entry.jotting !== null) throw refused('A jotting holds no pages. Make a page of it first.');
  return entry;
}

export const isUnwritten = ({ wordCount, firstWords }: Pick<ActEntry, 'wordCount' | 'firstWords'>): boolean =>
  wordCount === 0 && firstWords === '';

/** The blocks of a page that is there. */
export function contentOf(outline: ActOutline, id: string): readonly NodeJson[] {
  pageOf(outline, id);
  return outline.content(id);
}
