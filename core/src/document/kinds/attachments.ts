import type { Element } from 'hast';
import type { PhrasingContent, RootContent } from 'mdast';
import { element, htmlText } from './kind';

/** What blocks that show an attachment have in common. */

export const MAX_NAME = 300;
export const MAX_CAPTION = 2000;

/** What a paragraph holds, when it is one thing. */
export const onlyChild = (node: RootContent | undefined): PhrasingContent | null =>
  node?.type === 'paragraph' && node.children.length === 1 ? node.children[0]! : null;

export const captionOf = (attrs: Readonly<Record<string, unknown>> | undefined): Element[] =>
  attrs?.caption ? [element('figcaption', {}, [htmlText(String(attrs.caption))])] : [];

export function captionIn(figure: Element): string {
  const caption = figure.children.find((each) => each.type === 'element' && each.tagName === 'figcaption') as
    Element | undefined;
  return (caption?.children ?? []).map((each) => (each.type === 'text' ? each.value : '')).join('');
}
