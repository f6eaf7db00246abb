import type { Element } from 'hast';
import { element, htmlText } from '../../document/kinds';
import { textTree, type SitePage } from '../site';
import { xhtml } from './xhtml';

/** A page of a book. */
export interface BookPage extends Pick<
  SitePage,
  'path' | 'title' | 'language' | 'body' | 'named' | 'files' | 'beneath'
> {
  otherNames: readonly string[];
  fields: readonly { name: string; words: string }[];
}

/** What a box of a to-do says. */
const BOXES: Record<string, string> = { true: '☑', false: '☐' };

/** A page as a content document of a book. */
export function writeBookPage(page: BookPage): string {
  const { title, language, otherNames, fields } = page;
  const tree = textTree(page);
  settled(tree);
  const said = fields.flatMap(({ name, words }) => [
    element('dt', {}, [htmlText(name)]),
    element('dd', {}, [htmlText(words)]),
  ]);
  return xhtml(title, language, [
    element('section', { 'epub:type': 'chapter' }, [
      element('h1', {}, [htmlText(title.trim() || 'Nameless page')]),
      ...(otherNames.length > 0
        ? [element('p', { className: ['note'] }, [htmlText(`Also ${otherNames.join(', ')}`)])]
        : []),
      ...(said.length > 0 ? [element('dl', {}, said)] : []),
      tree,
    ]),
  ]);
}

/** In a book nothing is pressed, and no file is fetched: boxes are signs, and what is no picture is its name. */
export function settled(parent: Element): void {
  for (const child of parent.children) {
    if (child.type !== 'element') continue;
    const { properties } = child;
    if (child.tagName === 'input') {
      const isDone = properties.checked === true;
      child.tagName = 'span';
      child.properties = { className: ['box'], role: 'img', ariaLabel: isDone ? 'done' : 'to do' };
      child.children = [htmlText(BOXES[String(isDone)]!)];
      continue;
    }
    // A picture that did not come along is what it shows, in words.
    if (child.tagName === 'img' && !properties.src) {
      child.tagName = 'span';
      child.children = [htmlText(String(properties.alt ?? ''))];
      child.properties = {};
      continue;
    }
    if (child.tagName === 'img') properties.alt ??= '';
    // HTML has no such attribute any more.
    if (properties.align !== undefined) {
      properties.style = `text-align: ${String(properties.align)}`;
      delete properties.align;
    }
    settled(child);
  }
}
