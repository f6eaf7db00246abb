import { namedIn, type NodeJson } from '@glossarion/core/document';
import type { ViewerConnection } from '../access';
import type { Database } from '../database/database';
import type { FactWriter } from './facts';
import { KeptByDocument } from './keptByDocument';
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
  private kept: KeptByDocument<Map<string, ShownLine>>;

  constructor(database: Pick<Database, 'onEnd'>, facts: FactWriter) {
    this.kept = new KeptByDocument(database, facts, KEPT);
  }

  /**
   * In the order in which they are asked for; undefined for what is not there. Must be asked for what the viewer was
   * found to see alone.
   */
  read(connection: ViewerConnection, asked: readonly LineAsked[]): (ShownLine | undefined)[] {
    const lines = asked.map(({ documentId, blockId }) => this.kept.of(documentId)?.get(blockId));
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
    const ofDocument = this.kept.of(documentId) ?? new Map<string, ShownLine>();
    ofDocument.set(blockId, line);
    this.kept.keep(documentId, ofDocument, ofDocument.size);
    return line;
  }
}

function shown(connection: ViewerConnection, documentId: string, row: WholeLine): ShownLine {
  const { place: _place, node: json, ...line } = row;
  const node = JSON.parse(json) as NodeJson;
  const children = childrenOf(connection, documentId, row);
  return { ...line, documentId, node, children, ...namedIn([node, ...children]) };
}
