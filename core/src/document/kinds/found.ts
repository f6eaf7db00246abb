import { numberOf, oneOf, readAttributes, textOf, writtenAttributes, type Attributes } from '../attributes';
import { element, type SolidKind } from './kind';

/** What of the pages that a search finds is listed: themselves, their lines that fit, or their open tasks. */
export const LISTED = ['pages', 'lines', 'tasks'] as const;
export type Listed = (typeof LISTED)[number];

/** What comes first. */
export const LISTED_ORDERS = ['best', 'newest', 'oldest', 'title'] as const;
export type ListedOrder = (typeof LISTED_ORDERS)[number];

/** The most that a list shows, and how many it shows where nothing is said. */
export const MOST_LISTED = 100;
const LISTED_AT_FIRST = 10;
/** As long as a query line is read (find/query), and as long as the name of a search. */
const LONGEST_SEARCH = 500;
const LONGEST_NAME = 120;

export interface FoundListAttributes {
  /** The query line. */
  line: string;
  /** What the list is called; nothing where the line says it. */
  name: string;
  of: Listed;
  order: ListedOrder;
  most: number;
}

const attributes = {
  of: { ...oneOf(LISTED, 'pages'), written: 'found' },
  line: { ...textOf(LONGEST_SEARCH), written: 'search' },
  name: { ...textOf(LONGEST_NAME), written: 'called' },
  order: oneOf(LISTED_ORDERS, 'best'),
  most: numberOf(1, MOST_LISTED, LISTED_AT_FIRST),
} satisfies Attributes;

/** Reads the attributes of such a list's node; anything odd in them becomes the plainest. */
export function foundListOf(attrs: Record<string, unknown> | undefined): FoundListAttributes {
  const { line, name, of, order, most } = attrs ?? {};
  return {
    line: attributes.line.check(line) ? String(line) : '',
    name: attributes.name.check(name) ? String(name) : '',
    of: LISTED.find((each) => each === of) ?? 'pages',
    order: LISTED_ORDERS.find((each) => each === order) ?? 'best',
    most: attributes.most.check(most) ? Number(most) : LISTED_AT_FIRST,
  };
}

/** A live list of what a search finds. It holds what is searched for, never what was found. */
export const found: SolidKind = {
  name: 'found',
  isText: false,
  attributes,
  knownBy: 'List of what is found',
  markdown: {
    // It has no words: the comment is all that there is of it.
    write: ({ attrs }, writing) =>
      writing.said({ found: foundListOf(attrs).of, ...writtenAttributes(attributes, attrs ?? {}) }),
    readSaid: (said) =>
      said.found === undefined ? null : { attrs: readAttributes(attributes, said), takesNext: false },
  },
  html: {
    write: ({ attrs }, data) => {
      const { line, name, of, order, most } = foundListOf(attrs);
      return element('section', {
        ...data,
        dataFound: of,
        dataSearch: line,
        dataCalled: name,
        dataOrder: order,
        dataMost: String(most),
      });
    },
    readOwn: ({ properties }) => {
      if (typeof properties.dataFound !== 'string') return null;
      const { dataFound, dataSearch, dataCalled, dataOrder, dataMost } = properties as Record<string, string>;
      const said = { found: dataFound, search: dataSearch, called: dataCalled, order: dataOrder, most: dataMost };
      return readAttributes(attributes, said);
    },
  },
};
