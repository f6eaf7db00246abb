/**
 * How far an account's windows have been told of changes: how often, since a server began to count. What an answer says may
 * be older than what a window hears first of all; it is by this that it knows.
 */
export interface Told {
  since: string;
  count: number;
}

/** The header in which an answer says how far they had been told when it was begun. */
export const TOLD_HEADER = 'Told';

export const toldWords = ({ since, count }: Told): string => `${count} ${since}`;

/** What `toldWords` wrote; null for anything else. */
export function readTold(words: string | null): Told | null {
  const { count, since } = /^(?<count>\d+) (?<since>\S+)$/u.exec(words ?? '')?.groups ?? {};
  return count === undefined || since === undefined ? null : { since, count: Number(count) };
}
