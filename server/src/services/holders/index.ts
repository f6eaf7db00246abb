import type { Holder } from './holder';
import { page } from './page';

export type { Held, Holder } from './holder';

/** What documents hang under, by the word that is stored with each. */
export const HOLDERS = { page } satisfies Record<string, Holder>;

export type HolderKind = keyof typeof HOLDERS;
