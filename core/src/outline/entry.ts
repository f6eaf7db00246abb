/** An entry of the contents. Notebooks hold sections and pages, sections hold both, pages hold pages. */
export const ENTRY_KINDS = ['notebook', 'section', 'page'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

export const PIGMENTS = ['lapis', 'verdigris', 'plum', 'ochre', 'slate', 'vermilion'] as const;
export type Pigment = (typeof PIGMENTS)[number];

/** Printer's ornaments a section may carry, by name. */
export const ORNAMENTS = [
  'waves',
  'wheel',
  'leaf',
  'acorn',
  'star',
  'key',
  'bell',
  'anchor',
  'lantern',
  'quill',
  'arch',
  'fleuron',
] as const;
export type Ornament = (typeof ORNAMENTS)[number];

export const MAX_NAME = 20_000;
/** The most other names a page may have. */
export const MAX_OTHER_NAMES = 40;

const MAY_HOLD: Record<EntryKind, readonly EntryKind[]> = {
  notebook: ['section', 'page'],
  section: ['section', 'page'],
  page: ['page'],
};

/** Whether an entry of one kind may stand in one of another; only notebooks stand in nothing. */
export const mayHold = (holder: EntryKind | null, held: EntryKind): boolean =>
  holder === null ? held === 'notebook' : MAY_HOLD[holder].includes(held);

/** A jotting waits in the Tray until something is done with it, or is kept there for good. */
export const JOTTING_STATES = ['waiting', 'kept'] as const;
export type JottingState = (typeof JOTTING_STATES)[number];

/** What a page that stands in no notebook stands in: days, weeks and months in the journal, jottings in the Tray. */
export const OUTSIDE = ['journal', 'tray'] as const;
export type Outside = (typeof OUTSIDE)[number];

/** Where a page stands that stands in no notebook; null when it stands in one. */
export function outsideOf(page: {
  day: string | null;
  period: string | null;
  jotting: JottingState | null;
}): Outside | null {
  if (page.jotting !== null) return 'tray';
  return page.day !== null || page.period !== null ? 'journal' : null;
}

/** One step of a trail. */
export interface TrailStep {
  id: string;
  kind: EntryKind;
  name: string;
}

/** What a page without a title is called: its first words, or a plain word when it has none. */
export const shownTitle = (title: string, firstWords: string): string => title.trim() || firstWords || 'Nameless page';
