import { addDays, dayId, dayTitle, type DayPage } from '@glossarion/core/journal';
import type { BodyJson } from '@glossarion/core/document';
import type { Database } from '../database/database';
import { dayBeginning } from './dayBeginnings';

const DAY = `
  SELECT e.id AS pageId, e.day, e.wordCount, b.json,
    (SELECT COUNT(DISTINCT l.pageId || l.blockId) FROM links l WHERE l.target = e.id) AS pointing
  FROM entries e JOIN bodies b ON b.pageId = e.id`;

/** The days of an account. */
export class Journal {
  constructor(private database: Database) {}

  day(ownerId: string, day: string): DayPage {
    const row = this.database.first<DayRow>(`${DAY} WHERE e.ownerId = ? AND e.day = ?`, ownerId, day);
    if (row) return toDay(row);
    const pageId = dayId(ownerId, day);
    return {
      day,
      pageId,
      title: dayTitle(day),
      body: dayBeginning(this.database.reader, ownerId, pageId, day),
      wordCount: 0,
      pointing: 0,
      isStored: false,
    };
  }

  /** Written days before a day, newest first. */
  before(ownerId: string, day: string, limit: number): DayPage[] {
    const rows = this.database.all<DayRow>(
      `${DAY} WHERE e.ownerId = ? AND e.day < ? AND e.deletedAt IS NULL AND e.wordCount > 0 ORDER BY e.day DESC LIMIT ?`,
      ownerId,
      day,
      limit,
    );
    return rows.map(toDay);
  }

  /** The words written on each of the seven days that end with this one. */
  week(ownerId: string, day: string): { day: string; wordCount: number }[] {
    const from = addDays(day, -6);
    const rows = this.database.all<{ day: string; wordCount: number }>(
      'SELECT day, wordCount FROM entries WHERE ownerId = ? AND day BETWEEN ? AND ?',
      ownerId,
      from,
      day,
    );
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
