import { namedIn, type NodeJson } from '@glossarion/core/document';
import type { ViewerConnection } from '../access';
import type { Database } from '../database/database';
import type { FactWriter } from './facts';
import { childrenOf, wholeLines, type WholeLine } from './wholeLines';

/** A line with what stands beneath it, and all that these name. */
export interface ShownLine extends Omit<WholeLine, 'node' | 'place'> {
  documentId: string;
  node: NodeJson;
  children: NodeJson[];
  links: string[];
  tags: string[];
}

export interface LineAsked {
  documentId: string;
  blockId: string;
}

/** Lines that are kept read; more than one Margin shows. */
const KEPT = 4_000;

/**
 * Lines as Margins show them. A Margin is read again whenever one of the many pages it shows changes: the lines of all
 * others are kept as they were read, until their page changes.
 */
export class ShownLines {
  /** By document, the one read last at the end. */
  private kept = new Map<string, Map<string, ShownLine>>();
  private count = 0;
  /** Documents that the present transaction changes: what is read of them may be from before. */
  private changing = new Set<string>();

  constructor(database: Pick<Database, 'onEnd'>, facts: FactWriter) {
    facts.onChange((documentId) => {
      this.changing.add(documentId);
      this.forget(documentId);
    });
    database.onEnd(() => this.changing.clear());
  }

  /**
   * In the order in which they are asked for; undefined for what is not there. Must be asked for what the viewer was
   * found to see alone.
   */
  read(connection: ViewerConnection, asked: readonly LineAsked[]): (ShownLine | undefined)[] {
    const lines = asked.map(({ documentId, blockId }) => this.kept.get(documentId)?.get(blockId));
    const places = [...lines.keys()].filter((place) => lines[place] === undefined);
    if (places.length === 0) return lines;
    const missing = places.map((place) => asked[place]!);
    for (const row of wholeLines(connection, missing)) {
      if (!row) continue;
      const one = missing[row.place]!;
      lines[places[row.place]!] = this.keep(one, shown(connection, one.documentId, row));
    }
    return lines;
  }

  private keep({ documentId, blockId }: LineAsked, line: ShownLine): ShownLine {
    if (this.changing.has(documentId)) return line;
    const ofDocument = this.kept.get(documentId) ?? new Map<string, ShownLine>();
    if (!ofDocument.has(blockId)) this.count += 1;
    ofDocument.set(blockId, line);
    this.kept.delete(documentId);
    this.kept.set(documentId, ofDocument);
    for (const oldest of this.kept.keys()) {
      if (this.count <= KEPT) break;
      this.forget(oldest);
    }
    return line;
  }

  private forget(documentId: string): void {
    this.count -= this.kept.get(documentId)?.size ?? 0;
    this.kept.delete(documentId);
  }
}

function shown(connection: ViewerConnection, documentId: string, row: WholeLine): ShownLine {
  const { place: _place, node: json, ...line } = row;
  const node = JSON.parse(json) as NodeJson;
  const children = childrenOf(connection, documentId, row);
  return { ...line, documentId, node, children, ...namedIn([node, ...children]) };
}
