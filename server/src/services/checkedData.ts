import type { EntityManager } from 'typeorm';
import type { RawDatabase } from '../sqlite/prepared';

/** The data as it is checked: by repositories, and on the connection that they read on. */
export interface CheckedData {
  manager: EntityManager;
  reader: RawDatabase;
}

/** One place where what is stored of a page does not follow from its body. */
export interface Disagreement {
  pageId: string;
  what: string;
}
