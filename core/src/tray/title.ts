/** The most characters of a title that is made of the first words of a jotting. */
const MAX_TITLE = 60;

/**
 * The title of a page that is made of a jotting: its first line to the end of its first sentence, cut between words
 * where that is long.
 */
export function titleOfJotting(firstLine: string): string {
  const line = firstLine.replace(/\s+/gu, ' ').trim();
  const sentence = /^.{8,}?[.!?:;](?=\s)/u.exec(line)?.[0].slice(0, -1) ?? line.replace(/[.:;]$/u, '');
  if (sentence.length <= MAX_TITLE) return sentence;
  const cut = sentence.slice(0, MAX_TITLE + 1);
  const end = cut.lastIndexOf(' ');
  return (end > MAX_TITLE / 2 ? cut.slice(0, end) : cut.slice(0, MAX_TITLE)).replace(/[\s,–-]+$/u, '');
}
