/** What of an account's data changed, as far as windows keep answers about it. */
export const CHANGED = ['title', 'links', 'outline', 'folds', 'desk', 'settings', 'alsoNamed', 'kin'] as const;
export type Changed = (typeof CHANGED)[number];

/** An act that names or makes something leaves what points where as it was. */
export const NAMING: readonly Changed[] = ['outline', 'title', 'desk'];
/** One that moves, hides or rewrites something changes what is shown of it everywhere. */
export const ANYTHING: readonly Changed[] = ['outline', 'title', 'links', 'desk', 'alsoNamed'];
