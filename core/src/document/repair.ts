import { newId } from './ids';
import { ownWords } from './text';
import { MAX_DEPTH, type BodyJson, type NodeJson } from './types';

export type Repair = 'id given' | 'copy dropped' | 'id renewed' | 'depth mended';

const withAttributes = (node: NodeJson, changes: Record<string, unknown>): NodeJson => ({
  ...node,
  attrs: { ...node.attrs, ...changes },
});

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
  const seen = new Map<string, NodeJson>();
  const content: NodeJson[] = [];
  let allowed = 0;
  for (let node of body.content) {
    const id = node.attrs?.id;
    if (typeof id !== 'string') {
      node = withAttributes(node, { id: newId() });
      repairs.push('id given');
    } else if (seen.has(id)) {
      const words = ownWords(node);
      if (words === '' || words === ownWords(seen.get(id)!)) {
        repairs.push('copy dropped');
        continue;
      }
      node = withAttributes(node, { id: newId(), formerIds: null });
      repairs.push('id renewed');
    } else if (isTaken(id)) {
      node = withAttributes(node, { id: newId(), formerIds: null });
      repairs.push('id renewed');
    }
    const depth = Number(node.attrs?.depth ?? 0);
    const mended = Math.max(0, Math.min(Math.trunc(depth), allowed, MAX_DEPTH));
    if (mended !== depth) {
      node = withAttributes(node, { depth: mended });
      repairs.push('depth mended');
    }
    allowed = mended + 1;
    seen.set(String(node.attrs?.id), node);
    content.push(node);
  }
  return { body: repairs.length > 0 ? { type: 'doc', content } : body, repairs };
}
