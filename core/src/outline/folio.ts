import type { EntryKind } from './entry';

const NUMERALS: readonly [number, string][] = [
  [1000, 'M'],
  [900, 'CM'],
  [500, 'D'],
  [400, 'CD'],
  [100, 'C'],
  [90, 'XC'],
  [50, 'L'],
  [40, 'XL'],
  [10, 'X'],
  [9, 'IX'],
  [5, 'V'],
  [4, 'IV'],
  [1, 'I'],
];

/** A whole number from 1 up in Roman figures. */
export function roman(number: number): string {
  let rest = number;
  let figures = '';
  for (const [value, figure] of NUMERALS) {
    while (rest >= value) {
      figures += figure;
      rest -= value;
    }
  }
  return figures;
}

/** One step from the notebook down: what it is and its number among its like beside it, from 1. */
export interface FolioStep {
  kind: EntryKind;
  number: number;
}

/** A folio number as a book's contents has it: sections in Roman figures, pages in Arabic: "II 2.1". */
export function folio(steps: readonly FolioStep[]): string {
  const sections = steps.filter((step) => step.kind === 'section').map((step) => roman(step.number));
  const pages = steps.filter((step) => step.kind === 'page').map((step) => step.number);
  return [sections.join('.'), pages.join('.')].filter(Boolean).join(' ');
}

/** Numbers entries that stand beside each other: sections and pages count apart. */
export function numberSiblings<T extends { kind: EntryKind }>(siblings: readonly T[]): (T & { number: number })[] {
  const counts: Record<EntryKind, number> = { notebook: 0, section: 0, page: 0 };
  return siblings.map((sibling) => ({ ...sibling, number: (counts[sibling.kind] += 1) }));
}
