import { stemOf, type Rarity } from '@glossarion/core/find';
import type { ViewerConnection } from '../access';
import { prepared } from '../sqlite/prepared';
import { WORDS_FROM } from '../entities/find.queries';
import { HOLDING } from './kin.queries';

/** Shorter stems are words by themselves: too many others begin like them. */
const SHORT = 3;

/** How many pages hold what, as the index knows it; each asked once. */
export function rarityOf(connection: ViewerConnection, pages: number): Rarity {
  const kept = new Map<string, number>();
  const once = (key: string, count: () => number): number => {
    let known = kept.get(key);
    if (known === undefined) kept.set(key, (known = Math.min(pages, count())));
    return known;
  };
  const holding = (table: 'links' | 'tagUses', column: 'target' | 'tag', value: string) =>
    connection.first<{ count: number }>(HOLDING(table, column), { value })?.count ?? 0;
  return {
    pages,
    ofWord: (stem) => once(`w${stem}`, () => pagesWith(connection, stem)),
    ofLink: (id) => once(`l${id}`, () => holding('links', 'target', id)),
    ofTag: (tag) => once(`t${tag}`, () => holding('tagUses', 'tag', tag)),
  };
}

/** The index holds words, not stems: those count that have this stem. */
function pagesWith(connection: ViewerConnection, stem: string): number {
  // The stem of "happy" is "happi", and that of "hoping" is "hope" (Porter 1980).
  const start = stem.length < SHORT ? stem : stem.replace(/[ei]$/u, '');
  const end = stem.length < SHORT ? `${stem}\0` : `${start}\uFFFF`;
  const words = prepared(connection.raw, WORDS_FROM).all(start, end) as { term: string; doc: number }[];
  return words.reduce((sum, { term, doc }) => (stemOf(term) === stem ? sum + doc : sum), 0);
}
