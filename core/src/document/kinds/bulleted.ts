import type { TextKind } from './kind';

export const bulleted: TextKind = {
  name: 'bulleted',
  isText: true,
  parse: [{ tag: 'li:not(ol > li)' }],
  list: 'unordered',
  markdown: {},
  html: {},
};
