/** The pause between two pieces of work that nobody waits for, in milliseconds. */
const BETWEEN = 15;

/** Lets others be heard between two pieces of work: what is stored without a pause keeps the server from all else. */
export const nextTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** The same where nobody waits for the work: others have time to write too. */
export const letOthers = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, BETWEEN));
