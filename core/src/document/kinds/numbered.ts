import type { TextKind } from './kind';

export const numbered: TextKind = {
  name: 'numbered',
  isText: true,
  parse: [{ tag: 'ol > li' }],
  list: 'ordered',
  markdown: {},
  html: {},
};
