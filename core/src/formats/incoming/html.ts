import type { Root, RootContent } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { isDay } from '../../calendar';
import { ownWords, type NodeJson } from '../../document';
import { readHtml, webPageOf } from '../html';
import { fileReference } from '../markdown/filesAlong';
import { readFrontValues, type FrontMatter } from '../markdown/frontMatter';
import { ENDING, nameOf } from '../markdown/paths';
import type { LinkReference } from '../markdown/types';
import { ENDINGS } from './endings';
import { pageRead, type Reader } from './reader';

/** A page of HTML: of a site, one that was saved, or one that this product wrote. */
export const html: Reader = {
  endings: ENDINGS.html,
  read({ path, text }) {
    const remarks = new Set<string>();
    const front = frontOf(text);
    // What a site of this product lists is there anyway.
    if (/<body[^>]*\sdata-index/u.test(text)) return [pageRead(path, front, [])];
    const blocks = readHtml(text, {
      referenceOf,
      pictureOf(src, alt) {
        if (/^data:/iu.test(src)) remarks.add('A picture that stands within the file; its words were kept.');
        if (/^[a-z][a-z\d+.-]*:/iu.test(src) || src === '') return null;
        return fileReference({ address: decoded(src), written: alt || src, alt }, []);
      },
      attachmentOf: (own, address) =>
        address === '' ? own : fileReference({ address: decoded(address), written: '', own }, []),
    });
    // A file that says its id says its title too: a heading there is one of the text.
    const title = front.title ?? (front.id === undefined ? titleOf(text, blocks) : undefined);
    // A day is called by its date, and what may be one keeps its heading: as the title of a page it goes later.
    const isKept = front.id !== undefined || isDay(nameOf(path));
    const whole = (isKept ? blocks : withoutTitle(blocks, title)).map(withFilesAlong);
    return [pageRead(path, { ...front, ...(title && { title }) }, whole, [...remarks])];
  },
};

/** What a file of this product says in its head, as JSON. */
function frontOf(text: string): FrontMatter {
  const said = /<meta name="front" content="([^"]*)">/u.exec(text)?.[1];
  if (!said) return {};
  try {
    return readFrontValues(JSON.parse(unescaped(said)) as Record<string, unknown>).front;
  } catch {
    return {};
  }
}

const unescaped = (attribute: string): string => {
  const find = (node: Root | RootContent): string | null =>
    node.type === 'element'
      ? String(node.properties.content)
      : 'children' in node
        ? (node.children.map(find).find((each) => each !== null) ?? null)
        : null;
  return find(fromHtml(`<meta content="${attribute}">`, { fragment: true })) ?? '';
};

/** The first heading says what a page is called; what stands above the window says the site's name too. */
function titleOf(text: string, blocks: readonly NodeJson[]): string | undefined {
  const [first] = blocks;
  const heading = first?.attrs?.kind === 'heading' ? ownWords(first).trim() : '';
  return heading || webPageOf(text).title || undefined;
}

function withoutTitle(blocks: readonly NodeJson[], title: string | undefined): readonly NodeJson[] {
  const [first, ...rest] = blocks;
  return first?.attrs?.kind === 'heading' && ownWords(first).trim() === title ? rest : blocks;
}

const decoded = (address: string): string => {
  try {
    return decodeURI(address);
  } catch {
    return address;
  }
};

/** A link to another file of the folder; null for one to elsewhere. */
function referenceOf(href: string): LinkReference | null {
  if (href === '' || /^(?:[a-z][a-z\d+.-]*:|\/\/)/iu.test(href)) return null;
  return { form: 'path', name: decoded(href.replace(/\?[^#]*/u, '')) };
}

/** A link to what is no page is its words, and the file that comes along. */
function withFilesAlong(node: NodeJson): NodeJson {
  if (!node.content) return node;
  const content = node.content.flatMap((each): NodeJson[] => {
    const { reference, words } = (each.attrs ?? {}) as { reference?: LinkReference; words?: string };
    if (each.type !== 'pageLink' || reference?.form !== 'path' || !isFileAlong(reference.name)) {
      return [withFilesAlong(each)];
    }
    const { marks = [] } = each;
    const named = { address: reference.name, written: ` (${reference.name})` };
    return [{ type: 'text', text: String(words), ...(marks.length > 0 && { marks }) }, fileReference(named, marks)];
  });
  return { ...node, content };
}

const isFileAlong = (address: string): boolean => /\.[\p{L}\d]{1,12}$/u.test(address) && !ENDING.test(address);
