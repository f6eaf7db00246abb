import { Mark } from '@tiptap/core';
import { nodeAttributes, oneOf, textOf, type Attributes, type Marked } from './attributes';
import { HIGHLIGHTS } from './types';

/** The inline styles of a body, without views. */

const simple = (name: string, tag: string, others: string[] = []) =>
  Mark.create({
    name,
    parseHTML: () => [tag, ...others].map((each) => ({ tag: each })),
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  });

export const Bold = simple('bold', 'strong', ['b']);
export const Italic = simple('italic', 'em', ['i']);
export const Underline = simple('underline', 'u');
export const Strike = simple('strike', 's', ['del']);

export const Code = Mark.create({
  name: 'code',
  code: true,
  excludes: 'bold italic underline strike highlight',
  parseHTML: () => [{ tag: 'code' }],
  renderHTML: ({ HTMLAttributes }) => ['code', HTMLAttributes, 0],
});

const HIGHLIGHT: Attributes = { pigment: oneOf(HIGHLIGHTS, 'ochre') };

export const Highlight = Mark.create({
  name: 'highlight',
  addAttributes: () => nodeAttributes(HIGHLIGHT),
  parseHTML: () => [{ tag: 'mark' }],
  renderHTML: ({ HTMLAttributes }) => ['mark', HTMLAttributes, 0],
});

/** Addresses a person may open from a page; a script address is never one of them. */
export const isSafeAddress = (href: unknown): boolean =>
  typeof href === 'string' && href.length <= 4096 && /^(https?:|mailto:|tel:|\/)/i.test(href);

/** A link to the outside, an ordinary web address. */
export const WebLink = Mark.create({
  name: 'webLink',
  inclusive: false,
  addAttributes: () => ({ href: { default: null } }),
  parseHTML: () => [
    {
      tag: 'a[href]:not([data-target])',
      getAttrs: (element: Marked) => (isSafeAddress(element.getAttribute('href')) ? null : false),
    },
  ],
  renderHTML: ({ HTMLAttributes }) => [
    'a',
    {
      href: isSafeAddress(HTMLAttributes.href) ? HTMLAttributes.href : '#',
      rel: 'noopener noreferrer',
      target: '_blank',
    },
    0,
  ],
});

/** What each mark may say of itself; one without an entry says nothing. */
export const MARK_ATTRIBUTES: Readonly<Record<string, Attributes>> = {
  highlight: HIGHLIGHT,
  webLink: { href: { ...textOf(4096, null), check: isSafeAddress } },
};
