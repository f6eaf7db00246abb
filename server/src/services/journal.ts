import { addDays, dayId, dayTitle, type DayPage } from '@glossarion/core/journal';
import type { BodyJson } from '@glossarion/core/document';
import { Between } from 'typeorm';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { DAYS } from '../entities/journal.queries';
import { dayBeginning } from './dayBeginnings';

/** No day of a calendar comes before it. */
const FIRST_DAY = '0000-01-01';

/** The days of an account. */
export class Journal {
  constructor(private database: Database) {}

  async day(viewer: Viewer, day: string): Promise<DayPage> {
    const row = this.database.reading(viewer).first<DayRow>(DAYS, { from: day, to: day, least: 0, limit: 1 });
    if (row) return toDay(row);
    const pageId = dayId(viewer.accountId, day);
    return {
      day,
      pageId,
      title: dayTitle(day),
      body: await dayBeginning(this.database.manager, viewer, pageId, day),
      wordCount: 0,
      pointing: 0,
      isStored: false,
    };
  }

  /** Written days before a day, newest first. */
  before(viewer: Viewer, day: string, limit: number): DayPage[] {
    const span = { from: FIRST_DAY, to: addDays(day, -1), least: 1, limit };
    return this.database.reading(viewer).all<DayRow>(DAYS, span).map(toDay);
  }

  /** The words written on each of the seven days that end with this one. */
  async week(viewer: Viewer, day: string): Promise<{ day: string; wordCount: number }[]> {
    const from = addDays(day, -6);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(['e.row', 'e.day', 'e.wordCount'])
      .where({ ...ownedBy(viewer), day: Between(from, day) });
    const rows = await this.database.reading(viewer).visible(query).getMany();
    const counts = new Map(rows.map((row) => [row.day, row.wordCount]));
    return Array.from({ length: 7 }, (_each, index) => {
      const each = addDays(from, index);
      return { day: each, wordCount: counts.get(each) ?? 0 };
    });
  }
}

interface DayRow {
  pageId: string;
  day: string;
  wordCount: number;
  json: string;
  pointing: number;
}

const toDay = ({ json, ...row }: DayRow): DayPage => ({
  ...row,
  title: dayTitle(row.day),
  body: JSON.parse(json) as BodyJson,
  isStored: true,
});
