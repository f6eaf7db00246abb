/**
 * Parsing takes longer than a text's length where quotes and lists stand between its paragraphs, and memory out of all
 * proportion: a longer text is parsed in pieces of about so many characters or lines.
 */
const PIECE = 12_000;
const PIECE_LINES = 300;
/** A piece is parted within something that goes on only when it has become so long. */
const FARTHEST = 200_000;

const FENCE = /^ {0,3}(`{3,}(?=[^`]*$)|~{3,})/u;
/** What ends fenced code has nothing behind it: "```js" within code is a line of it (CommonMark 0.31, example 147). */
const FENCE_END = /^ {0,3}(`{3,}|~{3,})\s*$/u;
/** `[label]: address`, and no footnote, which is a block of words. */
const DEFINITION = /^ {0,3}\[(?!\^)((?:[^\]\\]|\\.)+)\]:[ \t]*\S/u;
const LABEL = /\[((?:[^[\]\\]|\\.)+)\]/gu;

/** HTML that goes on over empty lines, and what ends it (CommonMark 0.31, section 4.6, kinds 1 and 2). */
const RAW: [begin: RegExp, end: RegExp][] = [
  [/^ {0,3}<(?:pre|script|style|textarea)(?:\s|>|$)/iu, /<\/(?:pre|script|style|textarea)>/iu],
  [/^ {0,3}<!--/u, /-->/u],
];

/** The first definition of each label, and the piece it stands in. */
type Definitions = Map<string, { line: string; piece: number }>;

/** As labels of definitions are compared. */
const labelOf = (label: string): string => label.replace(/\s+/gu, ' ').trim().toLowerCase();

/**
 * A long text in pieces that can be parsed one by one: parted before a line that begins something new, never within
 * code or raw HTML, nor behind a comment, which may say something of what follows. Each piece carries the definitions of
 * the links in it that stand in lines of their own elsewhere.
 */
export function piecesOf(text: string): string[] {
  const lines = text.split('\n');
  if (text.length <= 2 * PIECE && lines.length <= 2 * PIECE_LINES) return [text];
  const pieces: string[][] = [[]];
  const definitions: Definitions = new Map();
  let size = 0;
  let fence: string | null = null;
  let rawEnd: RegExp | null = null;
  let isAfterComment = false;
  for (const [index, line] of lines.entries()) {
    const isFree = fence === null && rawEnd === null;
    const isNew = isFree && !isAfterComment && lines[index - 1]?.trim() === '' && line.trim() !== '';
    const isOver = size > PIECE || pieces.at(-1)!.length > PIECE_LINES;
    if (isNew && ((isOver && /^\S/u.test(line)) || size > FARTHEST)) {
      pieces.push([]);
      size = 0;
    }
    const mark: string | undefined = rawEnd === null && fence === null ? FENCE.exec(line)?.[1] : undefined;
    if (mark) fence = mark;
    else if (fence !== null) {
      if (FENCE_END.exec(line)?.[1]!.startsWith(fence)) fence = null;
    } else if (isFree) {
      rawEnd = RAW.find(([begin, end]) => begin.test(line) && !end.test(line))?.[1] ?? null;
      const label = DEFINITION.exec(line)?.[1];
      if (label !== undefined && !definitions.has(labelOf(label))) {
        definitions.set(labelOf(label), { line, piece: pieces.length - 1 });
      }
    } else if (rawEnd?.test(line)) rawEnd = null;
    if (line.trim() !== '') isAfterComment = /-->\s*$/u.test(line);
    pieces.at(-1)!.push(line);
    size += line.length + 1;
  }
  return pieces.map((piece, index) => withDefinitions(piece.join('\n'), index, definitions));
}

function withDefinitions(text: string, index: number, definitions: Definitions): string {
  if (definitions.size === 0) return text;
  const wanted = new Set<string>();
  for (const [, label] of text.matchAll(LABEL)) {
    const definition = definitions.get(labelOf(label!));
    if (definition && definition.piece !== index) wanted.add(definition.line);
  }
  return wanted.size > 0 ? `${text}\n\n${[...wanted].join('\n')}` : text;
}
