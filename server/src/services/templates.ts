import type { BodyJson } from '@glossarion/core/document';
import {
  fillBody,
  fillText,
  nextNumber,
  placeholdersIn,
  questionsOf,
  type TemplateInfo,
  type TemplateUse,
} from '@glossarion/core/templates';
import type { Database, RawDatabase } from '../database/database';
import type { Entry } from '../entities';
import { notFound } from '../problem';
import { entryTitle } from './entries';

/** What a page made from a template begins with. */
export interface FilledTemplate {
  title: string;
  body: BodyJson;
}

interface TemplateRow extends Entry {
  json: string;
}

const readTemplate = (database: RawDatabase, ownerId: string, id: string): TemplateRow => {
  const row = database
    .prepare('SELECT e.*, b.json FROM entries e JOIN bodies b ON b.pageId = e.id WHERE e.id = ? AND e.ownerId = ?')
    .get(id, ownerId) as TemplateRow | undefined;
  if (!row) throw notFound();
  return row;
};

/** Fills in a template for a page that is being made. A title that was given stands for the template's own. */
export function fillTemplate(
  database: RawDatabase,
  ownerId: string,
  page: { id: string; name: string; parentId: string | null },
  { templateId, date, time, answers }: TemplateUse,
): FilledTemplate {
  const template = readTemplate(database, ownerId, templateId);
  const made = database
    .prepare('SELECT name FROM entries WHERE madeFrom = ? AND ownerId = ? AND deletedAt IS NULL')
    .all(templateId, ownerId) as { name: string }[];
  const holder = page.parentId
    ? (database.prepare('SELECT name, firstWords, day, kind FROM entries WHERE id = ?').get(page.parentId) as
        Entry | undefined)
    : undefined;
  const place = holder ? entryTitle(holder) : '';
  const known = { ...answers, date, time, place, number: String(nextNumber(made.map(({ name }) => name))) };
  const isNamed = page.name.trim() !== '';
  const isTitleFilled = placeholdersIn(template.name).length > 0;
  const title = isNamed ? page.name : isTitleFilled ? fillText(template.name, { ...known, title: '' }).trim() : '';
  return { title, body: fillBody(JSON.parse(template.json) as BodyJson, page.id, { ...known, title }) };
}

/** The templates of an account. */
export class Templates {
  constructor(private database: Database) {}

  list(ownerId: string): TemplateInfo[] {
    const rows = this.database.all<TemplateRow>(
      `SELECT e.*, b.json FROM entries e JOIN bodies b ON b.pageId = e.id
       WHERE e.ownerId = ? AND e.isTemplate = 1 AND e.deletedAt IS NULL ORDER BY e.name`,
      ownerId,
    );
    return rows.map((row) => ({
      id: row.id,
      title: entryTitle(row),
      questions: questionsOf(row.name, JSON.parse(row.json) as BodyJson),
    }));
  }

  /** The template of pages made in a place: its own, or that of the nearest place above that has one. */
  defaultFor(ownerId: string, id: string): string | null {
    const row = this.database.first<{ templateId: string }>(
      `WITH RECURSIVE up(id, parentId, templateId, step) AS (
         SELECT id, parentId, templateId, 0 FROM entries WHERE id = ? AND ownerId = ?
         UNION ALL
         SELECT e.id, e.parentId, e.templateId, step + 1 FROM entries e JOIN up ON e.id = up.parentId AND step < 500
       )
       SELECT up.templateId FROM up JOIN entries t ON t.id = up.templateId
       WHERE t.isTemplate = 1 AND t.deletedAt IS NULL ORDER BY step LIMIT 1`,
      id,
      ownerId,
    );
    return row?.templateId ?? null;
  }
}
