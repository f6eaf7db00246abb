import { EntitySchema } from 'typeorm';
import { key, text, textOrNull, zero } from './columns';

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
    id: key,
    name: text,
    foldedName: { ...text, unique: true },
    passphraseHash: text,
    createdAt: text,
    failedTries: zero,
    waitUntil: textOrNull,
  },
});
