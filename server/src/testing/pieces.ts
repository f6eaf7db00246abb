import type { Services } from '../services';

/**
 * How many pieces of long work are stored while `work` is done and what follows from it, and how many of them at most
 * without anybody else being heard. Where each is followed by a turn that is one; what else is done beside all may make it two.
 */
export async function piecesOf(
  { database, background }: Pick<Services, 'database' | 'background'>,
  work: () => PromiseLike<unknown>,
): Promise<{ pieces: number; atOnce: number }> {
  const [write, byTurn] = [database.writePiece.bind(database), new Map<number, number>()];
  let [turn, isOver] = [0, false];
  const next = () => {
    turn += 1;
    if (!isOver) setImmediate(next);
  };
  next();
  database.writePiece = (piece) => {
    byTurn.set(turn, (byTurn.get(turn) ?? 0) + 1);
    return write(piece);
  };
  try {
    await work();
    await background.idle();
  } finally {
    database.writePiece = write;
    isOver = true;
  }
  const counts = [...byTurn.values()];
  return { pieces: counts.reduce((sum, count) => sum + count, 0), atOnce: Math.max(0, ...counts) };
}
