import type { EntityManager } from 'typeorm';
import { tagKey, TagTree, type Tag } from '@glossarion/core/tags';
import { TagEntity, type Tag as TagRow } from '../entities';
import { notFound, Problem } from '../problem';
import type { ViewerConnection } from './connection';
import { TAGS } from './guard.queries';
import type { Viewer } from './viewer';

/** All tags that a viewer may see: their own, and those that lines wear which were granted to them. */
export const visibleTags = (connection: ViewerConnection): TagTree =>
  new TagTree(connection.all<Tag>(TAGS, { hasGrants: Number(connection.viewer.hasGrants) }));

/** A tag of the viewer's own, by its id. */
export const ownTag = (manager: EntityManager, { accountId }: Viewer, id: string): Promise<TagRow | null> =>
  manager.findOneBy(TagEntity, { id, ownerId: accountId });

/** All tags of the viewer's own by their paths (tagKey), whether they have come in whole or not. */
export async function ownTagPaths(
  manager: EntityManager,
  { accountId }: Viewer,
): Promise<Map<string, Pick<TagRow, 'id' | 'importId'>>> {
  const rows = await manager.findBy(TagEntity, { ownerId: accountId });
  const tree = new TagTree(rows);
  return new Map(rows.map(({ id, importId }) => [tagKey(tree.pathOf(id)), { id, importId }]));
}

/**
 * A tag that the viewer may change.
 *
 * @throws Problem (404) when they do not see it, (403) when it is not their own
 */
export async function writableTag(manager: EntityManager, connection: ViewerConnection, id: string): Promise<TagRow> {
  const tag = await ownTag(manager, connection.viewer, id);
  if (tag) return tag;
  if (!visibleTags(connection).get(id)) throw notFound();
  throw new Problem(403, 'This was shared with you to read. It was not changed.');
}
