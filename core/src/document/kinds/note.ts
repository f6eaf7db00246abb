import { element, type TextKind } from './kind';

/** A note box: what GitHub calls an alert, `> [!NOTE]` before its words. */
export const note: TextKind = {
  name: 'note',
  isText: true,
  markdown: {
    write: (_node, writing) => [
      {
        type: 'blockquote',
        children: [{ type: 'paragraph', children: [writing.raw('[!NOTE]\n'), ...writing.line()] }],
      },
    ],
  },
  html: {
    line: (_node, data, words) => element('blockquote', { dataKind: 'note' }, [element('p', data, words)]),
  },
};
