import { isTagName } from '../../tags/path';
import type { Element } from 'hast';
import { isId } from '../../document/ids';
import { isSafeAddress } from '../../document/marks';
import { HIGHLIGHTS, type MarkJson, type NodeJson } from '../../document/types';
import { orderedMarks } from '../markTree';
import type { LinkReference } from '../markdown/types';

const withMarks = (node: NodeJson, marks: readonly MarkJson[]): NodeJson => {
  const ordered = orderedMarks(marks);
  return ordered.length > 0 ? { ...node, marks: ordered } : node;
};

/** Text with its marks; none when there are no words. */
export function textNodes(value: string, marks: readonly MarkJson[]): NodeJson[] {
  const text = value.replaceAll('\u0000', '');
  return text === '' ? [] : [withMarks({ type: 'text', text }, marks)];
}

const MARKS: Record<string, string> = {
  b: 'bold',
  strong: 'bold',
  i: 'italic',
  em: 'italic',
  cite: 'italic',
  dfn: 'italic',
  u: 'underline',
  ins: 'underline',
  s: 'strike',
  strike: 'strike',
  del: 'strike',
  code: 'code',
  kbd: 'code',
  samp: 'code',
  tt: 'code',
  mark: 'highlight',
};

/** What a style attribute adds or takes away, as word processors write them. */
function styledMarks(style: string, marks: MarkJson[]): MarkJson[] {
  // `mso-bidi-font-weight: normal` says nothing of the words of this script.
  const declared = style.replace(/mso-[\w-]+\s*:[^;]*;?/giu, '');
  const has = (pattern: RegExp) => pattern.test(declared);
  let styled = marks;
  const add = (type: string) => {
    if (!styled.some((mark) => mark.type === type)) styled = [...styled, { type }];
  };
  if (has(/font-weight\s*:\s*(?:bold|[6-9]00)/iu)) add('bold');
  if (has(/font-weight\s*:\s*(?:normal|[1-5]00)/iu)) styled = styled.filter(({ type }) => type !== 'bold');
  if (has(/font-style\s*:\s*italic/iu)) add('italic');
  if (has(/font-style\s*:\s*normal/iu)) styled = styled.filter(({ type }) => type !== 'italic');
  if (has(/text-decoration[^;]*:[^;]*line-through/iu)) add('strike');
  if (has(/text-decoration[^;]*:[^;]*underline/iu)) add('underline');
  return styled;
}

/** All words in an element, with one space between them. */
function textIn({ children }: Element): string {
  const parts = children.map((child) =>
    child.type === 'text' ? child.value : child.type === 'element' ? textIn(child) : '',
  );
  return parts.join('').replaceAll(/\s+/gu, ' ').trim();
}

/** What a link leads to that is no web address; null when it is one, or leads nowhere. */
export type ReferenceOf = (href: string) => LinkReference | null;

/** An element within a line: a leaf of its own, or the marks for what is in it. */
export function readInlineElement(
  element: Element,
  marks: MarkJson[],
  referenceOf: ReferenceOf = () => null,
): { leaf: NodeJson | null; marks: MarkJson[] } {
  const { tagName, properties } = element;
  if (tagName === 'br') return { leaf: { type: 'hardBreak' }, marks };
  const tag = typeof properties.dataTag === 'string' ? properties.dataTag.slice(0, 200) : '';
  if (isTagName(tag)) {
    return { leaf: withMarks({ type: 'tag', attrs: { name: tag } }, marks), marks };
  }
  const { dataTarget: target, dataOwn: own, href } = properties;
  if (isId(target)) {
    const ownWords = typeof own === 'string' ? own : null;
    // A day has an id of its own in each account, and a page may have got another one: files say what is meant.
    const address = properties.dataHref ?? href;
    const reference = typeof address === 'string' ? referenceOf(address) : null;
    // What has no file in a site is its words there.
    const words = ownWords ?? (tagName === 'span' && !reference ? textIn(element) : null);
    const attrs = { ...(reference ? { reference: { ...reference, target } } : { target }), words };
    return { leaf: withMarks({ type: 'pageLink', attrs }, marks), marks };
  }
  if (tagName === 'a') {
    const reference = typeof href === 'string' ? referenceOf(href) : null;
    const words = textIn(element);
    if (reference && words !== '') {
      return { leaf: withMarks({ type: 'pageLink', attrs: { reference, words } }, marks), marks };
    }
    const isLink = isSafeAddress(href) && !String(href).startsWith('/');
    return { leaf: null, marks: isLink ? [...marks, { type: 'webLink', attrs: { href } }] : marks };
  }
  let inner = marks;
  const type = MARKS[tagName];
  if (type === 'highlight') {
    const pigment = HIGHLIGHTS.find((each) => each === properties.dataPigment) ?? 'ochre';
    inner = [...marks, { type, attrs: { pigment } }];
  } else if (type) inner = [...marks, { type }];
  return { leaf: null, marks: typeof properties.style === 'string' ? styledMarks(properties.style, inner) : inner };
}
