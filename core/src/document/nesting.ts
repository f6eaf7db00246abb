import * as Y from 'yjs';
import { ShapeError } from './shapeError';

/** Elements within elements: a table's row, cell, line and text are five. */
const DEEPEST = 16;

/**
 * Refuses an update whose elements stand within each other deeper than a page's can. Looked at before it is applied:
 * Yjs tells every element above of each change, which takes memory with the square of the depth.
 *
 * @throws ShapeError
 */
export function checkNesting(update: Uint8Array): void {
  const depths = new Map<string, number>();
  for (const struct of Y.decodeUpdate(update).structs) {
    if (!(struct instanceof Y.Item) || !(struct.content instanceof Y.ContentType)) continue;
    // As decoded: the id of the element it stands in, the name of a root, or nothing beside a known neighbour.
    const parent = struct.parent as unknown as Y.ID | string | null;
    const { client, clock } = struct.id;
    const above = parent instanceof Y.ID ? parent : struct.origin;
    const known = above ? (depths.get(`${above.client} ${above.clock}`) ?? 0) : 0;
    const depth = parent instanceof Y.ID ? known + 1 : known;
    if (depth > DEEPEST) throw new ShapeError('What was sent is nested deeper than anything on a page can be.');
    depths.set(`${client} ${clock}`, depth);
  }
}
