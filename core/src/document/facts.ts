import { linksIn, tagsIn } from './holds';
import { depthOf, kindOf, solidKindOf, textKindOf } from './kinds';
import { ownWords } from './text';
import type { BodyJson, NodeJson, TaskState } from './types';

/** What is known of one block, without looking at any other page. */
export interface BlockFact {
  id: string;
  /** The block this one stands beneath, by depth; null at the outermost level. */
  parentId: string | null;
  /** The nearest heading above. */
  headingId: string | null;
  position: number;
  depth: number;
  /** The kind of a text block, else the type of the node. */
  kind: string;
  state: TaskState | null;
  words: string;
  /** The block's node as it stands, for showing it elsewhere. */
  node: NodeJson;
}

export interface LinkFact {
  blockId: string;
  /** Counts the links of a body from its start. */
  position: number;
  target: string;
  words: string | null;
}

export interface TagFact {
  blockId: string;
  position: number;
  /** The id of the tag. */
  tag: string;
}

export interface BodyFacts {
  blocks: BlockFact[];
  links: LinkFact[];
  tags: TagFact[];
  /** Attachments that the page shows. */
  files: { blockId: string; fileId: string }[];
  /** Ids of joined blocks and the block each now lives on in. */
  formerIds: { formerId: string; blockId: string }[];
  wordCount: number;
  /** The first words of the page, by which it is known when it has no title. */
  firstWords: string;
}

const FIRST_WORDS_LENGTH = 80;

/** Counts words as a reader does: runs of letters and digits, and each character of a script without spaces. */
export const countWords = (words: string): number =>
  words.match(/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]|[\p{L}\p{N}][\p{L}\p{N}\p{M}’'-]*/gu)?.length ??
  0;

interface Words {
  words: string;
  wordCount: number;
}

/** A block that is read again unchanged is the same object, and its words need not be counted again. */
const counted = new WeakMap<NodeJson, Words>();

function wordsOf(node: NodeJson): Words {
  let known = counted.get(node);
  if (!known) {
    const words = ownWords(node);
    known = { words, wordCount: countWords(words) };
    counted.set(node, known);
  }
  return known;
}

/** Derives all facts of a body. Pure: the same body gives the same facts. */
export function bodyFacts(body: BodyJson): BodyFacts {
  const facts: BodyFacts = { blocks: [], links: [], tags: [], files: [], formerIds: [], wordCount: 0, firstWords: '' };
  const former = new Map<string, string>();
  const ancestors: { id: string; depth: number }[] = [];
  let headingId: string | null = null;
  body.content.forEach((node, position) => {
    const attrs = node.attrs ?? {};
    const id = String(attrs.id);
    const depth = depthOf(node);
    while (ancestors.length > 0 && ancestors[ancestors.length - 1]!.depth >= depth) ancestors.pop();
    const kind = kindOf(node);
    const solid = solidKindOf(node);
    const { words, wordCount } = wordsOf(node);
    facts.blocks.push({
      id,
      parentId: ancestors[ancestors.length - 1]?.id ?? null,
      headingId,
      position,
      depth,
      kind,
      state: textKindOf(node)?.state?.(attrs) ?? null,
      words,
      node,
    });
    for (const fileId of solid?.files?.(attrs) ?? []) {
      if (typeof fileId === 'string') facts.files.push({ blockId: id, fileId });
    }
    for (const link of linksIn(node)) facts.links.push({ blockId: id, position: facts.links.length, ...link });
    for (const { tag } of tagsIn(node)) {
      if (tag !== null) facts.tags.push({ blockId: id, position: facts.tags.length, tag });
    }
    if (typeof attrs.formerIds === 'string') {
      for (const formerId of attrs.formerIds.split(' ')) {
        if (formerId) former.set(formerId, id);
      }
    }
    facts.wordCount += wordCount;
    const shown = words.trim() || (solid?.knownBy ?? '');
    if (facts.firstWords === '' && shown !== '') facts.firstWords = shorten(shown);
    ancestors.push({ id, depth });
    if (kind === 'heading') headingId = id;
  });
  // Two windows may note one id on two blocks: then the later has it.
  facts.formerIds = [...former].map(([formerId, blockId]) => ({ formerId, blockId }));
  return facts;
}

/** Cuts at a word's end, within FIRST_WORDS_LENGTH characters, never inside a character. */
function shorten(words: string): string {
  const line = words.replace(/\s+/gu, ' ');
  const characters = Array.from(line);
  if (characters.length <= FIRST_WORDS_LENGTH) return line;
  const cut = characters.slice(0, FIRST_WORDS_LENGTH).join('');
  const space = cut.lastIndexOf(' ');
  return `${space > FIRST_WORDS_LENGTH / 2 ? cut.slice(0, space) : cut}…`;
}
