import type { Database } from '../../database/database';
import { PARTS_OF_INDEX, TELL_INDEX } from '../../entities/find.queries';
import { prepared } from '../../sqlite/prepared';

/** So many pages of the index are written in one transaction: some milliseconds. */
const PIECE = 64n;
/** From two on, parts of one size become one. */
const PARTS = 2n;
/** More parts than this, of whatever sizes, become one: all is written anew for it. */
const FEW_PARTS = 4;
/** What says that nothing was merged changes one row: that of the command. */
const NOTHING = 2;

/**
 * Merges the parts in which the index of words was written, in pieces between which others write. Each word that is looked
 * for is looked up in every part, and a long import leaves many.
 *
 * @param pause waits between two pieces; says whether to go on
 */
export async function mergeIndex(database: Database, pause: () => Promise<boolean>): Promise<void> {
  const tell = (what: string, amount: bigint) => prepared(database.writer, TELL_INDEX).run(what, amount);
  await database.writePiece(() => void tell('usermerge', PARTS));
  const partsLeft = () => (prepared(database.writer, PARTS_OF_INDEX).get() as { parts: number }).parts;
  for (let isWhole = false; ;) {
    const before = database.changed();
    await database.writePiece(() => void tell('merge', PIECE));
    const isMerged = database.changed() - before < NOTHING;
    if (isMerged) {
      if (isWhole || partsLeft() <= FEW_PARTS) return;
      // Parts of several sizes are taken for parts of one by a negative amount.
      isWhole = true;
      await database.writePiece(() => void tell('merge', -PIECE));
    }
    if (!(await pause())) return;
  }
}
