import { EntitySchema } from 'typeorm';
import type { EntryKind, Ornament, Pigment, Season } from '@glossarion/core/outline';

/** Rows as TypeORM sees them. Columns are made by the migrations alone. Moments are ISO 8601 texts in UTC. */

export interface Account {
  id: string;
  /** As shown. */
  name: string;
  /** As compared: folded, so that two accounts can't be told apart by case only. */
  foldedName: string;
  passphraseHash: string;
  createdAt: string;
  failedTries: number;
  /** No try is taken before this moment. */
  waitUntil: string | null;
}

export const AccountEntity = new EntitySchema<Account>({
  name: 'Account',
  tableName: 'accounts',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    foldedName: { type: 'text' },
    passphraseHash: { type: 'text' },
    createdAt: { type: 'text' },
    failedTries: { type: 'integer' },
    waitUntil: { type: 'text', nullable: true },
  },
});

export interface Session {
  /** SHA-256 of the cookie's value. */
  id: string;
  accountId: string;
  createdAt: string;
  expiresAt: string;
}

export const SessionEntity = new EntitySchema<Session>({
  name: 'Session',
  tableName: 'sessions',
  columns: {
    id: { type: 'text', primary: true },
    accountId: { type: 'text' },
    createdAt: { type: 'text' },
    expiresAt: { type: 'text' },
  },
});

export interface Entry {
  /** The row's own number, which the search index shares. */
  row: number;
  id: string;
  ownerId: string;
  kind: EntryKind;
  parentId: string | null;
  orderKey: string;
  /** A notebook's or section's name; a page's title, derived from its document. */
  name: string;
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  /** The date of a day's page; such a page stands in the journal, beneath nothing. */
  day: string | null;
  firstWords: string;
  wordCount: number;
  begunAt: string;
  changedAt: string;
  /** Set on the root of what was deleted only. */
  deletedAt: string | null;
  /** Its own season; null for now. */
  season: Exclude<Season, 'now'> | null;
  /** 1 when the page shows the pages beneath it as leaves. */
  showsLeaves: 0 | 1;
  /** 1 when pages can be made from this one. */
  isTemplate: 0 | 1;
  /** The template of pages made in here, and the one this page was made from. */
  templateId: string | null;
  madeFrom: string | null;
  /** The page it was merged into: links to this one lead there. */
  mergedInto: string | null;
  /** Pages and sections beneath at any depth, leaving out what is in the bin below this entry. */
  pagesBeneath: number;
  sectionsBeneath: number;
}

export const EntryEntity = new EntitySchema<Entry>({
  name: 'Entry',
  tableName: 'entries',
  columns: {
    row: { type: 'integer', primary: true, generated: 'increment' },
    id: { type: 'text' },
    ownerId: { type: 'text' },
    kind: { type: 'text' },
    parentId: { type: 'text', nullable: true },
    orderKey: { type: 'text' },
    name: { type: 'text' },
    pigment: { type: 'text', nullable: true },
    ornament: { type: 'text', nullable: true },
    description: { type: 'text' },
    day: { type: 'text', nullable: true },
    firstWords: { type: 'text' },
    wordCount: { type: 'integer' },
    begunAt: { type: 'text' },
    changedAt: { type: 'text' },
    deletedAt: { type: 'text', nullable: true },
    season: { type: 'text', nullable: true },
    showsLeaves: { type: 'integer' },
    isTemplate: { type: 'integer', default: 0 },
    templateId: { type: 'text', nullable: true },
    madeFrom: { type: 'text', nullable: true },
    mergedInto: { type: 'text', nullable: true },
    pagesBeneath: { type: 'integer' },
    sectionsBeneath: { type: 'integer' },
  },
});

export const entities = [AccountEntity, SessionEntity, EntryEntity];
