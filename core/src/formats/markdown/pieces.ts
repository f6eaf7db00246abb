/** A text longer than this is parsed in pieces: parsing a very long one at once takes memory out of all proportion. */
const LONG = 300_000;
const PIECE = 150_000;

const FENCE = /^ {0,3}(`{3,}|~{3,})/u;
const DEFINITION = /^ {0,3}\[[^\]]+\]:[ \t]*\S/u;

/**
 * A long text in pieces that can be parsed one by one: parted before a line that begins something new, never within
 * fenced code. Each piece carries all definitions of links that stand in lines of their own.
 */
export function piecesOf(text: string): string[] {
  if (text.length <= LONG) return [text];
  const lines = text.split('\n');
  const definitions = lines.filter((line) => DEFINITION.test(line)).join('\n');
  const pieces: string[][] = [[]];
  let size = 0;
  let fence: string | null = null;
  for (const [index, line] of lines.entries()) {
    const mark = FENCE.exec(line)?.[1];
    const isNew = fence === null && lines[index - 1]?.trim() === '';
    const isOver = size > PIECE && isNew && (/^\S/u.test(line) || size > 2 * PIECE);
    if (isOver) {
      pieces.push([]);
      size = 0;
    }
    if (mark && fence === null) fence = mark;
    else if (mark && fence !== null && mark.startsWith(fence)) fence = null;
    pieces.at(-1)!.push(line);
    size += line.length + 1;
  }
  return pieces.map((piece) => (definitions ? `${piece.join('\n')}\n\n${definitions}` : piece.join('\n')));
}
