import { CONTENTS_ORDERS, type ContentsOrder } from '../outline/contents';
import { ownWords } from '../document/text';
import { block, body } from '../document/build';
import type { BodyJson, NodeJson } from '../document/types';

/** What an overview lists: this page's headings, what stands beneath something, or pages and blocks chosen by hand. */
export const OVERVIEW_SUBJECTS = ['headings', 'beneath', 'chosen'] as const;
export type OverviewSubject = (typeof OVERVIEW_SUBJECTS)[number];

/** How many levels down an overview goes; 0 for all. */
export const OVERVIEW_LEVELS = [1, 2, 3, 0] as const;

export interface OverviewAttributes {
  subject: OverviewSubject;
  /** For `beneath`: the page, section or notebook; null for the page the overview stands on. */
  target: string | null;
  levels: number;
  order: ContentsOrder;
  /** For `chosen`: ids in their order. */
  chosen: string[];
}

/** Reads the attributes of an overview's node; anything odd in them becomes the plainest overview. */
export function overviewOf(attrs: Record<string, unknown> | undefined): OverviewAttributes {
  const { subject, target, levels, order, chosen } = attrs ?? {};
  return {
    subject: OVERVIEW_SUBJECTS.find((each) => each === subject) ?? 'headings',
    target: typeof target === 'string' ? target : null,
    levels: typeof levels === 'number' ? levels : 0,
    order: CONTENTS_ORDERS.find((each) => each === order) ?? 'place',
    chosen: typeof chosen === 'string' ? chosen.split(' ').filter(Boolean) : [],
  };
}

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
    if (node.type !== 'block' || node.attrs?.kind !== 'heading') continue;
    const written = Number(node.attrs.level ?? 2);
    while (open.length > 0 && open[open.length - 1]! >= written) open.pop();
    open.push(written);
    const level = open.length;
    counts.length = Math.min(counts.length, level);
    counts[level - 1] = (counts[level - 1] ?? 0) + 1;
    if (levels > 0 && level > levels) continue;
    lines.push({ id: String(node.attrs.id), words: wordsOf(node).trim(), level, number: counts.join('.') });
  }
  return lines;
}

/** The node of an overview of what stands beneath something. */
export const overviewNode = (id: string, attributes: Partial<OverviewAttributes>): NodeJson => {
  const { subject, target, levels, order, chosen } = { ...overviewOf({}), ...attributes };
  return {
    type: 'overview',
    attrs: {
      id,
      depth: 0,
      tint: null,
      subject,
      target,
      levels,
      order,
      chosen: chosen.length > 0 ? chosen.join(' ') : null,
    },
  };
};

/** The body of a page that begins with an overview, with an empty line after it to write in. */
export const overviewBody = (overviewId: string, lineId: string, target: string): BodyJson =>
  body(overviewNode(overviewId, { subject: 'beneath', target }), block('paragraph', [], { id: lineId }));
