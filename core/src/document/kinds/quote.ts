import { element, type TextKind } from './kind';

export const quote: TextKind = {
  name: 'quote',
  isText: true,
  parse: [{ tag: 'blockquote > p, blockquote' }],
  markdown: {
    write: (_node, writing) => [{ type: 'blockquote', children: [{ type: 'paragraph', children: writing.line() }] }],
  },
  html: { line: (_node, data, words) => element('blockquote', {}, [element('p', data, words)]) },
};
