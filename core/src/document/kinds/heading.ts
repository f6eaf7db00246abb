import type { Heading } from 'mdast';
import { oneOf } from '../attributes';
import type { NodeJson } from '../types';
import { element, type HtmlReader, type MarkdownReading, type TextKind } from './kind';

/** The level of a heading, from 1 to 4. */
export const levelOf = (node: NodeJson): number => Math.min(4, Math.max(1, Number(node.attrs?.level ?? 2)));

/**
 * The levels that headings are told by to whoever hears them, by their own: the title is the first, and the levels that a
 * page has follow it without a gap (WCAG 2.2, 1.3.1), so that two of different size are never told alike.
 */
export function toldLevels(levels: Iterable<number>): Map<number, number> {
  const present = [...new Set(levels)].sort((one, other) => one - other);
  return new Map(present.map((level, index) => [level, index + 2]));
}

const reads =
  (level: number): HtmlReader =>
  (node, reading, place, marks) => {
    reading.begin({ kind: 'heading', level, depth: place.depth, ...reading.saidOf(node) });
    reading.children(node.children, place, marks);
    reading.end();
  };

export const heading: TextKind = {
  name: 'heading',
  isText: true,
  parse: [
    { tag: 'h1', attrs: { level: 1 } },
    { tag: 'h2', attrs: { level: 2 } },
    { tag: 'h3', attrs: { level: 3 } },
    { tag: 'h4, h5, h6', attrs: { level: 4 } },
  ],
  attributes: { level: oneOf([1, 2, 3, 4]) },
  begins: { level: 2 },
  markdown: {
    shows: () => ['level'],
    // A heading is one line of the file: `## Gate<br>and sill`.
    write: (node, writing) => [
      { type: 'heading', depth: levelOf(node) as 1 | 2 | 3 | 4, children: writing.line('<br>') },
    ],
    reads: {
      heading: (node: Heading, depth: number, reading: MarkdownReading) => [
        reading.line('heading', node.children, { depth, level: Math.min(node.depth, 4) }),
      ],
    },
  },
  html: {
    line: (node, data, words) => element(`h${levelOf(node)}`, data, words),
    reads: { h1: reads(1), h2: reads(2), h3: reads(3), h4: reads(4), h5: reads(4), h6: reads(4) },
  },
};
