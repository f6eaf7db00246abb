import { linksIn, tagsIn, type BlockFact, type BodyFacts, type NodeJson } from '@glossarion/core/document';
import { lineWords, type LineWords } from '@glossarion/core/find/counting';
import { kindToken } from '@glossarion/core/kinds';
import { linkToken } from '@glossarion/core/links';
import { tagToken } from '@glossarion/core/tags';
import { indexedWords } from '@glossarion/core/words';
import { HELD_BY_LINES } from '../entities/find.queries';
import { prepared, type RawDatabase } from '../sqlite/prepared';

/** By which words documents are found: what the index has of them, and what is counted. */

/** The words by which a page's title is found: those of its other names too. */
export const foundTitle = (title: string, otherNames: readonly string[]): string =>
  indexedWords([title, ...otherNames].join('\n'));

/** An id stands for what it names: a page, or a choice. */
const ID = /^[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}$/u;

/** What stands beside the lines of a document as the index knows it: its kinds, what it holds in fields, and its files. */
export const foundBeside = ({ kinds, fieldValues }: BodyFacts, fileNames: readonly string[]): string[] => [
  ...kinds.map(({ kind }) => kindToken(kind)),
  ...fieldValues.map(({ words }) => (ID.test(words) ? linkToken(words) : indexedWords(words))),
  ...fileNames.map(indexedWords),
];

const found = new WeakMap<NodeJson, string>();

/**
 * A line as the index knows it: its words, and what it wears and links to by tokens, since what those are called is not
 * its own. A block that was not changed is the same object still, and its words are those it had.
 */
export function foundLine({ node, words }: BlockFact): string {
  let known = found.get(node);
  if (known === undefined) {
    const tags = tagsIn(node).flatMap(({ tag }) => (tag === null ? [] : tagToken(tag)));
    const links = new Set(linksIn(node).map(({ target }) => linkToken(target)));
    found.set(node, (known = [indexedWords(words), ...tags, ...links].filter((each) => each !== '').join(' ')));
  }
  return known;
}

/** The words by which a document's text is found, as the index knows them. */
export const foundText = (facts: BodyFacts, fileNames: readonly string[]): string =>
  [...foundBeside(facts, fileNames), ...facts.blocks.map(foundLine)].filter(Boolean).join(' ');

/** Something that a line of a document holds besides its words: the id of a tag or of what it links to, a file's name. */
export interface HeldByLine {
  blockId: string;
  held: string;
  what: 'tag' | 'link' | 'file';
  /** What is written in the file, and its words, where that is asked for and known. */
  text: string | null;
  words: string | null;
}

/** @param withTexts whether with what is written in files */
export const heldByLines = (raw: RawDatabase, documentId: string, withTexts = false): HeldByLine[] =>
  prepared(raw, HELD_BY_LINES).all({ documentId, withTexts: Number(withTexts) }) as HeldByLine[];

/** The names of the files that a document shows. */
export const fileNamesOf = (raw: RawDatabase, documentId: string): string[] =>
  heldByLines(raw, documentId)
    .filter(({ what }) => what === 'file')
    .map(({ held }) => held)
    .sort();

/**
 * What the index has of the files that a document shows, beside its title, which they are found together with; empty
 * when nothing is written in them.
 */
export function foundInFiles(raw: RawDatabase, documentId: string, title: string): string {
  const files = heldByLines(raw, documentId, true).filter(({ what }) => what === 'file');
  const words = new Set(files.flatMap((each) => each.words || []));
  if (words.size === 0) return '';
  const names = files.map(({ held }) => indexedWords(held)).sort();
  return [title, ...names, ...[...words].sort().map((each) => each.replaceAll(/\s+/gu, ' ').trim())].join(' ');
}

const counted = new WeakMap<object, LineWords>();

/** The words of lines as they are counted; those that have none left out. */
export function wordsOfLines(lines: readonly (Pick<BlockFact, 'words'> & Partial<BlockFact>)[]): LineWords[] {
  const all: LineWords[] = [];
  for (const line of lines) {
    if (line.words === '') continue;
    const key = line.node ?? line;
    let known = counted.get(key);
    if (!known) counted.set(key, (known = lineWords(line.words)));
    all.push(known);
  }
  return all;
}
