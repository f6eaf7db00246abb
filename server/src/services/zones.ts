import { dayAt, momentsOf } from '@glossarion/core/journal';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { SettingEntity } from '../entities';

/** The setting that holds it: an IANA name, as the person's device says it. */
export const TIME_ZONE = 'timeZone';

/** Where on earth each person is, so that what they do is of the day that it is there. */
export class Zones {
  private zones = new Map<string, string | null>();

  constructor(private database: Database) {}

  /** The day that a moment is in where the person is; in UTC while that is not known. */
  async dayOf(viewer: Viewer, moment = new Date()): Promise<string> {
    return dayAt(moment, await this.of(viewer));
  }

  /** The moments between which a day lies there, as texts in UTC. */
  async momentsOf(viewer: Viewer, day: string): Promise<[from: string, to: string]> {
    return momentsOf(day, await this.of(viewer));
  }

  /** Where the person is, as an IANA name; null while that is not known. */
  async of(viewer: Viewer): Promise<string | null> {
    let zone = this.zones.get(viewer.accountId);
    if (zone === undefined) {
      const row = await this.database.manager.findOneBy(SettingEntity, { ...ownedBy(viewer), key: TIME_ZONE });
      zone = row ? (JSON.parse(row.value) as string) : null;
      this.zones.set(viewer.accountId, zone);
    }
    return zone;
  }

  /** They said that they are elsewhere. */
  forget({ accountId }: Viewer): void {
    this.zones.delete(accountId);
  }
}
