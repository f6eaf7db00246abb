import { EntitySchema } from 'typeorm';
import { bytes, bytesOrNull, integer, integerKey, key, numbered, text } from './columns';

/** A body: as JSON for reading, and as Yjs state from the first time somebody writes in it. */
export interface StoredDocument {
  /** The id of what it hangs under, with which it goes. */
  id: string;
  /** What it hangs under (services/holders). */
  holder: string;
  json: string;
  state: Buffer | null;
  epoch: number;
}

export const DocumentEntity = new EntitySchema<StoredDocument>({
  name: 'Document',
  tableName: 'documents',
  columns: {
    id: key,
    holder: { ...text, default: 'page' },
    json: text,
    state: bytesOrNull,
    epoch: { ...integer, default: 1 },
  },
});

/** A change of a document that was accepted and is not yet folded into its state. */
export interface StoredUpdate {
  number: number;
  documentId: string;
  data: Buffer;
}

export const UpdateEntity = new EntitySchema<StoredUpdate>({
  name: 'Update',
  tableName: 'updates',
  columns: { number: numbered, documentId: text, data: bytes },
  indices: [{ name: 'updates_by_document', columns: ['documentId', 'number'] }],
});

/** What was visible in a block when it was taken out of its document (core/document/rescue). */
export interface StoredRemoval {
  documentId: string;
  client: number;
  clock: number;
  /** JSON. */
  ranges: string;
}

export const RemovalEntity = new EntitySchema<StoredRemoval>({
  name: 'Removal',
  tableName: 'removals',
  columns: { documentId: key, client: integerKey, clock: integerKey, ranges: text },
});
