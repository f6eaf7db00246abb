import { block, body } from '../document/build';
import { canonical } from '../document/canonical';
import { isHeading, levelOf, type OverviewAttributes } from '../document/kinds';
import { ownWords } from '../document/text';
import type { BodyJson, NodeJson } from '../document/types';

export {
  OVERVIEW_LEVELS,
  OVERVIEW_SUBJECTS,
  overviewOf,
  type OverviewAttributes,
  type OverviewSubject,
} from '../document/kinds';

export interface HeadingLine {
  id: string;
  words: string;
  /** 1 for the highest level that stands on the page. */
  level: number;
  /** "2.1": its number among the headings of its level. */
  number: string;
}

/**
 * The headings of a body as the lines of an overview. Levels count from the highest one in use, so that a page which
 * begins at the second level is not set in; a level that was left out counts as one step.
 */
export function headingLines(
  content: readonly NodeJson[],
  levels: number,
  wordsOf: (node: NodeJson) => string = ownWords,
): HeadingLine[] {
  const lines: HeadingLine[] = [];
  const open: number[] = [];
  const counts: number[] = [];
  for (const node of content) {
    if (!isHeading(node)) continue;
    const written = levelOf(node);
    while (open.length > 0 && open[open.length - 1]! >= written) open.pop();
    open.push(written);
    const level = open.length;
    counts.length = Math.min(counts.length, level);
    counts[level - 1] = (counts[level - 1] ?? 0) + 1;
    if (levels > 0 && level > levels) continue;
    lines.push({ id: String(node.attrs?.id), words: wordsOf(node).trim(), level, number: counts.join('.') });
  }
  return lines;
}

/** The node of an overview of what stands beneath something. */
export const overviewNode = (id: string, attributes: Partial<OverviewAttributes>): NodeJson => {
  const { chosen = [], ...rest } = attributes;
  return canonical({ type: 'overview', attrs: { id, ...rest, chosen: chosen.join(' ') || null } });
};

/** The body of a page that begins with an overview, with an empty line after it to write in. */
export const overviewBody = (overviewId: string, lineId: string, target: string): BodyJson =>
  body(overviewNode(overviewId, { subject: 'beneath', target }), block('paragraph', [], { id: lineId }));
