import { isDay } from '../../calendar/day';
import { oneId, oneOf, readAttributes, textThat, writtenAttributes, type Attributes } from '../attributes';
import { element, type SolidKind } from './kind';

export const LOG_ORDERS = ['newest', 'oldest'] as const;
export type LogOrder = (typeof LOG_ORDERS)[number];

/** From when on a log counts: the present week, month or year. A day may be said instead. */
export const LOG_SPANS = ['week', 'month', 'year'] as const;
export type LogSpan = (typeof LOG_SPANS)[number];

export interface LogAttributes {
  /** What it is the log of; null for the page it stands on. */
  target: string | null;
  /** What comes first. */
  order: LogOrder;
  /** The kind of the pages it lists from; null for all. */
  fromKind: string | null;
  /** A day, a span up to now, or null for all. */
  since: string | null;
}

const isSince = (text: string): boolean => (LOG_SPANS as readonly string[]).includes(text) || isDay(text);

/** Reads the attributes of a log's node; anything odd in them becomes the plainest log. */
export function logOf(attrs: Record<string, unknown> | undefined): LogAttributes {
  const { target, order, fromKind, since } = attrs ?? {};
  return {
    target: typeof target === 'string' ? target : null,
    order: LOG_ORDERS.find((each) => each === order) ?? 'newest',
    fromKind: typeof fromKind === 'string' ? fromKind : null,
    since: typeof since === 'string' && isSince(since) ? since : null,
  };
}

const attributes = {
  target: oneId({ written: 'of' }),
  order: { ...oneOf(LOG_ORDERS, 'newest'), written: 'log' },
  fromKind: oneId({ holdsIds: false, written: 'from' }),
  since: textThat(isSince),
} satisfies Attributes;

/** A live list of what was said of a page, by date (core/log). It holds whose log it is, never a word of it. */
export const log: SolidKind = {
  name: 'log',
  isText: false,
  attributes,
  knownBy: 'Log',
  markdown: {
    // It has no words: the comment is all that there is of it.
    write: ({ attrs }, writing) =>
      writing.said({ log: logOf(attrs).order, ...writtenAttributes(attributes, attrs ?? {}) }),
    readSaid: (said) => (said.log === undefined ? null : { attrs: readAttributes(attributes, said), takesNext: false }),
  },
  html: {
    write: ({ attrs }, data) => {
      const { target, order, fromKind, since } = logOf(attrs);
      return element('section', {
        ...data,
        dataLog: order,
        dataOf: target ?? undefined,
        dataFrom: fromKind ?? undefined,
        dataSince: since ?? undefined,
      });
    },
    readOwn: ({ properties }) => {
      if (typeof properties.dataLog !== 'string') return null;
      const { dataLog, dataOf, dataFrom, dataSince } = properties as Record<string, string>;
      return readAttributes(attributes, { log: dataLog, of: dataOf, from: dataFrom, since: dataSince });
    },
  },
};
