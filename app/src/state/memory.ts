import type { AccountInfo } from './types';

/** Who was signed in here last, so that the notes this browser keeps can be opened while the server is away. */

const ACCOUNT = 'glossarion-account';
const SIGNED_OUT = 'glossarion-signed-out';

export function rememberedAccount(): AccountInfo | null {
  try {
    return JSON.parse(localStorage.getItem(ACCOUNT) ?? 'null') as AccountInfo | null;
  } catch {
    return null;
  }
}

export function rememberAccount(account: AccountInfo): void {
  localStorage.setItem(ACCOUNT, JSON.stringify(account));
  sessionStorage.removeItem(SIGNED_OUT);
}

const KINDS = 'glossarion-kinds';

/** The kinds and fields of the account, as JSON, so that fields are called by their names while the server is away. */
export function rememberedKinds(): string | null {
  try {
    return localStorage.getItem(KINDS);
  } catch {
    return null;
  }
}

export function rememberKinds(kinds: string): void {
  try {
    localStorage.setItem(KINDS, kinds);
  } catch {
    // A browser that keeps nothing asks again.
  }
}

const SEARCHES = 'glossarion-searches';

/** What was looked for lately, as JSON. */
export function rememberedSearches(): string | null {
  try {
    return localStorage.getItem(SEARCHES);
  } catch {
    return null;
  }
}

export function rememberSearches(searches: string | null): void {
  try {
    if (searches === null) localStorage.removeItem(SEARCHES);
    else localStorage.setItem(SEARCHES, searches);
  } catch {
    // Without room they are not remembered.
  }
}

const UNREAD = 'glossarion-unread';

/** What was typed in this window into fields and could not be read, as JSON; null for nothing. */
export const rememberedUnread = (): string | null => sessionStorage.getItem(UNREAD);

export function rememberUnread(unread: string): void {
  try {
    sessionStorage.setItem(UNREAD, unread);
  } catch {
    // Without room it stays as long as its page is shown.
  }
}

export function forgetAccount(): void {
  localStorage.removeItem(ACCOUNT);
  localStorage.removeItem(KINDS);
  localStorage.removeItem(SEARCHES);
  sessionStorage.removeItem(UNREAD);
}

/** Whether this window was signed out on purpose; the demo then does not sign in by itself again. */
export const hasSignedOut = (): boolean => sessionStorage.getItem(SIGNED_OUT) !== null;

export const noteSignedOut = (): void => sessionStorage.setItem(SIGNED_OUT, '1');
