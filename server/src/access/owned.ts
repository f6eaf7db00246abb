import type { EntityManager, EntitySchema } from 'typeorm';
import type { Viewer } from './viewer';

/** A row that an account has for itself alone. */
interface Owned {
  ownerId: string;
}

/** The account whose a row is. */
export const accountOwning = ({ ownerId }: Owned): string => ownerId;

/** The rows that are a viewer's own, in tables that hold what each account has for itself. */
export const ownedBy = ({ accountId }: Viewer): Owned => ({ ownerId: accountId });

/**
 * Puts a row of a viewer's own in the place of the one with the same key, or makes it.
 *
 * @param key the column that tells rows of one account apart
 */
export async function putOwned<T extends Owned>(
  manager: EntityManager,
  viewer: Viewer,
  entity: EntitySchema<T>,
  key: string & keyof T,
  row: Omit<T, 'ownerId'>,
): Promise<void> {
  await manager.upsert(entity, { ...row, ...ownedBy(viewer) } as never, ['ownerId', key]);
}
