import { solidKindOf } from './kinds';
import type { NodeJson } from './types';

/** Half of a surrogate pair is no character: it can't be stored, and U+FFFD, which is shown, stands in its place. */
export const wellFormed = (value: string): string => value.replace(/\p{Surrogate}/gu, '\uFFFD');

/**
 * The words a node holds of its own. A link without words of its own holds none, nor does a tag that is stored: the
 * title belongs to what they name and is joined on reading.
 */
export function ownWords(node: NodeJson): string {
  switch (node.type) {
    case 'text':
      return node.text ?? '';
    case 'hardBreak':
      return '\n';
    case 'pageLink':
      return typeof node.attrs?.words === 'string' ? node.attrs.words : '';
    case 'tag':
      return typeof node.attrs?.name === 'string' ? node.attrs.name : '';
    default: {
      const { words } = solidKindOf(node) ?? {};
      if (words) return words(node.attrs ?? {});
      return (node.content ?? []).map(ownWords).join(isOfCells(node) ? '\n' : '');
    }
  }
}

const isOfCells = ({ type }: NodeJson): boolean => type === 'table' || type === 'tableRow';

/** The words of a node with each link, and each tag, shown by what `titleOf` says of its target. */
export function shownWords(node: NodeJson, titleOf: (target: string) => string, betweenCells = ''): string {
  if (node.type === 'pageLink') {
    return typeof node.attrs?.words === 'string' ? node.attrs.words : titleOf(String(node.attrs?.target));
  }
  if (node.type === 'tag') return ownWords(node) || titleOf(String(node.attrs?.tag));
  if (!node.content) return ownWords(node);
  const between = isOfCells(node) ? betweenCells : '';
  return node.content.map((child) => shownWords(child, titleOf, betweenCells)).join(between);
}

/** Whether a line says nothing: a link or a tag says something though it has no words of its own. */
export const isBlank = ({ content = [] }: NodeJson): boolean =>
  content.every(({ type, text = '' }) => type === 'hardBreak' || (type === 'text' && text.trim() === ''));
