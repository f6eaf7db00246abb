import { SEASONS, type Contents, type ContentsEntry, type SeasonGroup } from '@glossarion/core/outline';
import type { Database } from '../database/database';
import { weightOf } from './beneath';
import type { Entries, Met } from './entries';

/** What nobody has opened or folded yet is open while it holds few, and while the whole is not long. */
const OPEN_WITH_AT_MOST = 60;
const OPEN_ROWS = 400;
/** An overview lists at most so many. */
const OVERVIEW_ROWS = 2_000;

const COLUMNS = `e.id, e.parentId, e.kind, e.name, e.firstWords, e.pigment, e.ornament, e.description, e.changedAt,
  e.wordCount, e.season, e.showsLeaves, e.pagesBeneath, e.sectionsBeneath`;

const CHILDREN = `
  SELECT ${COLUMNS} FROM entries e
  WHERE e.ownerId = ? AND e.parentId IS ? AND e.day IS NULL AND e.deletedAt IS NULL ORDER BY e.orderKey, e.row`;
const FEW = `
  SELECT COUNT(*) <= ${OPEN_WITH_AT_MOST} AS isFew
  FROM (SELECT 1 FROM entries WHERE ownerId = ? AND parentId = ? LIMIT ${OPEN_WITH_AT_MOST + 1})`;

type Row = Omit<ContentsEntry, 'isOpen'>;

const holdsAny = (entry: Row): boolean => entry.pagesBeneath + entry.sectionsBeneath > 0;

/** The outline as it is read: notebooks, and what stands in them, level by level. */
export class OutlineReader {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  private children(ownerId: string, parentId: string | null): Row[] {
    return this.database.all<Row>(CHILDREN, ownerId, parentId);
  }

  notebooks(ownerId: string): ContentsEntry[] {
    return this.children(ownerId, null).map((notebook) => ({ ...notebook, isOpen: false }));
  }

  /** What stands beneath an entry, as far down as the person has opened it. */
  contents(ownerId: string, id: string): Contents {
    this.entries.own(ownerId, id);
    const foldOf = this.folds(ownerId);
    const found: ContentsEntry[] = [];
    const isOpen = (entry: Row): boolean =>
      holdsAny(entry) &&
      (foldOf(entry.id) ??
        (found.length < OPEN_ROWS && this.database.first<{ isFew: 0 | 1 }>(FEW, ownerId, entry.id)!.isFew === 1));
    const walk = (roots: readonly string[], withSeasons: boolean): void => {
      let level = roots;
      while (level.length > 0) {
        const opened: string[] = [];
        for (const parentId of level) {
          for (const child of this.children(ownerId, parentId)) {
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
    const roots = this.seasonRoots(ownerId, id);
    const seasons = SEASONS.filter((season) => season !== 'now').map((season): SeasonGroup => {
      const all = roots.filter((root) => root.season === season);
      const isGroupOpen = foldOf(`${season}/${id}`) ?? false;
      const shown = isGroupOpen ? all.map((root) => ({ ...root, isOpen: foldOf(root.id) ?? false })) : [];
      walk(
        shown.filter((root) => root.isOpen).map((root) => root.id),
        true,
      );
      const pages = all.reduce((sum, root) => sum + weightOf(root).pages, 0);
      return { season, isOpen: isGroupOpen, count: all.length, pages, roots: shown };
    });
    return { entries: found, seasons };
  }

  /** The entries beneath `id` with a season of their own that stand in no other such. */
  private seasonRoots(ownerId: string, id: string): Row[] {
    const candidates = this.database.all<Row>(
      `SELECT ${COLUMNS} FROM entries e WHERE e.ownerId = ? AND e.season IS NOT NULL AND e.deletedAt IS NULL
       ORDER BY e.changedAt DESC, e.row`,
      ownerId,
    );
    const met: Met = new Map();
    return candidates.filter((candidate) => {
      const above = this.entries.line(ownerId, candidate.id, met).slice(0, -1);
      const within = above.slice(above.findIndex((step) => step.id === id));
      return (
        within.length > 0 &&
        within[0]!.id === id &&
        above.every((step) => step.deletedAt === null) &&
        within.slice(1).every((step) => step.season === null)
      );
    });
  }

  private folds(ownerId: string): (key: string) => boolean | undefined {
    const rows = this.database.all<{ key: string; isOpen: 0 | 1 }>(
      'SELECT key, isOpen FROM folds WHERE ownerId = ?',
      ownerId,
    );
    const folds = new Map(rows.map((row) => [row.key, row.isOpen === 1]));
    return (key) => folds.get(key);
  }

  async fold(ownerId: string, key: string, isOpen: boolean): Promise<void> {
    await this.database.write(() => {
      this.database.writer
        .prepare('INSERT OR REPLACE INTO folds (ownerId, key, isOpen) VALUES (?, ?, ?)')
        .run(ownerId, key, Number(isOpen));
    });
  }

  /** What is for now beneath an entry, `levels` down (0: all the way), for overviews and leaves. */
  beneath(ownerId: string, id: string, levels: number): Row[] {
    this.entries.own(ownerId, id);
    const found: Row[] = [];
    let level = [id];
    for (let depth = 1; level.length > 0 && (levels === 0 || depth <= levels); depth += 1) {
      const next: string[] = [];
      for (const parentId of level) {
        const children = this.children(ownerId, parentId).filter((child) => child.season === null);
        found.push(...children);
        next.push(...children.filter(holdsAny).map((child) => child.id));
        if (found.length >= OVERVIEW_ROWS) return found.slice(0, OVERVIEW_ROWS);
      }
      level = next;
    }
    return found;
  }
}
