import { besideOf } from '../fields';
import { depthOf, kindOf, solidKindOf, textKindOf } from '../kinds';
import { ownWords } from '../text';
import type { BodyJson, NodeJson, TaskState } from '../types';
import { LINE_FACTS } from './all';
import type { LineFact } from './fact';

export { LINE_FACTS };
export type { FieldValueFact } from './fieldValues';
export type { FileFact } from './files';
export type { FormerIdFact } from './formerIds';
export type { KindFact } from './kinds';
export type { LinkFact } from './links';
export type { TagFact } from './tags';
export type { TaskFact } from './tasks';

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

type Rows<F> = F extends LineFact<infer Row> ? Row[] : never;

/** What lines bear, and what stands beside them, by fact. */
export type LineFacts = { [K in keyof typeof LINE_FACTS]: Rows<(typeof LINE_FACTS)[K]> };

export interface BodyFacts extends LineFacts {
  blocks: BlockFact[];
  wordCount: number;
  /** The first words of the page, by which it is known when it has no title. */
  firstWords: string;
}

const FIRST_WORDS_LENGTH = 80;

const FACTS = Object.entries(LINE_FACTS) as [keyof LineFacts, LineFact<unknown>][];

/** What no line bears anything of. */
export const noLineFacts = (): LineFacts =>
  Object.fromEntries(FACTS.map(([name]) => [name, []])) as unknown as LineFacts;

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
  const facts: BodyFacts = { ...noLineFacts(), blocks: [], wordCount: 0, firstWords: '' };
  const ancestors: { id: string; depth: number; node: NodeJson }[] = [];
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
    const above = ancestors.map((each) => each.node);
    for (const [name, { of }] of FACTS) {
      const rows = facts[name] as unknown[];
      const own = of?.(node, id, rows, above);
      if (own && own.length > 0) rows.push(...own);
    }
    facts.wordCount += wordCount;
    const shown = words.trim() || (solid?.knownBy ?? '');
    if (facts.firstWords === '' && shown !== '') facts.firstWords = shorten(shown);
    ancestors.push({ id, depth, node });
    if (kind === 'heading') headingId = id;
  });
  const held = besideOf(body);
  for (const [name, { beside, settled }] of FACTS) {
    if (beside) (facts[name] as unknown[]).push(...beside(held, facts[name]));
    if (settled) (facts[name] as unknown[]) = settled(facts[name]);
  }
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
