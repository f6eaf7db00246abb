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
import type { EntityManager } from 'typeorm';
import { sees, visibleEntry, type EntryRow, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { DocumentEntity, EntryEntity } from '../entities';
import { UP } from '../entities/entry.queries';
import { notFound } from '../problem';
import { entryTitle } from './entries';

/** What a page made from a template begins with. */
export interface FilledTemplate {
  title: string;
  body: BodyJson;
}

/**
 * Fills in a template for a page that is being made. A title that was given stands for the template's own. Within a
 * transaction.
 */
export async function fillTemplate(
  manager: EntityManager,
  connection: ViewerConnection,
  page: { id: string; name: string; parentId: string | null },
  { templateId, date, time, answers }: TemplateUse,
): Promise<FilledTemplate> {
  const template = visibleEntry(connection, templateId);
  const document = await manager.findOneBy(DocumentEntity, { id: templateId });
  if (!document) throw notFound();
  const query = manager.createQueryBuilder(EntryEntity, 'e').select('e.name', 'name').where({ madeFrom: templateId });
  const made = await connection.visible(query.andWhere('e.deletedAt IS NULL')).getRawMany<{ name: string }>();
  const place = page.parentId ? entryTitle(visibleEntry(connection, page.parentId)) : '';
  const known = { ...answers, date, time, place, number: String(nextNumber(made.map(({ name }) => name))) };
  const isNamed = page.name.trim() !== '';
  const isTitleFilled = placeholdersIn(template.name).length > 0;
  const title = isNamed ? page.name : isTitleFilled ? fillText(template.name, { ...known, title: '' }).trim() : '';
  return { title, body: fillBody(JSON.parse(document.json) as BodyJson, page.id, { ...known, title }) };
}

type TemplateRow = Pick<EntryRow, 'id' | 'name' | 'firstWords' | 'day' | 'kind'> & { json: string };

/** The templates of an account. */
export class Templates {
  constructor(private database: Database) {}

  async list(viewer: Viewer): Promise<TemplateInfo[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(DocumentEntity.options.name, 'd', 'd.id = e.id')
      .select(['e.id AS id', 'e.name AS name', 'e.firstWords AS firstWords', 'e.day AS day', 'e.kind AS kind'])
      .addSelect('d.json', 'json')
      .where('e.isTemplate = 1 AND e.deletedAt IS NULL')
      .orderBy('e.name');
    const rows = await this.database.reading(viewer).visible(query).getRawMany<TemplateRow>();
    return rows.map((row) => ({
      id: row.id,
      title: entryTitle(row),
      questions: questionsOf(row.name, JSON.parse(row.json) as BodyJson),
    }));
  }

  /** The template of pages made in a place: its own, or that of the nearest place above that has one. */
  defaultFor(viewer: Viewer, id: string): string | null {
    const connection = this.database.reading(viewer);
    visibleEntry(connection, id);
    for (const { templateId } of connection.all<{ templateId: string | null }>(UP, { id })) {
      if (templateId === null || !sees(connection, templateId)) continue;
      const template = visibleEntry(connection, templateId);
      if (template.isTemplate === 1 && template.deletedAt === null) return template.id;
    }
    return null;
  }
}
