import type { Holder } from './holder';
import { page } from './page';
import { tag } from './tag';

export type { HeldDocument, Holder } from './holder';

/** What documents hang under, by the word that is stored with each. */
export const HOLDERS = { page, tag } satisfies Record<string, Holder>;

export type HolderKind = keyof typeof HOLDERS;
