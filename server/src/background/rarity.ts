import { stemOf, type Rarity } from '@glossarion/core/find';
import type { ViewerConnection } from '../access';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import { WORDS_FROM } from '../entities/find.queries';
import { HOLDING } from './kin.queries';

/** Shorter stems are words by themselves: too many others begin like them. */
const SHORT = 3;

/** For so long counts of words are taken to be as they were, in milliseconds. */
const COUNTED_FOR = 5_000;

/**
 * How many pages hold which words. When one page after the other is looked at, most of their words are the same, and to
 * count one that is in most pages takes long.
 */
const counted = new WeakMap<RawDatabase, { pages: number; until: number; ofWord: Map<string, number> }>();

function wordsCounted({ raw }: ViewerConnection, pages: number): Map<string, number> {
  const known = counted.get(raw);
  if (known && known.pages === pages && known.until > Date.now()) return known.ofWord;
  const ofWord = new Map<string, number>();
  counted.set(raw, { pages, until: Date.now() + COUNTED_FOR, ofWord });
  return ofWord;
}

/** How many pages hold what, as the index knows it; each asked once. */
export function rarityOf(connection: ViewerConnection, pages: number): Rarity {
  const words = wordsCounted(connection, pages);
  const kept = new Map<string, number>();
  const once = (counts: Map<string, number>, key: string, count: () => number): number => {
    let known = counts.get(key);
    if (known === undefined) counts.set(key, (known = Math.min(pages, count())));
    return known;
  };
  const holding = (table: 'links' | 'tagUses', column: 'target' | 'tag', value: string) =>
    connection.first<{ count: number }>(HOLDING(table, column), { value })?.count ?? 0;
  return {
    pages,
    ofWord: (stem) => once(words, stem, () => pagesWith(connection, stem)),
    ofLink: (id) => once(kept, `l${id}`, () => holding('links', 'target', id)),
    ofTag: (tag) => once(kept, `t${tag}`, () => holding('tagUses', 'tag', tag)),
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
