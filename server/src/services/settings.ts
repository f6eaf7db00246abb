import { ownedBy, putOwned, type Viewer } from '../access';
import type { Database } from '../database/database';
import { SettingEntity } from '../entities';
import { TIME_ZONE, type Zones } from './zones';

/** What a person has set, by key; each value is JSON that the routes have checked. */
export class Settings {
  constructor(
    private database: Database,
    private zones: Zones,
  ) {}

  async all(viewer: Viewer): Promise<Record<string, unknown>> {
    const rows = await this.database.manager.findBy(SettingEntity, ownedBy(viewer));
    return Object.fromEntries(rows.map((row) => [row.key, JSON.parse(row.value) as unknown]));
  }

  async set(viewer: Viewer, key: string, value: unknown): Promise<void> {
    const setting = { key, value: JSON.stringify(value) };
    await this.database.write((manager) => putOwned(manager, viewer, SettingEntity, 'key', setting));
    if (key === TIME_ZONE) this.zones.forget(viewer);
  }
}
