import type { EntityManager } from 'typeorm';
import { ownedBy, putOwned, type Viewer } from '../access';
import type { Database } from '../database/database';
import { SettingEntity } from '../entities';
import { LANGUAGES_SETTING } from './countedLanguages';
import { TIME_ZONE, type Zones } from './zones';

/** The key of how the Margins of pages were left, by the page’s id. */
const MARGINS = 'margins';
/** Pages whose Margin was left otherwise than it comes are remembered, the latest this many. */
const REMEMBERED = 200;

/** What a person has set, by key; each value is JSON that the routes have checked. */
export class Settings {
  constructor(
    private database: Database,
    private zones: Zones,
    /** Is told when somebody says which languages they write. */
    private writes: (viewer: Viewer) => void,
  ) {}

  async all(viewer: Viewer): Promise<Record<string, unknown>> {
    const rows = await this.database.manager.findBy(SettingEntity, ownedBy(viewer));
    return Object.fromEntries(rows.map((row) => [row.key, JSON.parse(row.value) as unknown]));
  }

  async set(viewer: Viewer, key: string, value: unknown): Promise<void> {
    await this.database.write((manager) => store(manager, viewer, key, value));
    if (key === TIME_ZONE) this.zones.forget(viewer);
    if (key === LANGUAGES_SETTING) this.writes(viewer);
  }

  /** Remembers how the Margin of one page was left; as it comes when `view` is empty. Those of others stay. */
  async setMargin(viewer: Viewer, pageId: string, view: object): Promise<void> {
    await this.database.write(async (manager) => {
      const row = await manager.findOneBy(SettingEntity, { key: MARGINS, ...ownedBy(viewer) });
      const others = Object.entries(row ? (JSON.parse(row.value) as object) : {}).filter(([id]) => id !== pageId);
      const kept = Object.keys(view).length > 0 ? [...others, [pageId, view] as const] : others;
      await store(manager, viewer, MARGINS, Object.fromEntries(kept.slice(-REMEMBERED)));
    });
  }
}

const store = (manager: EntityManager, viewer: Viewer, key: string, value: unknown) =>
  putOwned(manager, viewer, SettingEntity, 'key', { key, value: JSON.stringify(value) });
