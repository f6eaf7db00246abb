import { prepared, type RawDatabase } from '../sqlite/prepared';
import type { Entry, Tag } from '../entities';
import { ADD_ENTRY, ADD_TAG, MADE_WITH } from './making.queries';
import type { Viewer } from './viewer';

/** What an entry that is made must say of itself; the rest has the values of something new. */
export type NewEntry = Pick<Entry, 'id' | 'kind' | 'parentId' | 'orderKey' | 'begunAt'> &
  Partial<Pick<Entry, (typeof MADE_WITH)[number]>>;

const NEW = {
  name: '',
  pigment: null,
  ornament: null,
  description: '',
  day: null,
  period: null,
  jotting: null,
  comesBack: null,
  season: null,
  showsLeaves: 0,
  pagesBeneath: 0,
  sectionsBeneath: 0,
  isTemplate: 0,
  templateId: null,
  madeFrom: null,
  importId: null,
};

/** Makes an entry of the viewer's own and gives the number of its row. Within a transaction. */
export function addEntry(writer: RawDatabase, { accountId }: Viewer, entry: NewEntry): number {
  const values = { ...NEW, changedAt: entry.begunAt, ...entry };
  const { lastInsertRowid } = prepared(writer, ADD_ENTRY).run(accountId, ...MADE_WITH.map((column) => values[column]));
  return Number(lastInsertRowid);
}

/** Makes a tag of the viewer's own. Within a transaction. */
export const addTag = (
  writer: RawDatabase,
  { accountId }: Viewer,
  tag: Pick<Tag, 'id' | 'parentId' | 'name' | 'folded' | 'importId'>,
): void => void prepared(writer, ADD_TAG).run({ ...tag, viewer: accountId });
