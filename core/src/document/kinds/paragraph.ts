import type { Paragraph } from 'mdast';
import type { MarkdownReading, TextKind } from './kind';

export const paragraph: TextKind = {
  name: 'paragraph',
  isText: true,
  parse: [{ tag: 'p' }],
  markdown: {
    write: (_node, writing) => [{ type: 'paragraph', children: writing.line() }],
    reads: {
      paragraph: (node: Paragraph, depth: number, reading: MarkdownReading) => [
        reading.line('paragraph', node.children, { depth }),
      ],
    },
  },
  html: {},
};
