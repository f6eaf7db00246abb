import { hasManyUnderlines, Underlines } from './underlined';

/**
 * Parsing Markdown takes longer than its length where much is nested or opened and never closed: a list 600 deep, a
 * table of 160,000 cells, a line of ten thousand brackets. Before it is parsed, a text is brought to what a page can
 * hold and a parser can read in a moment. No word is lost by it; what was changed is said.
 */

/** Containers within containers: deeper than any page shows. */
const DEEPEST = 26;
/** A line may begin this far in. */
const FARTHEST = 80;
/** The most cells of a table that is read as one. */
export const MAX_CELLS = 10_000;
/** The most characters with a meaning in one paragraph; one with more is parted. */
const TANGLED = 1_500;
/** The most lines in a row of one paragraph. */
const LAZY = 400;
/** A line longer than this is parted where words are. */
const LONGEST = 50_000;

const CONTAINERS = /^(?:[ \t]*(?:>|[-*+](?=[ \t])|\d{1,9}[.)](?=[ \t])))+/u;
const FENCE = /^[ \t>]*(`{3,}|~{3,})/u;
const SPECIALS = /[*_`~[\]<>!&=\\#{}$^]/gu;
const DELIMITER_ROW = /^[ \t>]*\|?[ \t]*:?-+:?[ \t]*(?:\|[ \t]*:?-+:?[ \t]*)*\|?[ \t]*$/u;

export interface Tamed {
  text: string;
  /** What was changed, each as a sentence, each once. */
  remarks: string[];
}

/** The text as it can be parsed in a time that grows with its length. */
export function tame(text: string): Tamed {
  const remarks = new Set<string>();
  const lines = text.split(/\r\n?|\n/u);
  const tamed: string[] = [];
  let paragraph: string[] = [];
  const underlines = hasManyUnderlines(lines) ? new Underlines() : null;
  const onUnderlined = () =>
    remarks.add('More underlined headings than can be read at once; the others are lines of text.');
  const endParagraph = () => {
    const lines = underlines?.rewrite(paragraph, onUnderlined) ?? paragraph;
    for (const [index, part] of withoutLaziness(lines, remarks).entries()) {
      if (index > 0) tamed.push('');
      tamed.push(...tamedParagraph(part, remarks));
    }
    paragraph = [];
  };
  for (let index = 0; index < lines.length; index += 1) {
    const line = lines[index]!;
    const fence = FENCE.exec(line)?.[1];
    if (fence) {
      endParagraph();
      const end = fenceEnd(lines, index, fence);
      tamed.push(...lines.slice(index, end + 1));
      index = end;
    } else if (line.trim() === '') {
      endParagraph();
      tamed.push('');
    } else {
      paragraph.push(shallow(line, remarks));
    }
  }
  endParagraph();
  return remarks.size > 0 || underlines ? { text: tamed.join('\n'), remarks: [...remarks] } : { text, remarks: [] };
}

/** The last line of fenced code; that of the text when it is never closed (CommonMark 0.31, example 127). */
function fenceEnd(lines: readonly string[], start: number, fence: string): number {
  const closing = new RegExp(`^[ \\t>]*${fence[0]}{${fence.length},}[ \\t]*$`, 'u');
  const end = lines.findIndex((line, index) => index > start && closing.test(line));
  return end < 0 ? lines.length - 1 : end;
}

/** A line that stands in no more containers, and begins no farther in, than a page can show. */
function shallow(line: string, remarks: Set<string>): string {
  const indentation = /^[ \t]*/u.exec(line)![0].length;
  let near = indentation > FARTHEST ? `${' '.repeat(FARTHEST)}${line.slice(indentation)}` : line;
  const markers = CONTAINERS.exec(near)?.[0].match(/>|[-*+]|\d{1,9}[.)]/gu) ?? [];
  if (markers.length > DEEPEST) {
    const rest = near.slice(CONTAINERS.exec(near)![0].length).trimStart();
    near = `${markers.slice(0, DEEPEST).join(' ')} ${markers
      .slice(DEEPEST)
      .filter((each) => /\d/u.test(each))
      // A number is a word, and must not begin a list again: `1\.`
      .map((each) => each.replace(/[.)]/u, '\\$&'))
      .join(' ')} ${rest}`;
  }
  if (near !== line) remarks.add('Lines nested deeper than a page shows; they stand at the deepest level.');
  return near;
}

