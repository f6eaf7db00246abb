import { In, type EntityManager } from 'typeorm';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, ImportUnderWayEntity, type ImportUnderWay } from '../entities';
import type { FactWriter } from './facts';
import { dropTagsOfImport } from './tags';
import { nextTurn } from './turns';

/** Entries that are taken out in one piece. */
const AT_ONCE = 40;

/** What came in with `id` is seen by nobody from now on, until it is whole. */
export async function beginImport(database: Database, viewer: Viewer, id: string): Promise<void> {
  database.importing.add(id);
  const row = { id, ...ownedBy(viewer), begunAt: new Date().toISOString(), countedTo: 0 };
  try {
    await database.writePiece((manager) => manager.insert(ImportUnderWayEntity, row));
  } catch (error) {
    // What never began holds up nothing.
    database.importing.delete(id);
    throw error;
  }
}

/** The words of its entries are counted up to the one with this row. Must run within the transaction that counts them. */
export const noteCounted = (manager: EntityManager, id: string, countedTo: number) =>
  manager.update(ImportUnderWayEntity, { id }, { countedTo });

/** Whether the words are counted that the index has of an entry with this row. */
export const isCounted = ({ countedTo }: Pick<ImportUnderWay, 'countedTo'>, row: number): boolean =>
  countedTo === null || row <= countedTo;

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
      const { countedTo = null } = (await manager.findOneBy(ImportUnderWayEntity, { id })) ?? {};
      await facts.countingAtOnce(() => rows.forEach((entry) => facts.drop(entry, isCounted({ countedTo }, entry.row))));
      await manager.delete(EntryEntity, { row: In(rows.map(({ row }) => row)) });
      if (rows.length === AT_ONCE) return true;
      await dropTagsOfImport(manager, id);
      onDropped();
      await manager.delete(ImportUnderWayEntity, { id });
      return false;
    });
    await nextTurn();
  }
  database.importing.delete(id);
}

/** Takes out what imports have left that were under way when the server ended. */
export async function clearBrokenImports(database: Database, facts: FactWriter): Promise<void> {
  const broken = await database.manager.find(ImportUnderWayEntity);
  for (const { id } of broken) database.importing.add(id);
  for (const { id } of broken) await clearImport(database, facts, id);
}
