import type { Element } from 'hast';

/** An item of a list as a word processor writes it: a paragraph that says by its style which list and level it is of. */
export interface WordItem {
  kind: 'bulleted' | 'numbered';
  /** From 0. */
  level: number;
}

const LIST = /mso-list\s*:\s*(?!ignore)[^;]*?\blevel(\d)/iu;
const SIGN = /mso-list\s*:\s*ignore/iu;
/** “1.”, “a)”, “iv.”: what is counted; a sign of a list that is not counted is no letter. */
const NUMBER = /^\(?(?:\d{1,4}|[a-z]|[ivxlcdm]{1,7})[.)]/iu;

const styleOf = (element: Element): string => String(element.properties.style ?? '');

/** Whether an element holds the sign of such an item (`<span style="mso-list:Ignore">·</span>`), which is no word of it. */
export const isWordSign = (element: Element): boolean => SIGN.test(styleOf(element));

function signOf(element: Element): string {
  const words = (node: Element): string =>
    node.children
      .map((child) => (child.type === 'text' ? child.value : child.type === 'element' ? words(child) : ''))
      .join('');
  for (const child of element.children) {
    if (child.type !== 'element') continue;
    if (isWordSign(child)) return words(child).trim();
    const inner = signOf(child);
    if (inner) return inner;
  }
  return '';
}

/** What a paragraph is in a list of a word processor; null for any other. */
export function wordItem(element: Element): WordItem | null {
  const level = LIST.exec(styleOf(element))?.[1];
  if (level === undefined) return null;
  return { kind: NUMBER.test(signOf(element)) ? 'numbered' : 'bulleted', level: Math.max(0, Number(level) - 1) };
}
