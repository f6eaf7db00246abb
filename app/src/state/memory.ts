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

export const forgetAccount = (): void => localStorage.removeItem(ACCOUNT);

/** Whether this window was signed out on purpose; the demo then does not sign in by itself again. */
export const hasSignedOut = (): boolean => sessionStorage.getItem(SIGNED_OUT) !== null;

export const noteSignedOut = (): void => sessionStorage.setItem(SIGNED_OUT, '1');
