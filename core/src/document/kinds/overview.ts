import { CONTENTS_ORDERS, type ContentsOrder } from '../../outline/contents';
import { oneId, oneOf, readAttributes, someIds, writtenAttributes, type Attributes } from '../attributes';
import { element, type SolidKind } from './kind';

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

const attributes = {
  subject: { ...oneOf(OVERVIEW_SUBJECTS, 'headings'), written: 'overview' },
  target: oneId(),
  levels: oneOf(OVERVIEW_LEVELS, 0),
  order: oneOf(CONTENTS_ORDERS, 'place'),
  chosen: someIds(),
} satisfies Attributes;

/** A live list of headings, pages or chosen places (core/overview). It holds what it lists by id, never its words. */
export const overview: SolidKind = {
  name: 'overview',
  isText: false,
  attributes,
  knownBy: 'Overview',
  markdown: {
    // It has no words: the comment is all that there is of it.
    write: ({ attrs }, writing) =>
      writing.said({ overview: overviewOf(attrs).subject, ...writtenAttributes(attributes, attrs ?? {}) }),
    readSaid: (said) =>
      said.overview === undefined ? null : { attrs: readAttributes(attributes, said), takesNext: false },
  },
  html: {
    write: ({ attrs }, data) => {
      const { subject, target, levels, order, chosen } = overviewOf(attrs);
      return element('nav', {
        ...data,
        dataOverview: subject,
        dataOf: target ?? undefined,
        dataLevels: String(levels),
        dataOrder: order,
        dataChosen: chosen.join(' ') || undefined,
      });
    },
    readOwn: ({ properties }) => {
      if (typeof properties.dataOverview !== 'string') return null;
      const { dataOverview, dataOf, dataLevels, dataOrder, dataChosen } = properties as Record<string, string>;
      return readAttributes(attributes, {
        overview: dataOverview,
        target: dataOf,
        levels: dataLevels,
        order: dataOrder,
        chosen: dataChosen,
      });
    },
  },
};
