/** Headings underlined in one text beyond which parsing them takes longer than their number: with its square. */
const MANY = 200;

/** `===` or `---` beneath a paragraph makes it a heading (CommonMark 0.31, section 4.3). */
const UNDERLINE = /^ {0,3}(?:=+|-+)[ \t]*$/u;
/** A line that can be nothing but words: no item, quote, table, definition, HTML or heading. */
const PLAIN = /^( {0,3})(?!\d{1,9}[.)](?:[ \t]|$))([\p{L}\p{N}][^|]*[^|#\s]|[\p{L}\p{N}])[ \t]*$/u;

/** Whether so many headings may be underlined that each is to be written in the other way, `# a`. */
export const hasManyUnderlines = (lines: readonly string[]): boolean => {
  let found = 0;
  for (const line of lines) if (UNDERLINE.test(line)) found += 1;
  return found > MANY;
};

/**
 * Lines without an empty one between them, with their underlined headings written the other way:
 *
 *     Gate
 *     ====     becomes   # Gate
 *
 * Where a line may be more than words, it is left; of those left, all but the first `MANY` are no headings any more.
 */
export class Underlines {
  private left = 0;

  rewrite(lines: readonly string[], onLeft: () => void): string[] {
    const written: string[] = [];
    let isStart = true;
    for (let index = 0; index < lines.length; index += 1) {
      const line = lines[index]!;
      const plain = isStart && UNDERLINE.test(lines[index + 1] ?? '') ? PLAIN.exec(line) : null;
      if (plain) {
        index += 1;
        written.push(`${plain[1]}${lines[index]!.trimStart().startsWith('=') ? '#' : '##'} ${plain[2]}`);
        continue;
      }
      if (index > 0 && !isStart && UNDERLINE.test(line) && (this.left += 1) > MANY) {
        written.push(line.replace(/[=-]/u, '\\$&'));
        onLeft();
      } else written.push(line);
      isStart = false;
    }
    return written;
  }
}
