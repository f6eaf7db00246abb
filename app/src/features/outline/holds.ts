import type { EntryKind } from '@glossarion/core/outline';
import { count } from '../../kit/count';

/** What an entry holds, as a sentence. */
export function holdsWords(entry: { kind: EntryKind; pagesBeneath: number; sectionsBeneath: number }): string {
  const { kind, pagesBeneath, sectionsBeneath } = entry;
  if (pagesBeneath + sectionsBeneath === 0) return kind === 'page' ? 'Nothing beneath it.' : 'Nothing stands here yet.';
  const parts = [sectionsBeneath > 0 ? count(sectionsBeneath, 'section') : '', count(pagesBeneath, 'page')];
  return `${parts.filter(Boolean).join(', ')} ${kind === 'page' ? 'beneath' : 'in it'}.`;
}
