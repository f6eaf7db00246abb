import { dayKey, nameKey, type AlsoNamedLine, type AlsoNamedLines, type NamedAt } from '@glossarion/core/alsoNamed';
import type { NodeJson } from '@glossarion/core/document';
import { shownIn } from '@glossarion/core/document';
import { visibleEntry, type Viewer, type ViewerConnection, type Step } from '../access';
import type { Database } from '../database/database';
import { NAMING } from '../entities/alsoNamed.queries';
import { BLOCK } from '../entities/block.queries';
import type { BlockPlace, Entries, EntryPlace } from './entries';
import { otherNamesOf } from './otherNames';

interface NamingRow extends Step {
  blockId: string;
  /** JSON. */
  places: string;
  changedAt: string;
}

/** What names a page without a link. What stands in the tables was found in the background (background/alsoNamed). */
export class AlsoNamed {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** The names by which a page is looked up among what texts name. */
  private async keysOf(viewer: Viewer, pageId: string): Promise<string[]> {
    const day = this.entries.dayOf(viewer, pageId);
    if (day) return [dayKey(day)];
    const { name } = visibleEntry(this.database.reading(viewer), pageId);
    const keys = [name, ...otherNamesOf(this.database.reader, pageId)].map(nameKey);
    return [...new Set(keys)].filter((key) => key !== null);
  }

  /** Lines that name a page, newest first, from the place `from` on. The count is of all. */
  async list(viewer: Viewer, pageId: string, from: number, limit: number): Promise<AlsoNamedLines> {
    const connection = this.database.reading(viewer);
    const rows = naming(connection, pageId, await this.keysOf(viewer, pageId));
    const reader = this.entries.reader(viewer, rows);
    const present = rows.filter((row) => !reader.place(row.id).isDeleted);
    const moment = (row: NamingRow) => row.day ?? row.changedAt;
    present.sort((one, other) => (moment(one) < moment(other) ? 1 : -1));
    const lines = present
      .slice(from, from + limit)
      .flatMap((row) => lineOf(connection, row, reader.place(row.id)) ?? []);
    const named = new Set(lines.flatMap(({ node }) => shownIn([node])));
    return { count: present.length, lines, targets: reader.targets([...named]) };
  }
}

/** The lines that name a page by any of these names, each once with all its places. */
function naming(connection: ViewerConnection, pageId: string, names: readonly string[]): NamingRow[] {
  const found = new Map<string, NamingRow>();
  for (const name of names) {
    for (const row of connection.all<NamingRow>(NAMING, { name, pageId })) {
      const key = `${row.id}/${row.blockId}`;
      const before = found.get(key);
      const places = [...(JSON.parse(before?.places ?? '[]') as NamedAt[]), ...(JSON.parse(row.places) as NamedAt[])];
      found.set(key, { ...row, places: JSON.stringify(places) });
    }
  }
  return [...found.values()];
}

function lineOf(connection: ViewerConnection, row: NamingRow, place: EntryPlace): AlsoNamedLine | null {
  const { id: pageId, blockId, changedAt } = row;
  const stored = connection.first<BlockPlace>(BLOCK, { id: blockId });
  if (stored?.pageId !== pageId) return null;
  const { title: pageTitle, trail, pigment, day, standsIn } = place;
  const node = JSON.parse(stored.node) as NodeJson;
  const places = JSON.parse(row.places) as NamedAt[];
  return { pageId, blockId, pageTitle, trail, pigment, day, standsIn, changedAt, node, places };
}
