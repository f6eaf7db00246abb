import type { ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { LINES_TO_FIND } from '../../entities/block.queries';
import type { FactWriter } from '../facts';
import { heldByLines, type HeldByLine } from '../foundWords';
import { KeptByDocument } from '../keptByDocument';

/** Letters that are kept of the lines of all documents together: some thousand pages. */
const KEPT = 6_000_000;
/** What a line, and what it holds, takes beside its letters. */
const PER_ROW = 100;

/** The lines of a document, and the tags and links that they hold. */
export interface KnownLines {
  lines: { id: string; words: string }[];
  held: HeldByLine[];
}

/** Lines in which words are looked for. Each letter that is typed on looks through the pages of the one before it again. */
export class LinesToFind {
  private kept: KeptByDocument<KnownLines>;

  constructor(database: Pick<Database, 'onEnd'>, facts: FactWriter) {
    this.kept = new KeptByDocument(database, facts, KEPT);
  }

  /** Must be asked for what the viewer was found to see alone. */
  of(connection: ViewerConnection, documentId: string): KnownLines {
    const before = this.kept.of(documentId);
    if (before) return before;
    const asked = { documentId, withWordless: 1 };
    const lines = connection.all<{ id: string; words: string }>(LINES_TO_FIND, asked);
    const held = heldByLines(connection.raw, documentId).filter(({ what }) => what !== 'file');
    const weight = lines.reduce((sum, { words }) => sum + words.length + PER_ROW, held.length * PER_ROW);
    const known = { lines, held };
    this.kept.keep(documentId, known, weight);
    return known;
  }
}
