import { Not } from 'typeorm';
import type { LineWords } from '@glossarion/core/find/counting';
import { accountOwning } from '../access';
import type { Database } from '../database/database';
import { AttachmentEntity, AttachmentTextEntity } from '../entities';
import type { FactWriter } from './facts';
import { wordsOfLines } from './foundWords';
import { letOthers } from './turns';

/** Stretches of a file whose words are counted in one transaction: some milliseconds. */
const AT_ONCE = 50;

/**
 * The text of a file in the pieces in which its words are counted, from the one at `from` on; of which language they are is
 * seen by the piece.
 */
export function* countedPieces(text: string, from = 0, to = Infinity): Generator<LineWords[]> {
  const stretches = text.split('\n');
  for (let at = from; at < to && at * AT_ONCE < stretches.length; at += 1) {
    const piece = stretches.slice(at * AT_ONCE, (at + 1) * AT_ONCE);
    yield wordsOfLines(piece.map((words) => ({ words })));
  }
}

/** Counts the words of files among those of the notes, piece by piece, so that others write in between. */
export class FileWords {
  constructor(
    private database: Database,
    private facts: Pick<FactWriter, 'countLines'>,
  ) {}

  /** Counts what is not counted yet, until that is to end. */
  async count(fileId: string, signal: AbortSignal): Promise<void> {
    while (!signal.aborted && (await this.step(fileId, 1))) await letOthers();
  }

  /** Counts no word of a file any more, which is about to go. */
  async uncount(fileId: string): Promise<void> {
    if (!(await this.database.manager.existsBy(AttachmentTextEntity, { fileId, words: Not('') }))) return;
    while (await this.step(fileId, -1)) await letOthers();
  }

  /** Counts one piece more or less; whether another one is left. */
  private step(fileId: string, by: 1 | -1): Promise<boolean> {
    return this.database.writePiece(async (manager) => {
      const file = await manager.findOneBy(AttachmentEntity, { id: fileId });
      const known = file && (await manager.findOneBy(AttachmentTextEntity, { fileId }));
      // One that nothing shows is about to go.
      if (!known || known.words === '' || (by === 1 && file.unusedSince !== null)) return false;
      const all = Math.ceil(known.text.split('\n').length / AT_ONCE);
      const from = known.countedTo ?? all;
      const to = Math.min(all, Math.max(0, from + by));
      const [lines = []] = countedPieces(known.text, Math.min(from, to), Math.max(from, to));
      if (by === 1) this.facts.countLines(accountOwning(file), [], lines);
      else this.facts.countLines(accountOwning(file), lines, []);
      await manager.update(AttachmentTextEntity, { fileId }, { countedTo: to === all ? null : to });
      return by === 1 ? to < all : to > 0;
    });
  }
}
