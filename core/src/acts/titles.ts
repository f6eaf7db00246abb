import { dayTitleWithYear } from '../journal/day';
import { shownTitle } from '../outline/entry';
import type { ActOutline } from './outline';

/** What an entry is called; nothing when it is not there. */
export function titleIn(outline: Pick<ActOutline, 'entry'>, id: string): string {
  const entry = outline.entry(id);
  if (!entry) return '';
  return entry.day ? dayTitleWithYear(entry.day) : shownTitle(entry.name, entry.firstWords);
}
