import { v5, v7, validate } from 'uuid';

/** The name space of every id that is computed from a name instead of drawn. */
const NAME_SPACE = '6d2f0c1e-93a4-4f0b-8a57-0f6c2d9b7e41';

/** A new lasting id (UUID version 7, RFC 9562): sorts by the moment it was made. */
export const newId = (): string => v7();

/** The id that every device computes alike for the same account and name. */
export const namedId = (accountId: string, name: string): string => v5(`${accountId}/${name}`, NAME_SPACE);

export const isId = (value: unknown): value is string => typeof value === 'string' && validate(value);
