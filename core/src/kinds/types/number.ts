import type { FieldType } from './type';

/** Figures with a sign, a point or a comma before the fraction, and thin or common spaces or commas between thousands. */
const FIGURES =
  /^[-−+]?(?:\d{1,3}(?:[ \u00a0\u202f]\d{3})+|\d{1,3}(?:,\d{3}){2,}|\d{1,3}(?:,\d{3})+(?=\.)|\d+)?(?:[.,]\d+)?(?:e[-+]?\d+)?$/iu;

function figures(words: string): number | null {
  const typed = words.trim();
  if (typed === '' || !/\d/u.test(typed) || !FIGURES.test(typed)) return null;
  const plain = typed.replace(/−/gu, '-').replace(/[ \u00a0\u202f]/gu, '');
  // One comma before three figures is read as what parts the fraction only when nothing else can be meant: “1,250”.
  const commas = plain.split(',').length - 1;
  const thousands = commas > 1 || plain.includes('.') || /^[-+]?[1-9]\d{0,2},\d{3}$/u.test(plain);
  const value = Number(thousands ? plain.replace(/,/gu, '') : plain.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

const withoutUnit = (words: string, unit: string): string => {
  const typed = words.trim();
  if (unit === '') return typed;
  if (typed.toLowerCase().endsWith(unit.toLowerCase())) return typed.slice(0, -unit.length).trim();
  return typed.toLowerCase().startsWith(unit.toLowerCase()) ? typed.slice(unit.length).trim() : typed;
};

export const number: FieldType = {
  label: 'Number',
  part: 'atom',
  options: ['unit'],
  fits: (atom) => typeof atom === 'number',
  words: (atom, { unit }) => (unit ? `${String(atom)} ${unit}` : String(atom)),
  read: (words, { unit }) => figures(withoutUnit(words, unit)),
};
