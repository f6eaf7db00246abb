import { blockIds, newId, withIds, type BodyJson } from '@glossarion/core/document';
import { In } from 'typeorm';
import { addEntry, ENTRY_COLUMNS, type EntryRow } from '../access';
import { DocumentEntity } from '../entities';
import { ALL_BENEATH } from '../entities/entry.queries';
import type { ActContext } from './acts';
import { adjustBeneath, weightOf } from './beneath';
import { placeFor } from './order';

const BENEATH = ALL_BENEATH(ENTRY_COLUMNS);

/**
 * Copies an entry with everything beneath it, to stand after it. Pages and blocks get new ids, and what links inside
 * the original links inside the copy. What is in the bin is not copied.
 */
export async function duplicate(context: ActContext, root: EntryRow, copyId: string): Promise<void> {
  const { connection, manager, documents, facts, viewer } = context;
  const writer = connection.raw;
  const originals = connection.all<EntryRow>(BENEATH, { id: root.id });
  const newIds = new Map<string, string>(originals.map((entry) => [entry.id, entry.id === root.id ? copyId : newId()]));
  const bodies = new Map<string, BodyJson>();
  for (const { id, json } of await manager.findBy(DocumentEntity, { id: In(originals.map(({ id }) => id)) })) {
    const body = JSON.parse(json) as BodyJson;
    bodies.set(id, body);
    for (const blockId of blockIds(body)) newIds.set(blockId, newId());
  }
  const { orderKey } = await placeFor(
    context,
    { id: copyId, kind: root.kind },
    { parentId: root.parentId, afterId: root.id },
  );
  for (const { row: _row, deletedAt: _deletedAt, mergedInto: _mergedInto, ...original } of originals) {
    const isRoot = original.id === root.id;
    const id = newIds.get(original.id)!;
    const name = isRoot && original.name.trim() ? `Copy of ${original.name}` : original.name;
    const row = addEntry(writer, viewer, {
      ...original,
      id,
      name,
      parentId: isRoot ? root.parentId : newIds.get(original.parentId!)!,
      orderKey: isRoot ? orderKey : original.orderKey,
      begunAt: context.now,
      changedAt: context.now,
    });
    const body = bodies.get(original.id);
    if (body) documents.begin('page', { id, row, title: name }, withIds(body, newIds));
    else facts.writeName(row, name);
  }
  adjustBeneath(writer, root.parentId, weightOf(root), 1);
}
