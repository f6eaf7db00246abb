/** What of an account's data changed, as far as windows keep answers about it. */
export const CHANGED = [
  'title',
  'links',
  'outline',
  'folds',
  'desk',
  'settings',
  'alsoNamed',
  'kin',
  'tasks',
  'tray',
  'kinds',
  'words',
  'searches',
  'tags',
  'works',
] as const;
export type Changed = (typeof CHANGED)[number];

/** What changed, of which entries; null when it may be any. */
export interface ChangeNotice {
  what: Changed;
  ids: string[] | null;
}

/** What stands in nothing, where an id of what something stands in is told. */
export const OUTERMOST = 'outermost';

/** An act that names or makes something leaves what points where as it was. */
export const NAMING: readonly Changed[] = ['outline', 'title', 'desk'];
/** One that moves, hides or rewrites something changes what is shown of it everywhere. */
export const ANYTHING: readonly Changed[] = ['outline', 'title', 'links', 'desk', 'alsoNamed', 'tray'];
