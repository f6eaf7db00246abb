import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

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
  columns: { id: key, accountId: text, createdAt: text, expiresAt: text },
});
