import type * as Y from 'yjs';
import { canonical } from './canonical';
import { FIELDS, besideOf, checkBeside, withBeside } from './fields';
import { MARK_ATTRIBUTES } from './marks';
import { NODE_ATTRIBUTES } from './nodes';
import { schema } from './schema';
import { ShapeError } from './shapeError';
import type { Attributes } from './attributes';
import { MAX_BLOCKS, MAX_BLOCK_TEXT, MAX_PAGE_TEXT, MAX_TITLE, type BodyJson, type NodeJson } from './types';

function checkAttributes(type: string, known: Attributes = {}, attrs: Record<string, unknown> = {}): void {
  for (const [name, value] of Object.entries(attrs)) {
    if (!known[name]?.check(value)) throw new ShapeError(`A ${type} can't have ${name} set to ${shown(value)}.`);
  }
}

const shown = (value: unknown): string => (JSON.stringify(value) ?? 'nothing').slice(0, 60);

function checkNode(node: NodeJson): void {
  checkAttributes(node.type, NODE_ATTRIBUTES[node.type], node.attrs);
  for (const mark of node.marks ?? []) checkAttributes(mark.type, MARK_ATTRIBUTES[mark.type], mark.attrs);
  node.content?.forEach(checkNode);
}

/**
 * Checks body JSON against the schema: known nodes and marks, content where it may stand, attributes in range.
 * Returns the body in its one canonical form (canonical.ts).
 *
 * @throws ShapeError
 */
export function checkBody(json: unknown): BodyJson {
  const body = json as BodyJson;
  let whole: BodyJson;
  try {
    const node = schema.nodeFromJSON(body);
    node.check();
    whole = node.toJSON() as BodyJson;
  } catch (error) {
    throw new ShapeError(`The text does not fit the form of a page: ${(error as Error).message}`);
  }
  if (body.content.length > MAX_BLOCKS) throw new ShapeError(`A page holds at most ${MAX_BLOCKS} blocks.`);
  let all = 0;
  for (const node of whole.content) {
    checkNode(node);
    const length = characters(node);
    if (length > MAX_BLOCK_TEXT) throw new ShapeError(`A block holds at most ${MAX_BLOCK_TEXT} characters.`);
    all += length;
  }
  if (all > MAX_PAGE_TEXT) throw new ShapeError(`A page holds at most ${MAX_PAGE_TEXT} characters.`);
  return withBeside({ type: 'doc', content: whole.content.map(canonical) }, checkBeside(besideOf(body)));
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

const ROOTS: readonly string[] = ['title', 'body', FIELDS];

/** Refuses a document that carries anything beside a title, a body, and kinds and fields. */
export function checkRoots(document: Y.Doc): void {
  for (const name of document.share.keys()) {
    if (!ROOTS.includes(name)) throw new ShapeError(`A page has no part named ${shown(name)}.`);
  }
}
