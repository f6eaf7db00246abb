import { blockIds, newId, withIds, type BodyJson } from '@glossarion/core/document';
import { EntryEntity, type Entry } from '../entities';
import type { ActContext } from './acts';
import { adjustBeneath, weightOf } from './beneath';
import { placeFor } from './order';

/** CROSS JOIN keeps the order of the walk: what holds others comes before them, as their rows must. */
const LIVING_BENEATH = `
  WITH RECURSIVE down(id) AS (
    SELECT ?
    UNION
    SELECT e.id FROM entries e JOIN down ON e.parentId = down.id WHERE e.deletedAt IS NULL
  ) SELECT e.* FROM down CROSS JOIN entries e ON e.id = down.id`;

/**
 * Copies an entry with everything beneath it, to stand after it. Pages and blocks get new ids, and what links inside
 * the original links inside the copy. What is in the bin is not copied.
 */
export async function duplicate(context: ActContext, root: Entry, copyId: string): Promise<void> {
  const { database, manager, facts } = context;
  const { writer } = database;
  const originals = writer.prepare(LIVING_BENEATH).all(root.id) as Entry[];
  const newIds = new Map<string, string>(originals.map((entry) => [entry.id, entry.id === root.id ? copyId : newId()]));
  const readBody = writer.prepare('SELECT json FROM bodies WHERE pageId = ?');
  const bodies = new Map<string, BodyJson>();
  for (const { id, kind } of originals) {
    if (kind !== 'page') continue;
    const body = JSON.parse((readBody.get(id) as { json: string }).json) as BodyJson;
    bodies.set(id, body);
    for (const blockId of blockIds(body)) newIds.set(blockId, newId());
  }
  const { orderKey } = placeFor(
    context,
    { id: copyId, kind: root.kind },
    { parentId: root.parentId, afterId: root.id },
  );
  const addBody = writer.prepare('INSERT INTO bodies (pageId, json) VALUES (?, ?)');
  for (const { row: _row, ...original } of originals) {
    const isRoot = original.id === root.id;
    const id = newIds.get(original.id)!;
    const name = isRoot && original.name.trim() ? `Copy of ${original.name}` : original.name;
    await manager.insert(EntryEntity, {
      ...original,
      id,
      name,
      parentId: isRoot ? root.parentId : newIds.get(original.parentId!)!,
      orderKey: isRoot ? orderKey : original.orderKey,
      begunAt: context.now,
      changedAt: context.now,
      deletedAt: null,
      mergedInto: null,
    });
    const { row } = await manager.findOneByOrFail(EntryEntity, { id });
    const body = bodies.get(original.id);
    if (body) {
      const copy = withIds(body, newIds);
      addBody.run(id, JSON.stringify(copy));
      facts.write({ row, id, indexed: null }, name, copy, null);
    } else {
      facts.writeName(row, name);
    }
  }
  adjustBeneath(writer, root.parentId, weightOf(root), 1);
}
