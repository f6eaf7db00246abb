import * as Y from 'yjs';
import type { FrozenNode } from './schema3';

/**
 * Tags in bodies of the third version of the schema, which hold their names, as the fourth has them: by the ids of rows.
 * It does not change when the schema does.
 */

/** Which tag a name is; null when it is none. */
type TagOf = (name: string) => string | null;

const BASE_LETTERS: Record<string, string> = {
  ł: 'l',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ı: 'i',
  ħ: 'h',
  ŧ: 't',
  ς: 'σ',
  ى: 'ي',
  ة: 'ه',
  ٱ: 'ا',
  ک: 'ك',
  ی: 'ي',
};
const BASE_PATTERN = new RegExp(`[${Object.keys(BASE_LETTERS).join('')}]`, 'gu');
const MARKS = /[^\P{M}\u3099\u309A]|\u0640/gu;

/** A name as names of tags were compared when they became rows. */
export const foldedTag = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(MARKS, '')
    .toLowerCase()
    .replace(BASE_PATTERN, (letter) => BASE_LETTERS[letter] ?? letter)
    .normalize('NFC') || name;

/** A node with the ids of its tags in place of their names. */
export function taggedNode(node: FrozenNode, tagOf: TagOf): FrozenNode {
  if (node.content) return { ...node, content: node.content.map((each) => taggedNode(each, tagOf)) };
  const tag = node.type === 'tag' ? tagOf(String(node.attrs?.name ?? '')) : null;
  return tag === null ? node : { ...node, attrs: { tag } };
}

/** The same in a document that somebody has written in. */
export function taggedDocument(document: Y.Doc, tagOf: TagOf): void {
  const isTag = (each: unknown) => each instanceof Y.XmlElement && each.nodeName === 'tag';
  document.transact(() => {
    for (const element of document.getXmlFragment('body').createTreeWalker(isTag)) {
      const own = element as Y.XmlElement;
      const tag = tagOf(own.getAttribute('name') ?? '');
      if (tag === null) continue;
      own.setAttribute('tag', tag);
      own.removeAttribute('name');
    }
  });
}
