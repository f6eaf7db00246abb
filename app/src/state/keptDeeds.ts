import type { Deed } from './deed';

/** Deeds of the last day can be taken back after a reload, in any window of this browser. */

const keyOf = (accountId: string): string => `glossarion-deeds-${accountId}`;
/** In milliseconds. */
const A_DAY = 24 * 60 * 60 * 1000;
const MOST = 30;
/** A browser has little room: what is longer is not kept. */
const MOST_CHARACTERS = 400_000;

function read(accountId: string): Deed[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(accountId)) ?? '[]') as Deed[];
  } catch {
    return [];
  }
}

const recent = (deeds: readonly Deed[], now: number): Deed[] => deeds.filter(({ at }) => now - at < A_DAY).slice(-MOST);

/** The deeds of an account that this browser keeps, the latest last. */
export const keptDeeds = (accountId: string, now = Date.now()): Deed[] => recent(read(accountId), now);

/**
 * Keeps the deeds of this window together with those that others kept.
 *
 * @param gone when those were done that this window has taken back, or has done again, since: they are not kept
 */
export function keepDeeds(
  accountId: string,
  deeds: readonly Deed[],
  gone: ReadonlySet<number>,
  now = Date.now(),
): void {
  const own = new Set(deeds.map(({ at }) => at));
  const others = read(accountId).filter(({ at }) => !own.has(at) && !gone.has(at));
  const all = recent(
    [...others, ...deeds].sort((one, other) => one.at - other.at),
    now,
  );
  while (all.length > 0 && JSON.stringify(all).length > MOST_CHARACTERS) all.shift();
  try {
    if (all.length > 0) localStorage.setItem(keyOf(accountId), JSON.stringify(all));
    else localStorage.removeItem(keyOf(accountId));
  } catch {
    // They can be taken back until the next reload.
  }
}

/** Whoever signs in next takes back nothing of this person’s. */
export const forgetDeeds = (accountId: string): void => localStorage.removeItem(keyOf(accountId));
