import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** The private address at which a calendar program may follow an account's tasks; one an account. */
export interface CalendarAddress {
  ownerId: string;
  /** SHA-256 of what the address ends with, which is shown once. */
  hash: string;
  madeAt: string;
}

export const CalendarAddressEntity = new EntitySchema<CalendarAddress>({
  name: 'CalendarAddress',
  tableName: 'calendarAddresses',
  columns: { ownerId: key, hash: { ...text, unique: true }, madeAt: text },
});
