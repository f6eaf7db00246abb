import { SEASONS, type Contents, type ContentsEntry, type SeasonGroup } from '@glossarion/core/outline';
import { ownedBy, putOwned, visibleEntry, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, FoldEntity } from '../entities';
import { CHILDREN, CONTENTS_COLUMNS, HOLDS_FEW } from '../entities/entry.queries';
import { weightOf } from './beneath';
import type { Entries } from './entries';

/** What nobody has opened or folded yet is open while it holds few, and while the whole is not long. */
const OPEN_WITH_AT_MOST = 60;
const OPEN_ROWS = 400;
/** An overview lists at most so many. */
const OVERVIEW_ROWS = 2_000;

type Row = Omit<ContentsEntry, 'isOpen'>;

const holdsAny = (entry: Row): boolean => entry.pagesBeneath + entry.sectionsBeneath > 0;

const childrenOf = (connection: ViewerConnection, parentId: string | null): Row[] =>
  connection.all<Row>(CHILDREN, { parentId });

/** The outline as it is read: notebooks, and what stands in them, level by level. */
export class OutlineReader {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  notebooks(viewer: Viewer): ContentsEntry[] {
    const notebooks = childrenOf(this.database.reading(viewer), null);
    return notebooks.map((notebook) => ({ ...notebook, isOpen: false }));
  }

  /** What stands beneath an entry, as far down as the person has opened it. */
  async contents(viewer: Viewer, id: string): Promise<Contents> {
    const connection = this.database.reading(viewer);
    visibleEntry(connection, id);
    const foldOf = await this.folds(viewer);
    const found: ContentsEntry[] = [];
    const holdsFew = (entry: Row) =>
      connection.first<{ isFew: 0 | 1 }>(HOLDS_FEW, { id: entry.id, few: OPEN_WITH_AT_MOST })!.isFew === 1;
    const isOpen = (entry: Row): boolean =>
      holdsAny(entry) && (foldOf(entry.id) ?? (found.length < OPEN_ROWS && holdsFew(entry)));
    const walk = (roots: readonly string[], withSeasons: boolean): void => {
      let level = roots;
      while (level.length > 0) {
        const opened: string[] = [];
        for (const parentId of level) {
          for (const child of childrenOf(connection, parentId)) {
            if (!withSeasons && child.season !== null) continue;
            const entry: ContentsEntry = Object.assign(child, { isOpen: isOpen(child) });
            found.push(entry);
            if (entry.isOpen) opened.push(entry.id);
          }
        }
        level = opened;
      }
    };
    walk([id], false);
    const roots = await this.seasonRoots(viewer, id);
    const seasons = SEASONS.filter((season) => season !== 'now').map((season): SeasonGroup => {
      const all = roots.filter((root) => root.season === season);
      const isGroupOpen = foldOf(`${season}/${id}`) ?? false;
      const opened = isGroupOpen ? all.map((root) => ({ ...root, isOpen: foldOf(root.id) ?? false })) : [];
      walk(
        opened.filter((root) => root.isOpen).map((root) => root.id),
        true,
      );
      const pages = all.reduce((sum, root) => sum + weightOf(root).pages, 0);
      return { season, isOpen: isGroupOpen, count: all.length, pages, roots: opened };
    });
    return { entries: found, seasons };
  }

  /** The entries beneath `id` with a season of their own that stand in no other such. */
  private async seasonRoots(viewer: Viewer, id: string): Promise<Row[]> {
    const reader = this.entries.reader(viewer);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(CONTENTS_COLUMNS)
      .where('e.season IS NOT NULL AND e.deletedAt IS NULL')
      .orderBy('e.changedAt', 'DESC')
      .addOrderBy('e.row');
    const candidates = await this.database.reading(viewer).visible(query).getRawMany<Row>();
    return candidates.filter((candidate) => {
      const above = reader.line(candidate.id).slice(0, -1);
      const within = above.slice(above.findIndex((step) => step.id === id));
      return (
        within.length > 0 &&
        within[0]!.id === id &&
        above.every((step) => step.deletedAt === null) &&
        within.slice(1).every((step) => step.season === null)
      );
    });
  }

  private async folds(viewer: Viewer): Promise<(key: string) => boolean | undefined> {
    const rows = await this.database.manager.findBy(FoldEntity, ownedBy(viewer));
    const folds = new Map(rows.map((row) => [row.key, row.isOpen === 1]));
    return (key) => folds.get(key);
  }

  /** Opens or folds a level of the contents, or (`season`) what of an entry is for later or laid aside. */
  async fold(viewer: Viewer, id: string, isOpen: boolean, season: string | null = null): Promise<void> {
    this.entries.entry(viewer, id);
    const fold = { key: season ? `${season}/${id}` : id, isOpen: isOpen ? (1 as const) : (0 as const) };
    await this.database.write((manager) => putOwned(manager, viewer, FoldEntity, 'key', fold));
  }

  /** What is for now beneath an entry, `levels` down (0: all the way), for overviews and leaves. */
  beneath(viewer: Viewer, id: string, levels: number): Row[] {
    const connection = this.database.reading(viewer);
    visibleEntry(connection, id);
    const found: Row[] = [];
    let level = [id];
    for (let depth = 1; level.length > 0 && (levels === 0 || depth <= levels); depth += 1) {
      const next: string[] = [];
      for (const parentId of level) {
        const children = childrenOf(connection, parentId).filter((child) => child.season === null);
        found.push(...children);
        next.push(...children.filter(holdsAny).map((child) => child.id));
        if (found.length >= OVERVIEW_ROWS) return found.slice(0, OVERVIEW_ROWS);
      }
      level = next;
    }
    return found;
  }
}
