import type { EntityManager } from 'typeorm';
import { TagTree, type Tag } from '@glossarion/core/tags';
import { TagEntity, type Tag as TagRow } from '../entities';
import { notFound, Problem } from '../problem';
import type { ViewerConnection } from './connection';
import { accountOf } from './guard';
import { TAGS } from './guard.queries';
import type { Viewer } from './viewer';

/** All tags that a viewer may see: their own, and those that lines wear which were granted to them. */
export const visibleTags = (connection: ViewerConnection): TagTree =>
  new TagTree(connection.all<Tag>(TAGS, { hasGrants: Number(connection.viewer.hasGrants) }));

/** A tag of the viewer's own, by its id. */
export const ownTag = (manager: EntityManager, { accountId }: Viewer, id: string): Promise<TagRow | null> =>
  manager.findOneBy(TagEntity, { id, ownerId: accountId });

/** All tags of the viewer's own, whether they have come in whole or not. */
export const ownTags = (manager: EntityManager, { accountId }: Viewer): Promise<TagRow[]> =>
  manager.findBy(TagEntity, { ownerId: accountId });

/**
 * Passed before what is said of a tag is changed; whether there is one.
 *
 * @throws Problem (403) when it is not the viewer's own, (404) when they do not see what has this id
 */
export async function guardTag(manager: EntityManager, connection: ViewerConnection, id: string): Promise<boolean> {
  if (await ownTag(manager, connection.viewer, id)) return true;
  if (accountOf(connection.raw, id) === undefined) return false;
  if (!visibleTags(connection).get(id)) throw notFound();
  throw new Problem(403, 'This was shared with you to read. It was not changed.');
}
