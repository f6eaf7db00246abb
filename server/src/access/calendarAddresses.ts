import type { EntityManager } from 'typeorm';
import { CalendarAddressEntity } from '../entities';
import { ownView, type Viewer } from './viewer';

/** Whose tasks stand at a private address: what it ends with is known to nobody else. Null when there is none such. */
export async function viewerAtAddress(manager: EntityManager, hash: string): Promise<Viewer | null> {
  const row = await manager.findOneBy(CalendarAddressEntity, { hash });
  return row && ownView(row.ownerId);
}
