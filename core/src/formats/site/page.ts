import type { Element, ElementContent } from 'hast';
import { element, htmlText } from '../../document/kinds';
import { addressIn } from '../account/fileToWrite';
import { addressFrom } from '../account/paths';
import { htmlTree } from '../html/write';
import { contentsList } from './contents';
import { linkTo, writeFrame } from './frame';
import { glossesBeside } from './glosses';
import { live } from './live';
import type { SitePage, SitePlace } from './types';

const list = (words: readonly string[]): string => words.join(', ');

/** Goes through all elements of a tree; each may be changed where it stands. */
function each(node: Element, change: (element: Element) => void): void {
  change(node);
  for (const child of node.children) if (child.type === 'element') each(child, change);
}

/** What a page's text needs to be shown where there is nothing but files. */
export type TextOut = Pick<SitePage, 'path' | 'body' | 'named' | 'files' | 'beneath'>;

/**
 * The text of a page, in which whatever leads to nothing is its words alone, and lists are as they are now.
 *
 * @param isThere whether there is something of this id in the same file; the lines of the page unless it is said
 */
export function textTree(page: TextOut, isThere?: (anchor: string) => boolean): Element {
  const { path, body, named, files } = page;
  const anchors = new Set(body.content.map(({ attrs }) => String(attrs?.id)));
  const tree = htmlTree(body.content, {
    titleOf: (id) => named[id]?.title ?? '',
    linkUrl: (id) => addressIn({ path, named }, id),
    fileUrl: (id) => (files[id] === undefined ? '' : addressFrom(path, files[id])),
    hasId: () => true,
  });
  each(tree, (found) => {
    const { properties } = found;
    if (typeof properties.dataId === 'string') properties.id = properties.dataId;
    withoutDeadLink(found, isThere ?? ((anchor) => anchors.has(anchor)), named);
    // What did not come along is its words.
    if (found.tagName === 'img' && properties.src === '') delete properties.src;
    // A box says what it says to those who can't see it.
    if (found.tagName === 'input') properties.ariaLabel = properties.checked ? 'done' : 'to do';
    // What is in the ink of tags needs no sign before it.
    if (typeof properties.dataTag === 'string') found.children = [htmlText(properties.dataTag)];
    live(found, page);
  });
  const [first] = tree.children;
  if (first?.type === 'element' && first.tagName === 'p') first.properties.className = ['first'];
  return tree;
}

/** A page as a file that opens from a disk: its text, what leads to each of its lines beside that, what is beneath it. */
export function writeSitePage(page: SitePage): string {
  const { path, otherNames, fields, note, glosses, beneath, before, after } = page;
  const tree = textTree(page);
  glossesBeside(tree, path, glosses);
  const said = fields.flatMap(({ name, words }) => [
    element('dt', {}, [htmlText(name)]),
    element('dd', {}, [htmlText(words)]),
  ]);
  const line = (look: string, words: string) =>
    words === '' ? [] : [element('p', { className: [look] }, [htmlText(words)])];
  return writeFrame(page, [
    ...line('note', note),
    ...line('also', otherNames.length > 0 ? `Also ${list(otherNames)}` : ''),
    ...(said.length > 0 ? [element('dl', { className: ['fields'] }, said)] : []),
    tree,
    ...(beneath.length > 0
      ? [element('section', { className: ['beneath'] }, [heading('Beneath this page'), contentsList(path, beneath)])]
      : []),
    ...turning(path, before, after),
  ]);
}

const heading = (words: string): Element => element('h2', { className: ['part-name'] }, [htmlText(words)]);

/** What leads to nothing in the site is its words alone; of a day it is said which, for whoever reads it again. */
function withoutDeadLink(found: Element, isThere: (anchor: string) => boolean, named: SitePage['named']): void {
  const { href } = found.properties;
  if (found.tagName !== 'a' || typeof href !== 'string') return;
  if (href !== '' && !(href.startsWith('#') && !isThere(href.slice(1)))) return;
  found.tagName = 'span';
  delete found.properties.href;
  const day = named[String(found.properties.dataTarget)]?.day;
  if (day !== undefined) found.properties.dataHref = `${day}.html`;
  found.properties.className = ['elsewhere'];
}

/** The way to the page before and the one after. */
function turning(path: string, before: SitePlace | null, after: SitePlace | null): ElementContent[] {
  if (!before && !after) return [];
  const way = (place: SitePlace | null, look: string, label: string) =>
    place ? [linkTo(path, place, { class: look, 'aria-label': `${label}: ${place.title}` })] : [];
  return [
    element('nav', { className: ['turning'], ariaLabel: 'Pages beside this one' }, [
      ...way(before, 'before', 'The page before'),
      ...way(after, 'after', 'The page after'),
    ]),
  ];
}
