import type { Kin, KinFound } from '@glossarion/core/kin';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { KinEntity, KinMadeEntity } from '../entities';
import { linkedWith } from '../background/kin';
import type { Background } from './background';
import type { Entries } from './entries';
import type { Tags } from './tags';

/** Found this long ago, the pages alike are looked for again: others have changed. In milliseconds. */
const STALE_AFTER = 24 * 60 * 60 * 1000;

/** The pages most like one, as they were found last (background/kin). */
export class KinReader {
  constructor(
    private database: Database,
    private entries: Entries,
    private background: Background,
    private tags: Tags,
  ) {}

  /** What was found last; `isPending` when it is being looked for anew. */
  async of(viewer: Viewer, pageId: string): Promise<KinFound> {
    if (!this.entries.has(viewer, pageId)) return { kin: [], isPending: false };
    const entry = this.entries.entry(viewer, pageId);
    if (entry.kind !== 'page' || entry.day !== null) return { kin: [], isPending: false };
    const { manager } = this.database;
    const made = await manager.findOneBy(KinMadeEntity, { pageId });
    const isPending = !made || made.madeAt < entry.changedAt || Date.parse(made.madeAt) < Date.now() - STALE_AFTER;
    if (isPending) this.background.wantKin(pageId);
    const rows = await manager.find(KinEntity, { where: { pageId }, order: { place: 'ASC' } });
    const linked = new Set(linkedWith(this.database.reading(viewer), pageId));
    const reader = this.entries.reader(viewer);
    const tree = this.tags.tree(this.database.reading(viewer));
    const kin = rows.flatMap(({ otherId, likeness, why }) => {
      const [target] = reader.present([otherId]);
      const { words, links, tags } = JSON.parse(why) as Omit<Kin, 'id' | 'likeness'>;
      if (!target || linked.has(otherId)) return [];
      return [
        {
          target,
          likeness,
          words,
          links: reader.present(links).map(({ title }) => title),
          tags: tags.flatMap((tag) => (tree.isGone(tag) ? [] : tree.nameOf(tag)!)),
        },
      ];
    });
    return { kin, isPending };
  }
}
