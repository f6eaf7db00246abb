import { MAX_SEARCH_NAME, MAX_SEARCHES } from '../find/query/savedSearch';
import { LONGEST_LINE } from '../find/query/asked';
import { NOTHING, type PlannedAct } from './act';
import { refused } from './actError';
import { beforeAmong, keysWith, placeAmong } from './ordered';
import { fields, id, line, optional, orNull } from './shape';

/** Saves a search, calls or places it otherwise, or lets go of it (null): after another, first (null), or where it is. */
export interface SaveSearch {
  do: 'saveSearch';
  id: string;
  saved: { name: string; line: string } | null;
  afterId?: string | null;
}

export const saveSearch: PlannedAct<SaveSearch> = {
  shape: {
    saved: orNull(fields({ name: line(MAX_SEARCH_NAME), line: line(LONGEST_LINE) })),
    afterId: optional(orNull(id)),
  },
  touches: () => [],
  changes: ['searches'],
  isPersonal: true,
  needs: () => [{ searches: true }],
  plan: ({ id: searchId, saved, afterId }, outline) => {
    const all = outline.searches();
    const before = all.find((each) => each.id === searchId);
    if (!saved && !before) return NOTHING;
    const place = beforeAmong(all, searchId);
    const undo: SaveSearch = before
      ? { do: 'saveSearch', id: searchId, saved: { name: before.name, line: before.line }, afterId: place }
      : { do: 'saveSearch', id: searchId, saved: null };
    if (!saved) return { changes: [{ change: 'search', id: searchId, saved: null }], undo: [undo] };
    const [name, query] = [saved.name.trim(), saved.line.trim()];
    if (name === '') throw refused('A search needs a name.');
    if (query === '') throw refused('There is nothing to search for.');
    if (!before && all.length >= MAX_SEARCHES) throw refused(`There are ${MAX_SEARCHES} saved searches already.`);
    const others = all.filter((each) => each.id !== searchId);
    const isPlaced = before && afterId === undefined;
    const keys = isPlaced
      ? [{ id: searchId, orderKey: before.orderKey }]
      : keysWith(others, placeAmong(others, afterId), searchId);
    const saying = new Map(others.map((each) => [each.id, { name: each.name, line: each.line }]));
    return {
      changes: keys.map(({ id: each, orderKey }) => ({
        change: 'search',
        id: each,
        saved: { ...(saying.get(each) ?? { name, line: query }), orderKey },
      })),
      undo: [undo],
    };
  },
};
