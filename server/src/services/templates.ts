import type { BodyJson } from '@glossarion/core/document';
import { questionsOf, type TemplateInfo } from '@glossarion/core/templates';
import { sees, visibleEntry, type EntryRow, type Viewer } from '../access';
import type { Database } from '../database/database';
import { DocumentEntity, EntryEntity } from '../entities';
import { UP } from '../entities/entry.queries';
import { entryTitle } from './entries';

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
