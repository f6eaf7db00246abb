import type * as Y from 'yjs';
import { CONTENTS_ORDERS } from '../outline/contents';
import { OVERVIEW_LEVELS, OVERVIEW_SUBJECTS } from '../overview/overview';
import { isId } from './ids';
import { isSafeAddress } from './marks';
import { schema } from './schema';
import {
  BLOCK_KINDS,
  HIGHLIGHTS,
  MAX_BLOCKS,
  MAX_BLOCK_TEXT,
  MAX_PAGE_TEXT,
  MAX_TITLE,
  TASK_STATES,
  type BodyJson,
  type NodeJson,
} from './types';

/** Thrown when a body breaks the schema's shape. The message is a sentence for people. */
export class ShapeError extends Error {
  override name = 'ShapeError';
}

const oneOf = (list: readonly unknown[]) => (value: unknown) => list.includes(value);
const orNothing = (check: (value: unknown) => boolean) => (value: unknown) =>
  value === null || value === undefined || check(value);
const isString = (limit: number) => (value: unknown) => typeof value === 'string' && value.length <= limit;
const isIdList = (value: unknown) => typeof value === 'string' && value.split(' ').every(isId);
const isNumber = (least: number, most: number) => (value: unknown) =>
  typeof value === 'number' && value >= least && value <= most;
const isPlace = {
  id: orNothing(isId),
  depth: (value: unknown) => typeof value === 'number' && Number.isFinite(value),
  tint: orNothing(oneOf(HIGHLIGHTS)),
};
const isCell = {
  align: orNothing(oneOf(['left', 'center', 'right'])),
  colspan: oneOf([1]),
  rowspan: oneOf([1]),
  colwidth: orNothing((value) => Array.isArray(value) && value.length === 1 && isNumber(20, 2000)(value[0])),
};
const isName = isString(300);
const isCaption = isString(2000);

/** What each attribute of each node and mark may hold. An attribute without a check may not be there. */
const ATTRIBUTES: Record<string, Record<string, (value: unknown) => boolean>> = {
  block: {
    ...isPlace,
    kind: oneOf(BLOCK_KINDS),
    level: orNothing(oneOf([1, 2, 3, 4])),
    state: orNothing(oneOf(TASK_STATES)),
    formerIds: orNothing(isIdList),
    folded: orNothing((value) => typeof value === 'boolean'),
    kept: orNothing((value) => typeof value === 'boolean'),
  },
  divider: isPlace,
  overview: {
    ...isPlace,
    subject: oneOf(OVERVIEW_SUBJECTS),
    target: orNothing(isId),
    levels: oneOf(OVERVIEW_LEVELS),
    order: oneOf(CONTENTS_ORDERS),
    chosen: orNothing(isIdList),
  },
  codeBlock: { ...isPlace, language: orNothing(isString(60)) },
  table: isPlace,
  tableCell: isCell,
  tableHeader: isCell,
  picture: {
    ...isPlace,
    file: orNothing(isId),
    name: isName,
    alt: isCaption,
    caption: isCaption,
    width: orNothing(isNumber(5, 100)),
  },
  file: {
    ...isPlace,
    file: orNothing(isId),
    name: isName,
    media: isString(120),
    size: isNumber(0, Number.MAX_SAFE_INTEGER),
    caption: isCaption,
  },
  card: { ...isPlace, target: orNothing(isId) },
  pageLink: { target: isId, words: orNothing(isString(2000)) },
  tag: { name: isString(200) },
  highlight: { pigment: oneOf(HIGHLIGHTS) },
  webLink: { href: isSafeAddress },
};

function checkAttributes(type: string, attrs: Record<string, unknown> | undefined): void {
  const checks = ATTRIBUTES[type] ?? {};
  for (const [name, value] of Object.entries(attrs ?? {})) {
    const check = checks[name];
    if (!check || !check(value)) throw new ShapeError(`A ${type} can't have ${name} set to ${shown(value)}.`);
  }
}

const shown = (value: unknown): string => (JSON.stringify(value) ?? 'nothing').slice(0, 60);

function checkNode(node: NodeJson): void {
  checkAttributes(node.type, node.attrs);
  for (const mark of node.marks ?? []) checkAttributes(mark.type, mark.attrs);
  node.content?.forEach(checkNode);
}

/**
 * Checks body JSON against the schema: known nodes and marks, content where it may stand, attributes in range.
 * Returns the body in its one canonical form: every attribute named, in the schema's order.
 */
export function checkBody(json: unknown): BodyJson {
  const body = json as BodyJson;
  let canonical: BodyJson;
  try {
    const node = schema.nodeFromJSON(body);
    node.check();
    canonical = node.toJSON() as BodyJson;
  } catch (error) {
    throw new ShapeError(`The text does not fit the form of a page: ${(error as Error).message}`);
  }
  if (body.content.length > MAX_BLOCKS) throw new ShapeError(`A page holds at most ${MAX_BLOCKS} blocks.`);
  let all = 0;
  for (const node of canonical.content) {
    checkNode(node);
    const length = characters(node);
    if (length > MAX_BLOCK_TEXT) throw new ShapeError(`A block holds at most ${MAX_BLOCK_TEXT} characters.`);
    all += length;
  }
  if (all > MAX_PAGE_TEXT) throw new ShapeError(`A page holds at most ${MAX_PAGE_TEXT} characters.`);
  return canonical;
}

const characters = (node: NodeJson): number =>
  (node.text?.length ?? 0) + (node.content ?? []).reduce((sum, child) => sum + characters(child), 0);

/** Reads the title out of a page's document: one line, as it was written. */
export function readTitle(document: Y.Doc): string {
  const title = document.getText('title');
  for (const part of title.toDelta() as { insert: unknown }[]) {
    if (typeof part.insert !== 'string') throw new ShapeError('A title holds text only.');
  }
  const value = title.toString();
  if (value.length > MAX_TITLE) throw new ShapeError(`A title holds at most ${MAX_TITLE} characters.`);
  return value.replace(/[\r\n]+/gu, ' ');
}

/** Refuses a document that carries anything beside a title and a body. */
export function checkRoots(document: Y.Doc): void {
  for (const name of document.share.keys()) {
    if (name !== 'title' && name !== 'body') throw new ShapeError(`A page has no part named ${shown(name)}.`);
  }
}
