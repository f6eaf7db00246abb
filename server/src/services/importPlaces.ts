import type { NamedHere } from '@glossarion/core/formats/markdown';
import { shownTitle } from '@glossarion/core/outline';
import { foldWords } from '@glossarion/core/words';
import { IsNull, MoreThan } from 'typeorm';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { allOtherNames } from './otherNames';
import { nextTurn } from './turns';

/** Entries that are read in one piece. */
const AT_ONCE = 1_000;

const COLUMNS = {
  ...{ id: true, row: true, kind: true, parentId: true, name: true, firstWords: true },
  ...{ day: true, period: true, jotting: true, mergedInto: true },
} as const;

const keyOf = (parentId: string | null, isPage: boolean, title: string): string =>
  JSON.stringify([parentId, isPage, foldWords(title).trim()]);

/** What of one's own is here, by what it is called. */
export interface PlacesHere {
  /** What stands in something: the first of those that are called so. */
  placed: (parentId: string | null, isPage: boolean, title: string) => string | null;
  /** The one page that is called so, by its title or another name. */
  named: NamedHere;
}

/** Reads all that is here, in pieces between which others are served. */
export async function placesHere(database: Database, viewer: Viewer): Promise<PlacesHere> {
  const places = new Map<string, string>();
  const pages = new Map<string, Map<string, string>>();
  /** What is not in the bin itself, with what it stands in. */
  const holders = new Map<string, string | null>();
  const name = (called: string, id: string, title: string): void => {
    const key = foldWords(called).trim();
    const own = pages.get(key);
    if (own) own.set(id, title);
    else pages.set(key, new Map([[id, title]]));
  };
  /** What stands in something that is in the bin is in it too. */
  const isHere = (id: string): boolean => {
    let above: string | null | undefined = id;
    while (typeof above === 'string') above = holders.get(above);
    return above === null;
  };
  const otherNames = await allOtherNames(database, viewer);
  for (let last = 0; ;) {
    const some = await database.manager.find(EntryEntity, {
      select: COLUMNS,
      where: { ...ownedBy(viewer), deletedAt: IsNull(), row: MoreThan(last) },
      order: { row: 'ASC' },
      take: AT_ONCE,
    });
    for (const entry of some) {
      const { id, kind, parentId, firstWords, day, period, jotting, mergedInto } = entry;
      holders.set(id, parentId);
      if (day !== null || period !== null || jotting !== null || mergedInto !== null) continue;
      const isPage = kind === 'page';
      const title = shownTitle(entry.name, firstWords);
      const key = keyOf(parentId, isPage, title);
      if (!places.has(key)) places.set(key, id);
      if (!isPage) continue;
      if (entry.name.trim() !== '') name(entry.name, id, entry.name);
      for (const other of otherNames.get(id) ?? []) name(other, id, entry.name);
    }
    if (some.length < AT_ONCE) break;
    last = some.at(-1)!.row;
    await nextTurn();
  }
  return {
    placed: (parentId, isPage, title) => places.get(keyOf(parentId, isPage, title)) ?? null,
    named: (called) => {
      const found = [...(pages.get(foldWords(called).trim()) ?? [])].filter(([id]) => isHere(id));
      // What may be one page or another is neither.
      return found.length === 1 ? { id: found[0]![0], title: found[0]![1] } : null;
    },
  };
}
