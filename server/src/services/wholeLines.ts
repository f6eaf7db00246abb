import type { NodeJson } from '@glossarion/core/document';
import type { ViewerConnection } from '../access';
import { FOLLOWING, WHOLE_LINES } from '../entities/link.queries';

/** Lines beneath a referring line that are shown with it. */
const CHILDREN = 12;

export interface LineRow {
  /** The line it stands beneath. */
  parentBlockId: string | null;
  headingId: string | null;
  position: number;
  depth: number;
  node: string;
}

export interface WholeLine extends LineRow {
  /** Its place among those that were asked for. */
  place: number;
  /** How deep the line after it stands; null at the end. */
  nextDepth: number | null;
  /** The words of its heading; null when these are not its own alone, or when it has none. */
  headingWords: string | null;
}

/** Lines with all that is shown of them, in the order in which they are asked for. */
export function wholeLines(
  connection: ViewerConnection,
  asked: readonly { documentId: string; blockId: string }[],
): WholeLine[] {
  const json = JSON.stringify(asked.map(({ documentId, blockId }) => [documentId, blockId]));
  const lines: WholeLine[] = [];
  for (const line of connection.all<WholeLine>(WHOLE_LINES, { asked: json })) lines[line.place] = line;
  return lines;
}

/** What stands beneath a line. */
export function childrenOf(connection: ViewerConnection, documentId: string, row: WholeLine): NodeJson[] {
  if (row.nextDepth === null || row.nextDepth <= row.depth) return [];
  const { position } = row;
  const following = connection.each<{ depth: number; node: string }>(FOLLOWING, {
    documentId,
    position,
    limit: CHILDREN,
  });
  const children: NodeJson[] = [];
  for (const { depth, node } of following) {
    if (depth <= row.depth) break;
    children.push(JSON.parse(node) as NodeJson);
  }
  return children;
}
