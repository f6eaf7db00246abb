import { kindOf } from '../../document/kinds';
import { levelOf } from '../../document/kinds/heading';
import { shownWords } from '../../document/text';
import type { NodeJson } from '../../document/types';

/** What stands before a line in plain text, so that what it is can be read there: as people write it in a mail. */
const SIGNS: Record<string, (node: NodeJson, number: number) => string> = {
  heading: (node) => `${'#'.repeat(levelOf(node))} `,
  bulleted: () => '- ',
  numbered: (_node, number) => `${number}. `,
  todo: (node) => ({ done: '- [x] ', begun: '- [/] ', dropped: '- [-] ' })[String(node.attrs?.state)] ?? '- [ ] ',
  quote: () => '> ',
};

const depthOf = (node: NodeJson): number => Number(node.attrs?.depth ?? 0);

/**
 * Blocks as plain text, a line each, with the signs of what they are: lists, headings, to-dos with their state. A single
 * line that is no list is its words alone.
 *
 * @param titleOf the present title of what a link leads to
 */
export function writePlain(nodes: readonly NodeJson[], titleOf: (target: string) => string): string {
  const base = Math.min(...nodes.map(depthOf), Infinity);
  /** How many numbered items came right before, by depth. */
  const counted: number[] = [];
  return nodes
    .map((node) => {
      if (node.type === 'table') {
        const rows = (node.content ?? []).map((row) =>
          (row.content ?? []).map((cell) => shownWords(cell, titleOf)).join('\t'),
        );
        return rows.join('\n');
      }
      const depth = depthOf(node) - base;
      const kind = kindOf(node);
      counted.length = depth + 1;
      counted[depth] = kind === 'numbered' ? (counted[depth] ?? 0) + 1 : 0;
      const words = shownWords(node, titleOf);
      return '  '.repeat(depth) + (SIGNS[kind ?? '']?.(node, counted[depth]) ?? '') + words;
    })
    .join('\n');
}
