import { withAttributes } from './canonical';
import { newId } from './ids';
import { depthOf } from './kinds';
import { ownWords } from './text';
import { MAX_DEPTH, type BodyJson, type NodeJson } from './types';

export type Repair = 'id given' | 'copy dropped' | 'id renewed' | 'depth mended';

/** Whether each character of one stands in the other, in the same order. */
function standsIn(one: string, other: string): boolean {
  let found = 0;
  for (let at = 0; at < other.length && found < one.length; at += 1) if (other[at] === one[found]) found += 1;
  return found === one.length;
}

/**
 * Which of two lines with one id can go: a copy without words or with the same ones, and of a line that was kept when
 * it was deleted elsewhere (its writer keeps it and goes on in it, the server keeps it, its deletion is taken back) the
 * one that has no words of its own. Null when both have to stay.
 */
export function needless(first: NodeJson, second: NodeJson): 'first' | 'second' | null {
  const [words, others] = [ownWords(first), ownWords(second)];
  if (others === '' || others === words) return 'second';
  if (first.attrs?.kept !== true && second.attrs?.kept !== true) return null;
  if (standsIn(others, words)) return 'second';
  return standsIn(words, others) ? 'first' : null;
}

/**
 * Mends what two honest windows can cause when both write at once: a block without an id, the same id twice, a depth
 * that no block above allows. Words are never dropped unless the same words stand beside them.
 *
 * `isTaken` tells whether an id belongs to a block of another page.
 */
export function repairBody(
  body: BodyJson,
  isTaken: (id: string) => boolean = () => false,
): { body: BodyJson; repairs: Repair[] } {
  const repairs: Repair[] = [];
  const content = withOwnDepths(withOwnIds(body.content, isTaken, repairs), repairs);
  return { body: repairs.length > 0 ? { ...body, content } : body, repairs };
}

function withOwnIds(nodes: readonly NodeJson[], isTaken: (id: string) => boolean, repairs: Repair[]): NodeJson[] {
  /** The lines by their ids, in order. */
  const lines = new Map<string, NodeJson>();
  for (const node of nodes) {
    const id = node.attrs?.id;
    const standing = typeof id === 'string' ? lines.get(id) : undefined;
    const drop = standing ? needless(standing, node) : null;
    if (drop) repairs.push('copy dropped');
    if (drop === 'second') continue;
    if (drop === 'first') lines.delete(id as string);
    const isFresh = typeof id !== 'string' || (standing && !drop) || (!standing && isTaken(id));
    if (isFresh) repairs.push(typeof id === 'string' ? 'id renewed' : 'id given');
    const own = isFresh ? newId() : id;
    const changes = typeof id === 'string' ? { id: own, formerIds: null } : { id: own };
    lines.set(own, isFresh ? withAttributes(node, changes) : node);
  }
  return [...lines.values()];
}

function withOwnDepths(nodes: readonly NodeJson[], repairs: Repair[]): NodeJson[] {
  let allowed = 0;
  return nodes.map((node) => {
    const depth = depthOf(node);
    const mended = Math.max(0, Math.min(Math.trunc(depth), allowed, MAX_DEPTH));
    allowed = mended + 1;
    if (mended === depth) return node;
    repairs.push('depth mended');
    return withAttributes(node, { depth: mended });
  });
}
