import type { Element, Root } from 'xast';
import { fromXml } from 'xast-util-from-xml';
import { block, isId, newId, textKindOf, type NodeJson } from '../../document';
import { MAX_DEPTH } from '../../document/types';
import { FilePlaces } from '../account/paths';
import type { ReadFile } from '../markdown/readFile';
import { ENDINGS } from './endings';
import { folderOf, pageRead, Refusal, type Reader } from './reader';

/** An outline in OPML: a page of items; what this product wrote, pages in their notebooks and sections. */
export const opml: Reader = {
  endings: ENDINGS.opml,
  isCollection: true,
  read({ path, text }) {
    const root = parsed(text);
    const body = element(element(root, 'opml'), 'body');
    if (!body) throw new Refusal('It is no outline (OPML) that can be read, and was left out.');
    const title = wordsIn(element(element(element(root, 'opml'), 'head'), 'title'));
    const holders = outlinesIn(body);
    if (holders.some((each) => entryKind(each) !== null)) return pagesIn(holders, path);
    return [pageRead(path, title ? { title } : {}, itemsIn(holders, 0))];
  },
};

function parsed(text: string): Root {
  try {
    return fromXml(text);
  } catch {
    throw new Refusal('It is no XML that can be read, and was left out.');
  }
}

const elementsIn = (parent: Element | Root | undefined, name: string): Element[] =>
  (parent?.children ?? []).flatMap((each) => (each.type === 'element' && each.name === name ? [each] : []));

const element = (parent: Element | Root | undefined, name: string): Element | undefined => elementsIn(parent, name)[0];

const outlinesIn = (parent: Element): Element[] => elementsIn(parent, 'outline');

const wordsIn = (node: Element | undefined): string =>
  (node?.children ?? [])
    .map((each) => (each.type === 'text' ? each.value : ''))
    .join('')
    .trim();

const textOf = ({ attributes }: Element): string => (attributes.text ?? attributes.title ?? '').trim();

const ENTRY_KINDS = ['notebook', 'section', 'page'] as const;

const entryKind = ({ attributes }: Element): (typeof ENTRY_KINDS)[number] | null =>
  ENTRY_KINDS.find((kind) => kind === attributes['g:kind']) ?? null;

/** Pages as this product wrote them, at the paths that say where they stand. */
function pagesIn(outermost: readonly Element[], path: string): ReadFile[] {
  const places = new FilePlaces('.md');
  const read: ReadFile[] = [];
  const take = (outline: Element, parentId: string | null): void => {
    const kind = entryKind(outline) ?? 'page';
    const id = newId();
    const title = textOf(outline);
    places.add([
      { id, kind, parentId, title, ...(parentId === null && kind === 'page' && { outside: folderOf(path) }) },
    ]);
    const inner = outlinesIn(outline);
    const said = outline.attributes['g:id'];
    const front = { title, ...(isId(said) && { id: said.toLowerCase() }) };
    const lines = inner.filter((each) => entryKind(each) === null);
    read.push(pageRead(places.placed.get(id)!.path, front, kind === 'page' ? itemsIn(lines, 0) : []));
    for (const each of inner) if (entryKind(each) !== null) take(each, id);
  };
  for (const each of outermost) take(each, null);
  return read;
}

/** Outlines as items, each with what stands in it beneath it. Deep ones are gone through without calling on and on. */
function itemsIn(outlines: readonly Element[], depth: number): NodeJson[] {
  const items: NodeJson[] = [];
  const waiting = [...outlines].reverse().map((outline) => ({ outline, depth }));
  while (waiting.length > 0) {
    const { outline, depth: at } = waiting.pop()!;
    items.push(...itemOf(outline, Math.min(at, MAX_DEPTH)));
    for (const inner of outlinesIn(outline).reverse()) waiting.push({ outline: inner, depth: at + 1 });
  }
  return items;
}

const ADDRESSES = ['xmlUrl', 'htmlUrl', 'url'] as const;

function itemOf(outline: Element, depth: number): NodeJson[] {
  const { attributes } = outline;
  const said = { type: 'block', attrs: { kind: attributes['g:kind'] } };
  const kind = (attributes['g:kind'] !== undefined && textKindOf(said)?.name) || 'bulleted';
  const state = kind === 'todo' ? { state: attributes['g:state'] ?? 'open' } : {};
  const address = ADDRESSES.map((name) => attributes[name]).find((each) => each && /^https?:/iu.test(each));
  const text = textOf(outline) || address || '';
  const words =
    address && text !== ''
      ? [{ type: 'text', text, marks: [{ type: 'webLink', attrs: { href: address.slice(0, 4096) } }] }]
      : text;
  const note = (attributes._note ?? attributes.description ?? '').trim();
  return [
    block(kind, words, { id: newId(), depth, ...state }),
    ...(note ? [block('paragraph', note, { id: newId(), depth: Math.min(depth + 1, MAX_DEPTH) })] : []),
  ];
}
