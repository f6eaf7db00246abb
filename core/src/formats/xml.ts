import type { Nodes } from 'xast';
import { toXml, type Options } from 'xast-util-to-xml';

/** What XML 1.0 (2.2) has no sign for; halves of letters among it. */
const NO_SIGN = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;

/** A tree as XML, without what XML has no sign for. Nothing in it is a CDATA section, whose end no text may hold (2.4). */
export const xmlText = (tree: Nodes | Nodes[], options?: Options): string =>
  toXml(tree, options).replaceAll(NO_SIGN, '').replaceAll(']]>', ']]&gt;');

/** Where what is written piece by piece stands in the document around it. */
export const HERE = { type: 'comment' as const, value: 'here' };

/** What stands before, between and after the places; no text holds a comment, whose first sign is written otherwise. */
export const partedHere = (document: string): string[] => document.split('<!--here-->');
