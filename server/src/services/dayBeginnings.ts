import type { BodyJson } from '@glossarion/core/document';
import { dayTemplate, dayTitle, weekdayOf, type DayTemplates } from '@glossarion/core/journal';
import { fillBody } from '@glossarion/core/templates';
import type { RawDatabase } from '../database/database';

/** What a day begins with: the person's own template for it, else the shipped one. */
export function dayBeginning(database: RawDatabase, ownerId: string, pageId: string, day: string): BodyJson {
  const seed = database.prepare('SELECT json FROM daySeeds WHERE pageId = ?').get(pageId) as
    { json: string } | undefined;
  if (seed) return JSON.parse(seed.json) as BodyJson;
  const own = ownTemplate(database, ownerId, day);
  if (!own) return dayTemplate(pageId);
  const title = dayTitle(day);
  return fillBody(own, pageId, { date: title, title, place: 'Journal' });
}

function ownTemplate(database: RawDatabase, ownerId: string, day: string): BodyJson | null {
  const row = database.prepare("SELECT value FROM settings WHERE ownerId = ? AND key = 'dayTemplates'").get(ownerId) as
    { value: string } | undefined;
  if (!row) return null;
  const { every, weekdays } = JSON.parse(row.value) as DayTemplates;
  const id = weekdays[String(weekdayOf(day))] ?? every;
  if (!id) return null;
  const body = database
    .prepare(
      `SELECT b.json FROM entries e JOIN bodies b ON b.pageId = e.id
       WHERE e.id = ? AND e.ownerId = ? AND e.isTemplate = 1 AND e.deletedAt IS NULL`,
    )
    .get(id, ownerId) as { json: string } | undefined;
  return body ? (JSON.parse(body.json) as BodyJson) : null;
}

/**
 * Remembers what a day was first shown with, until it is written: a window that has it open goes on from there, even
 * if the template is changed meanwhile.
 */
export function rememberBeginning(database: RawDatabase, ownerId: string, pageId: string, body: BodyJson): void {
  database
    .prepare('INSERT OR IGNORE INTO daySeeds (pageId, ownerId, json) VALUES (?, ?, ?)')
    .run(pageId, ownerId, JSON.stringify(body));
}