/** A paragraph of a quote or an item ends after so many lines that belong to it though they do not say so. */
function withoutLaziness(lines: string[], remarks: Set<string>): string[][] {
  if (lines.length <= LAZY || !lines.some((line) => CONTAINERS.test(line))) return [lines];
  const parts: string[][] = [[]];
  let lazy = 0;
  for (const line of lines) {
    lazy = /^\S/u.test(line) && !line.includes('|') && !CONTAINERS.test(line) ? lazy + 1 : 0;
    if (lazy > LAZY) {
      remarks.add('A paragraph with more lines than can be read at once; it was parted.');
      parts.push([]);
      lazy = 0;
    }
    parts.at(-1)!.push(line);
  }
  return parts;
}

function tamedParagraph(lines: readonly string[], remarks: Set<string>): string[] {
  const table = lines.findIndex((line, index) => index > 0 && line.includes('-') && DELIMITER_ROW.test(line));
  if (table > 0) {
    const cells = lines.slice(table - 1).reduce((sum, line) => sum + countOf(line, '|') + 1, 0);
    if (cells > MAX_CELLS) {
      remarks.add(`A table of more than ${MAX_CELLS} cells; its rows are kept as they were written.`);
      return [...tamedParagraph(lines.slice(0, table - 1), remarks), ...asCode(lines.slice(table - 1))];
    }
  }
  const specials = lines.reduce((sum, line) => sum + (line.match(SPECIALS)?.length ?? 0), 0);
  const isLong = lines.some((line) => line.length > LONGEST);
  if (specials <= TANGLED && !isLong) return [...lines];
  remarks.add('A paragraph with more signs, or longer, than can be read at once; it was parted.');
  return parted(lines.join('\n'));
}

const countOf = (line: string, sign: string): number => line.split(sign).length - 1;

/** Lines as code, in pieces that a block can hold. */
function asCode(lines: readonly string[]): string[] {
  const ticks = '`'.repeat(
    Math.max(
      3,
      ...lines.map((line) => (line.match(/`+/gu) ?? []).reduce((most, each) => Math.max(most, each.length), 0) + 1),
    ),
  );
  const pieces: string[][] = [[]];
  let size = 0;
  for (const line of lines) {
    size += line.length + 1;
    if (size > LONGEST) {
      pieces.push([]);
      size = line.length + 1;
    }
    pieces.at(-1)!.push(line);
  }
  return pieces.flatMap((piece) => ['', ticks, ...piece, ticks, '']);
}

/** A paragraph in several, each with few enough signs; parted at white space, or kept as code where there is none. */
function parted(text: string): string[] {
  const pieces: string[] = [];
  let start = 0;
  while (start < text.length) {
    const end = pieceEnd(text, start);
    const piece = text.slice(start, end).trim();
    const isTangled = (piece.match(SPECIALS)?.length ?? 0) > TANGLED;
    pieces.push(...(isTangled ? asCode([piece]) : [piece, '']));
    start = end;
  }
  return pieces;
}

function pieceEnd(text: string, start: number): number {
  let specials = 0;
  let space = -1;
  for (let at = start; at < text.length; at += 1) {
    if (/\s/u.test(text[at]!)) space = at;
    else if (SPECIAL.test(text[at]!)) specials += 1;
    const isOver = specials > TANGLED || at - start > LONGEST;
    if (isOver && space > start) return space;
    // Without a single space it is cut anyway, but not within a surrogate pair.
    if (at - start > 2 * LONGEST) return /[\uDC00-\uDFFF]/u.test(text[at]!) ? at + 1 : at;
  }
  return text.length;
}

const SPECIAL = new RegExp(SPECIALS.source, 'u');
