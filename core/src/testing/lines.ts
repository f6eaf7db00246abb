import { depthOf, kindOf } from '../document/kinds';
import { ownWords } from '../document/text';
import type { NodeJson } from '../document/types';

/** Blocks as a person sees them, a line each: indented, with what each is, then its words and its state. */
export const shownLines = (blocks: readonly NodeJson[]): string[] =>
  blocks.map((node) => {
    const { level, state } = node.attrs as Record<string, string | number | null | undefined>;
    return `${'  '.repeat(depthOf(node))}${[`${kindOf(node)}${level ?? ''}`, ownWords(node), state].filter(Boolean).join(' | ')}`;
  });

/** The inline content of a line: words with their marks in angles after them. */
export const shownInline = (node: NodeJson): string =>
  (node.content ?? [])
    .map(({ type, text, attrs, marks = [] }) => {
      const words =
        type === 'text'
          ? text!
          : `{${type} ${Object.values(attrs ?? {})
              .join(' ')
              .trim()}}`;
      const styles = marks.map((mark) => [mark.type, ...Object.values(mark.attrs ?? {})].join(' '));
      return styles.length > 0 ? `‹${words}›(${styles.join(', ')})` : words;
    })
    .join('');
