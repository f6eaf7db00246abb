/** What the words of an account must be, held by the server and said by the forms before anything is sent. */

/** The most characters of a person’s name. */
export const MAX_ACCOUNT_NAME = 80;
/** The least and the most characters of a passphrase. */
export const PASSPHRASE = { least: 8, most: 1024 } as const;

/** What is wrong with the name of an account, in a sentence; null when nothing is. */
export function accountNameTrouble(name: string): string | null {
  if (name.trim() === '') return 'A name is needed.';
  return name.length > MAX_ACCOUNT_NAME ? `A name has at most ${MAX_ACCOUNT_NAME} characters.` : null;
}

/** What is wrong with a new passphrase, in a sentence; null when nothing is. */
export function passphraseTrouble(passphrase: string): string | null {
  if (passphrase.length < PASSPHRASE.least) return 'A passphrase needs eight characters or more.';
  return passphrase.length > PASSPHRASE.most ? `A passphrase has at most ${PASSPHRASE.most} characters.` : null;
}

/** What is wrong with an invitation, in a sentence; null when nothing is. */
export const invitationTrouble = (invitation: string): string | null =>
  invitation.trim() === '' ? 'An invitation is needed.' : null;
