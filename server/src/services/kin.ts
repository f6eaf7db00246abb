import type { Kin, KinFound } from '@glossarion/core/kin';
import type { Database } from '../database/database';
import type { Background } from './background';
import type { Entries } from './entries';

/** Found this long ago, the pages alike are looked for again: others have changed. In milliseconds. */
const STALE_AFTER = 24 * 60 * 60 * 1000;

/** The pages most like one, as they were found last (background/kin). */
export class KinReader {
  constructor(
    private database: Database,
    private entries: Entries,
    private background: Background,
  ) {}

  /** What was found last; `isPending` when it is being looked for anew. */
  of(ownerId: string, pageId: string): KinFound {
    if (!this.entries.has(ownerId, pageId)) return { kin: [], isPending: false };
    const entry = this.entries.own(ownerId, pageId);
    if (entry.kind !== 'page' || entry.day !== null) return { kin: [], isPending: false };
    const made = this.database.first<{ madeAt: string }>('SELECT madeAt FROM kinMade WHERE pageId = ?', pageId);
    const isPending = !made || Date.parse(made.madeAt) < Date.now() - STALE_AFTER;
    if (isPending) this.background.wantKin(ownerId, pageId);
    const rows = this.database.all<{ otherId: string; likeness: number; why: string }>(
      'SELECT otherId, likeness, why FROM kin WHERE pageId = ? ORDER BY place',
      pageId,
    );
    const titles = (ids: readonly string[]) => this.entries.living(ownerId, ids).map(({ title }) => title);
    const kin = rows.flatMap(({ otherId, likeness, why }) => {
      const [target] = this.entries.living(ownerId, [otherId]);
      const { words, links, tags } = JSON.parse(why) as Omit<Kin, 'id' | 'likeness'>;
      return target && !this.isLinked(pageId, otherId) ? [{ target, likeness, words, links: titles(links), tags }] : [];
    });
    return { kin, isPending };
  }

  private isLinked(pageId: string, otherId: string): boolean {
    const links = `SELECT 1 FROM links WHERE pageId = ? AND (target = ? OR target IN (SELECT id FROM blocks WHERE pageId = ?))`;
    return (
      this.database.first(links, pageId, otherId, otherId) !== undefined ||
      this.database.first(links, otherId, pageId, pageId) !== undefined
    );
  }
}
