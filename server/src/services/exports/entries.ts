import { shownTitle, type EntryKind } from '@glossarion/core/outline';
import type { EntryToPlace } from '@glossarion/core/formats/account';
import { MoreThan } from 'typeorm';
import { ownedBy, type Viewer } from '../../access';
import type { Database } from '../../database/database';
import { EntryEntity, type Entry } from '../../entities';
import { notFound } from '../../problem';
import { nextTurn } from '../turns';

/** Entries that are read in one piece. */
const AT_ONCE = 500;

const COLUMNS = [
  ...(['id', 'kind', 'parentId', 'orderKey', 'name', 'pigment', 'ornament', 'description', 'day', 'period'] as const),
  ...(['jotting', 'comesBack', 'firstWords', 'begunAt', 'changedAt', 'deletedAt', 'season', 'showsLeaves'] as const),
  ...(['isTemplate', 'templateId', 'madeFrom', 'mergedInto'] as const),
];

/** An entry as it goes out. */
export type ExportedEntry = Pick<Entry, (typeof COLUMNS)[number]>;

const KINDS: readonly EntryKind[] = ['notebook', 'section', 'page'];
/** In which order what stands in nothing comes. */
const rankOf = (entry: ExportedEntry): number =>
  entry.day !== null ? 4 : entry.period !== null ? 5 : entry.jotting !== null ? 6 : KINDS.indexOf(entry.kind);

const outermostKey = (entry: ExportedEntry): string => entry.day ?? entry.period ?? entry.orderKey;

const compare = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/**
 * What goes out: all of an account's, what is in the bin too; or an entry with what stands in it, without that. Each comes
 * after what it stands in, siblings in their order.
 *
 * @throws Problem (404) when the entry is not there
 */
export async function exportedEntries(database: Database, viewer: Viewer, of: string | null): Promise<ExportedEntry[]> {
  const rows = await ownEntries(database, viewer);
  const beneath = new Map<string | null, ExportedEntry[]>();
  for (const row of rows) {
    const siblings = beneath.get(row.parentId);
    if (siblings) siblings.push(row);
    else beneath.set(row.parentId, [row]);
  }
  for (const siblings of beneath.values()) siblings.sort((one, other) => compare(one.orderKey, other.orderKey));
  const outermost = (beneath.get(null) ?? []).sort(
    (one, other) => rankOf(one) - rankOf(other) || compare(outermostKey(one), outermostKey(other)),
  );
  const from = of === null ? outermost : rows.filter(({ id }) => id === of);
  if (of !== null && from.length === 0) throw notFound();
  const found: ExportedEntry[] = [];
  // Deep trees are gone through without calling on and on.
  const waiting = [...from].reverse();
  while (waiting.length > 0) {
    const entry = waiting.pop()!;
    if (of !== null && entry.deletedAt !== null && entry.id !== of) continue;
    found.push(entry);
    for (const each of [...(beneath.get(entry.id) ?? [])].reverse()) waiting.push(each);
  }
  return found;
}

/** Pages by their ids, in this order, each by itself. */
export async function exportedPages(
  database: Database,
  viewer: Viewer,
  ids: readonly string[],
): Promise<ExportedEntry[]> {
  const rows = new Map((await ownEntries(database, viewer)).map((row) => [row.id, row]));
  return ids.flatMap((id) => {
    const row = rows.get(id);
    return row?.kind === 'page' ? [row] : [];
  });
}

/** All entries of an account's, read in pieces between which others are served. */
async function ownEntries(database: Database, viewer: Viewer): Promise<ExportedEntry[]> {
  const rows: ExportedEntry[] = [];
  for (let last = 0; ;) {
    const query = database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(['row', ...COLUMNS].map((column) => `e.${column} AS "${column}"`))
      .where({ ...ownedBy(viewer), row: MoreThan(last) })
      .orderBy('e.row')
      .limit(AT_ONCE);
    const some = await database.reading(viewer).visible(query).getRawMany<ExportedEntry & { row: number }>();
    rows.push(...some.map(compact));
    if (some.length < AT_ONCE) return rows;
    last = some.at(-1)!.row;
    await nextTurn();
  }
}

/** The same, in a third of the memory: rows come from SQLite as objects that can be anything. */
const compact = (row: ExportedEntry): ExportedEntry => ({
  id: row.id,
  kind: row.kind,
  parentId: row.parentId,
  orderKey: row.orderKey,
  name: row.name,
  pigment: row.pigment,
  ornament: row.ornament,
  description: row.description,
  day: row.day,
  period: row.period,
  jotting: row.jotting,
  comesBack: row.comesBack,
  firstWords: row.firstWords,
  begunAt: row.begunAt,
  changedAt: row.changedAt,
  deletedAt: row.deletedAt,
  season: row.season,
  showsLeaves: row.showsLeaves,
  isTemplate: row.isTemplate,
  templateId: row.templateId,
  madeFrom: row.madeFrom,
  mergedInto: row.mergedInto,
});

/** How an entry's file is called, and in which folder it is if it stands in no notebook. */
export function toPlace(entry: ExportedEntry, isOutermost: boolean): EntryToPlace {
  const { id, kind, parentId, name, firstWords, day, period, jotting, begunAt } = entry;
  const shown = shownTitle(name, firstWords);
  const place = { id, kind, parentId: isOutermost ? null : parentId, title: shown };
  if (day !== null) return { ...place, title: day, outside: 'Journal' };
  if (period !== null) return { ...place, title: period, outside: 'Journal' };
  if (jotting !== null) return { ...place, title: `${begunAt.slice(0, 10)} ${shown}`, outside: 'Tray' };
  return place;
}

/** Without what is in the bin, and what stands in that; but for what was asked for by itself. */
export function outOfBin(entries: readonly ExportedEntry[], asked: ReadonlySet<string>): ExportedEntry[] {
  const gone = new Set<string>();
  return entries.filter(({ id, parentId, deletedAt }) => {
    const isGone = (deletedAt !== null && !asked.has(id)) || (parentId !== null && gone.has(parentId));
    if (isGone) gone.add(id);
    return !isGone;
  });
}
