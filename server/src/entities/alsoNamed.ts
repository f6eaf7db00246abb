import { EntitySchema } from 'typeorm';
import { integer, key, numbered, text } from './columns';

/** A line that names something without a link, by the name as it is compared; found in the background. */
export interface StoredAlsoNamed {
  name: string;
  documentId: string;
  blockId: string;
  /** Where in the line, as JSON. */
  places: string;
}

export const AlsoNamedEntity = new EntitySchema<StoredAlsoNamed>({
  name: 'AlsoNamed',
  tableName: 'alsoNamed',
  columns: { name: key, documentId: key, blockId: key, places: text },
  indices: [{ name: 'alsoNamed_by_document', columns: ['documentId'] }],
});

/** A document whose lines have to be looked through (again); the number tells whether it changed meanwhile. */
export interface AlsoNamedDue {
  documentId: string;
  number: number;
}

export const AlsoNamedDueEntity = new EntitySchema<AlsoNamedDue>({
  name: 'AlsoNamedDue',
  tableName: 'alsoNamedDue',
  columns: { documentId: key, number: integer },
  indices: [{ name: 'alsoNamedDue_by_number', columns: ['number'] }],
});

/** A name that came or went: what holds its words has to be looked through again. */
export interface NameDue {
  number: number;
  pageId: string;
  name: string;
}

export const NameDueEntity = new EntitySchema<NameDue>({
  name: 'NameDue',
  tableName: 'namesDue',
  columns: { number: numbered, pageId: text, name: text },
});

/** A line that shall never be offered again as naming something. */
export interface Unlinked {
  targetId: string;
  documentId: string;
  blockId: string;
}

export const UnlinkedEntity = new EntitySchema<Unlinked>({
  name: 'Unlinked',
  tableName: 'unlinked',
  columns: { targetId: key, documentId: key, blockId: key },
});
