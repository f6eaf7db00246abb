import type { EntityManager } from 'typeorm';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import { EntryEntity, OtherNameEntity, type OtherName } from '../entities';
import { OTHER_NAMES } from '../entities/fact.queries';

/** The other names of a page, in their order. Whoever asks has seen the page. */
export const otherNamesOf = (raw: RawDatabase, pageId: string): string[] =>
  prepared(raw, OTHER_NAMES).pluck().all(pageId) as string[];

/** The other names of all pages that a viewer sees, by page. */
export async function allOtherNames(database: Database, viewer: Viewer): Promise<Map<string, string[]>> {
  const query = database.manager
    .createQueryBuilder(OtherNameEntity, 'o')
    .select(['o.pageId AS pageId', 'o.name AS name'])
    .innerJoin(EntryEntity.options.name, 'e', 'e.id = o.pageId')
    .orderBy('o.pageId')
    .addOrderBy('o.position');
  const rows = await database.reading(viewer).visible(query).getRawMany<Pick<OtherName, 'pageId' | 'name'>>();
  const names = new Map<string, string[]>();
  for (const { pageId, name } of rows) names.set(pageId, [...(names.get(pageId) ?? []), name]);
  return names;
}

/** Gives a page these other names instead of those it had. Within a transaction. */
export async function writeOtherNames(manager: EntityManager, pageId: string, names: readonly string[]): Promise<void> {
  await manager.delete(OtherNameEntity, { pageId });
  if (names.length === 0) return;
  await manager.insert(
    OtherNameEntity,
    names.map((name, position) => ({ pageId, position, name })),
  );
}
