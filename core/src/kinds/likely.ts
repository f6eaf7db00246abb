import { foldWords } from '../words/words';
import type { ShippedName } from './shipped';

/** What places that hold pages of a kind are called, one word of several. */
const CALLED: Readonly<Record<ShippedName, readonly string[]>> = {
  person: ['people', 'persons', 'person', 'contacts', 'friends', 'family', 'colleagues', 'volunteers', 'who'],
  firm: ['firms', 'companies', 'suppliers', 'clients', 'customers', 'organisations', 'organizations'],
  project: ['projects', 'project', 'jobs', 'commissions', 'undertakings'],
  reading: ['books', 'reading', 'readings', 'papers', 'articles', 'literature', 'bibliography', 'library'],
  meeting: ['meetings', 'calls', 'minutes'],
  place: ['places', 'sites', 'locations'],
};

const NAMES = Object.keys(CALLED) as ShippedName[];

/**
 * What pages in a place look like, by what the place is called, the nearest first: “Suppliers” in “People & Firms” holds
 * firms. Null when no name says it.
 *
 * @param names of what a page stands in, the nearest last
 */
export function likelyKind(names: readonly string[]): ShippedName | null {
  for (const name of [...names].reverse()) {
    const words = foldWords(name).split(/[^\p{L}\p{N}]+/u);
    const fitting = NAMES.filter((kind) => CALLED[kind].some((each) => words.includes(each)));
    // “People & Firms” says nothing of a page that stands in it by itself.
    if (fitting.length === 1) return fitting[0]!;
    if (fitting.length > 1) return null;
  }
  return null;
}

/** Pages that look like those of a kind and are of none yet. */
export interface LikelyPages {
  kindId: string;
  pageIds: string[];
}
