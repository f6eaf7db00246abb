import { folio, numberSiblings, type FolioStep } from '@glossarion/core/outline';
import { dateShort } from '@glossarion/core/journal';
import type { ExportedEntry } from '../../entries';
import { isListed, listed } from '../../front';
import type { Outgoing } from '../../outgoing';

/** What several notebooks in one book are told apart by. */
const letter = (number: number): string =>
  (number > 26 ? letter(Math.floor((number - 1) / 26)) : '') + String.fromCharCode(65 + ((number - 1) % 26));

/** The numbers of a book's contents, by the ids of what they are of: "B II 2.1"; a day has its date. */
export function numbersOf(outgoing: Outgoing): ReadonlyMap<string, string> {
  const lists = listed(outgoing);
  const numbers = new Map<string, string>();
  const number = (siblings: readonly ExportedEntry[], before: string, above: readonly FolioStep[]): void => {
    for (const entry of numberSiblings(siblings)) {
      const isOutermost = entry.kind === 'notebook' && outgoing.isWhole;
      const prefix = isOutermost ? letter(entry.number) : before;
      // What is printed by itself has no number of its own: what stands in it begins at the first.
      const isRoot = outgoing.roots.size === 1 && above.length === 0 && before === '' && siblings === lists.get('');
      const steps = entry.kind === 'notebook' || isRoot ? above : [...above, entry];
      numbers.set(entry.id, [prefix, folio(steps)].filter(Boolean).join(' '));
      number(lists.get(entry.id) ?? [], prefix, steps);
    }
  };
  number(lists.get('') ?? [], '', []);
  for (const entry of outgoing.entries) {
    if (!isListed(entry)) numbers.set(entry.id, entry.day === null ? (entry.period ?? '') : dateShort(entry.day));
  }
  return numbers;
}
