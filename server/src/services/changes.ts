import type { EntityManager } from 'typeorm';
import type { Change, ChangeKind } from '@glossarion/core/acts';
import { checkBeside, NOTHING_BESIDE, withBeside, writeField, writeKinds } from '@glossarion/core/document';
import {
  accountOf,
  addEntry,
  ownedBy,
  putField,
  putKind,
  putOwned,
  sees,
  writableEntry,
  type ViewerConnection,
} from '../access';
import { EntryEntity, MovedGlossEntity, PinEntity, SavedSearchEntity, UnlinkedEntity } from '../entities';
import { notFound } from '../problem';
import { adjustBeneath, weightOf } from './beneath';
import type { Accepted, Documents } from './documents';
import type { FactWriter } from './facts';
import type { Kinds } from './kinds';
import { otherNamesOf, writeOtherNames } from './otherNames';
import type { Tags } from './tags';

/** What changes are made with: one transaction of one viewer. */
export interface Making {
  manager: EntityManager;
  connection: ViewerConnection;
  documents: Documents;
  facts: FactWriter;
  kinds: Kinds;
  tags: Tags;
  now: string;
  /** Documents that were changed, to be told to their windows once all is stored. */
  accepted: Accepted[];
}

type Maker<K extends ChangeKind> = (change: Extract<Change, { change: K }>, making: Making) => Promise<void> | void;

/** How each change that acts plan is stored. Each passes the guard. */
const MAKERS: { [K in ChangeKind]: Maker<K> } = {
  add: async ({ entry, content, beside = NOTHING_BESIDE, isTyped }, { connection, documents, facts, manager }) => {
    const { raw, viewer } = connection;
    if (accountOf(raw, entry.id) !== undefined) throw notFound();
    if (entry.parentId !== null) writableEntry(connection, entry.parentId);
    const row = addEntry(raw, viewer, entry);
    if (content) {
      const body = withBeside({ type: 'doc', content: [...content] }, checkBeside(beside));
      await documents.begin(manager, viewer, 'page', { id: entry.id, row, title: entry.name }, body, {
        isTyped,
      });
    } else facts.writeName({ id: entry.id, row }, entry.name);
    adjustBeneath(raw, entry.parentId, weightOf({ kind: entry.kind, pagesBeneath: 0, sectionsBeneath: 0 }), 1);
  },

  set: async ({ id, values }, { connection, manager }) => {
    const before = writableEntry(connection, id);
    const { parentId } = values;
    if (typeof parentId === 'string' && sees(connection, parentId)) writableEntry(connection, parentId);
    const isCounted = 'parentId' in values || 'deletedAt' in values;
    const after = { ...before, ...values };
    const weight = weightOf(before);
    if (isCounted && before.deletedAt === null) adjustBeneath(connection.raw, before.parentId, weight, -1);
    await manager.update(EntryEntity, { id }, values);
    if (isCounted && after.deletedAt === null) adjustBeneath(connection.raw, after.parentId, weight, 1);
  },

  name: async ({ id, name }, { accepted, connection, documents, facts, manager, now }) => {
    const { kind, row } = writableEntry(connection, id);
    if (kind === 'page') {
      accepted.push(await documents.renameWithin(manager, connection.viewer, id, name));
      return;
    }
    await manager.update(EntryEntity, { id }, { name, changedAt: now });
    facts.writeName({ id, row }, name);
  },

  remove: async ({ id }, { connection, documents, facts, manager }) => {
    const entry = writableEntry(connection, id);
    if (entry.deletedAt === null) adjustBeneath(connection.raw, entry.parentId, weightOf(entry), -1);
    facts.drop(entry);
    await manager.update(EntryEntity, { mergedInto: id }, { mergedInto: null });
    await manager.delete(EntryEntity, { id });
    documents.forget(id);
  },

  content: async ({ id, content }, { accepted, connection, documents, manager }) => {
    accepted.push(
      await documents.rewriteWithin(manager, connection.viewer, id, { type: 'doc', content: [...content] }),
    );
  },

  attributes: async ({ id, blockId, values }, { accepted, connection, documents, manager }) => {
    accepted.push(await documents.setAttributesWithin(manager, connection.viewer, id, blockId, values));
  },

  beside: async ({ id, kinds, fields = {} }, { accepted, connection, documents, manager }) => {
    accepted.push(
      await documents.editWithin(manager, connection.viewer, id, (document) => {
        if (kinds) writeKinds(document, kinds);
        for (const [field, content] of Object.entries(fields)) writeField(document, field, content);
      }),
    );
  },

  kind: async ({ kind }, { connection, kinds, manager }) => {
    kinds.noteChange(connection.viewer);
    await putKind(manager, connection.viewer, kind);
  },

  field: async ({ field }, { connection, kinds, manager }) => {
    kinds.noteChange(connection.viewer);
    await putField(manager, connection.viewer, field);
  },

  tag: ({ tag }, { connection, manager, tags }) => tags.put(manager, connection.viewer, tag),

  otherNames: async ({ id, names }, { connection, facts, manager }) => {
    const entry = writableEntry(connection, id);
    const before = otherNamesOf(connection.raw, id);
    await writeOtherNames(manager, id, names);
    facts.writeOtherNames(entry);
    for (const name of before) if (!names.includes(name)) facts.noteName(id, name);
    for (const name of names) if (!before.includes(name)) facts.noteName(id, name);
  },

  pin: ({ id, orderKey }, { connection, manager }) =>
    putOwned(manager, connection.viewer, PinEntity, 'entryId', { entryId: id, orderKey }),

  unpin: async ({ id }, { connection, manager }) => {
    await manager.delete(PinEntity, { ...ownedBy(connection.viewer), entryId: id });
  },

  search: async ({ id, saved }, { connection, manager }) => {
    if (saved) await putOwned(manager, connection.viewer, SavedSearchEntity, 'id', { id, ...saved });
    else await manager.delete(SavedSearchEntity, { ...ownedBy(connection.viewer), id });
  },

  moveGloss: async ({ targetId, blockId, place }, { connection, manager }) => {
    writableEntry(connection, targetId);
    await manager.delete(MovedGlossEntity, { targetId, blockId });
    if (place) await manager.insert(MovedGlossEntity, { targetId, blockId, lineId: place.lineId });
  },

  unlinked: async ({ targetId, pageId, blockId, isLeft }, { connection, manager }) => {
    writableEntry(connection, pageId);
    const row = { targetId, documentId: pageId, blockId };
    await manager.delete(UnlinkedEntity, row);
    if (isLeft) await manager.insert(UnlinkedEntity, row);
  },
};

export const makeChange = async (change: Change, making: Making): Promise<void> =>
  (MAKERS[change.change] as Maker<ChangeKind>)(change as never, making);
