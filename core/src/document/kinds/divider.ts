import { element, type SolidKind } from './kind';
import { solidBlock } from './made';

export const divider: SolidKind = {
  name: 'divider',
  isText: false,
  node: { parseHTML: () => [{ tag: 'hr' }], renderHTML: ({ HTMLAttributes }) => ['hr', HTMLAttributes] },
  markdown: {
    write: (_node, writing) => [...writing.said(), { type: 'thematicBreak' }],
    reads: { thematicBreak: (_node: never, depth: number) => [solidBlock('divider', { depth })] },
  },
  html: {
    write: (_node, data) => element('hr', data),
    reads: {
      hr: (rule, reading, { depth }) => reading.push(solidBlock('divider', { depth, ...reading.saidOf(rule) })),
    },
  },
};
