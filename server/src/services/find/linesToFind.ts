import type { NodeJson } from '@glossarion/core/document';
import { linkToken } from '@glossarion/core/links';
import { tagToken } from '@glossarion/core/tags';
import { spacedWords } from '@glossarion/core/words';
import type { ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { LINES_TO_FIND } from '../../entities/block.queries';
import type { FactWriter } from '../facts';
import { heldByLines } from '../foundWords';
import { KeptByDocument } from '../keptByDocument';
import { wholeLines } from '../wholeLines';

/** Letters that are kept of the lines of all documents together: some thousand pages. */
const KEPT = 8_000_000;
/** What a line, and what it holds, takes beside its letters. */
const PER_ROW = 100;
/** A line that was taken apart takes so many times its letters. */
const TAKEN_APART = 3;

/** The lines of a document with their words between spaces, and the tokens of the tags and links that they hold. */
export interface KnownLines {
  lines: readonly { id: string; words: string }[];
  held: readonly { blockId: string; token: string }[];
}

interface KeptLines extends KnownLines {
  /** Those of its lines that were shown. */
  nodes: Map<string, NodeJson>;
  weight: number;
}

/** Lines in which words are looked for. Each letter that is typed on looks through the pages of the one before it again. */
export class LinesToFind {
  private kept: KeptByDocument<KeptLines>;

  constructor(database: Pick<Database, 'onEnd'>, facts: FactWriter) {
    this.kept = new KeptByDocument(database, facts, KEPT);
  }

  /** Must be asked for what the viewer was found to see alone. */
  of(connection: ViewerConnection, documentId: string): KnownLines {
    const before = this.kept.of(documentId);
    if (before) return before;
    const asked = { documentId, withWordless: 1 };
    const rows = connection.all<{ id: string; words: string }>(LINES_TO_FIND, asked);
    const lines = rows.map(({ id, words }) => ({ id, words: spacedWords(words) }));
    const held = heldByLines(connection.raw, documentId)
      .filter(({ what }) => what !== 'file')
      .map(({ blockId, held: id, what }) => ({ blockId, token: what === 'tag' ? tagToken(id) : linkToken(id) }));
    const weight = lines.reduce((sum, { words }) => sum + words.length + PER_ROW, held.length * PER_ROW);
    const known = { lines, held, nodes: new Map<string, NodeJson>(), weight };
    this.kept.keep(documentId, known, weight);
    return known;
  }

  /** Lines as they are written, by their ids; must be asked for what the viewer was found to see alone. */
  nodes(
    connection: ViewerConnection,
    asked: readonly { documentId: string; blockId: string }[],
  ): Map<string, NodeJson> {
    const nodes = new Map<string, NodeJson>();
    const missing = asked.filter(({ documentId, blockId }) => {
      const known = this.kept.of(documentId)?.nodes.get(blockId);
      if (known) nodes.set(blockId, known);
      return !known;
    });
    if (missing.length === 0) return nodes;
    for (const [place, line] of wholeLines(connection, missing).entries()) {
      if (!line) continue;
      const { documentId, blockId } = missing[place]!;
      const node = JSON.parse(line.node) as NodeJson;
      nodes.set(blockId, node);
      const known = this.kept.of(documentId);
      if (!known) continue;
      known.nodes.set(blockId, node);
      known.weight += line.node.length * TAKEN_APART;
      this.kept.keep(documentId, known, known.weight);
    }
    return nodes;
  }
}
