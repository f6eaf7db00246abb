import { In } from 'typeorm';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, ImportUnderWayEntity } from '../entities';
import type { FactWriter } from './facts';
import { dropTagsOfImport } from './tags';

/** Entries that are taken out in one piece. */
const AT_ONCE = 40;

/** What came in with `id` is seen by nobody from now on, until it is whole. */
export async function beginImport(database: Database, viewer: Viewer, id: string): Promise<void> {
  database.importing.add(id);
  await database.writePiece((manager) =>
    manager.insert(ImportUnderWayEntity, { id, ...ownedBy(viewer), begunAt: new Date().toISOString() }),
  );
}

/**
 * Takes out what came in with an import that did not become whole, in pieces.
 *
 * @param onDropped called within the transaction that takes out its tags
 */
export async function clearImport(
  database: Database,
  facts: FactWriter,
  id: string,
  onDropped: () => void = () => undefined,
): Promise<void> {
  for (let isLeft = true; isLeft;) {
    isLeft = await database.writePiece(async (manager) => {
      // What stands in something was made after it, and goes before it.
      const rows = await manager.find(EntryEntity, {
        select: { id: true, row: true },
        where: { importId: id },
        order: { row: 'DESC' },
        take: AT_ONCE,
      });
      await facts.countingAtOnce(() => rows.forEach((entry) => facts.drop(entry)));
      await manager.delete(EntryEntity, { row: In(rows.map(({ row }) => row)) });
      if (rows.length === AT_ONCE) return true;
      await dropTagsOfImport(manager, id);
      onDropped();
      await manager.delete(ImportUnderWayEntity, { id });
      return false;
    });
  }
  database.importing.delete(id);
}

/** Takes out what imports have left that were under way when the server ended. */
export async function clearBrokenImports(database: Database, facts: FactWriter): Promise<void> {
  const broken = await database.manager.find(ImportUnderWayEntity);
  for (const { id } of broken) database.importing.add(id);
  for (const { id } of broken) await clearImport(database, facts, id);
}
