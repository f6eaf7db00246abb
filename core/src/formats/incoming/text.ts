import type { NodeJson } from '../../document';
import { ENDINGS } from './endings';
import { lineOf, pageRead, type Reader } from './reader';

/** How long the lines of a text are that was broken to fit a window of old, in letters. */
const BROKEN = { from: 50, to: 92 };
const TAB = 4;

/** Plain text: a line each, of a paragraph that was broken into lines of one length one line. */
export const text: Reader = {
  endings: ENDINGS.text,
  read: ({ path, text: written }) => [pageRead(path, {}, linesOf(written))],
};

function linesOf(written: string): NodeJson[] {
  const paragraphs = written.split(/(?:\r\n?|\n)[ \t]*(?=\r|\n)/u);
  return paragraphs.flatMap((paragraph) => {
    const lines = paragraph.split(/\r\n?|\n/u).filter((line) => line.trim() !== '');
    if (isBroken(lines)) return [lineOf(lines.map((line) => line.trim()).join(' '))];
    return lines.map((line) => lineOf(line.trim(), depthOf(line)));
  });
}

const isBroken = (lines: readonly string[]): boolean =>
  lines.length > 2 &&
  lines.slice(0, -1).every((line) => line.length >= BROKEN.from && line.length <= BROKEN.to && !/^\s/u.test(line));

/** How far a line is indented: by tabs, or by four spaces each. */
const depthOf = (line: string): number => {
  const [space] = /^[ \t]*/u.exec(line)!;
  return Math.min(
    8,
    [...space].filter((sign) => sign === '\t').length + Math.floor(space.replaceAll('\t', '').length / TAB),
  );
};
