import type { Attribute as NodeAttribute } from '@tiptap/core';
import { isId } from './ids';
import { HIGHLIGHTS } from './types';

/** What a node or a mark says of itself beside its words. */
export interface Attribute {
  /** What it is where nothing is said: left out of JSON, so that a new attribute rewrites nothing that is stored. */
  default: unknown;
  /** Whether it may hold this value, its default among them. */
  check: (value: unknown) => boolean;
  /** Reads it out of the text that a format holds of it; undefined when it can't be that. */
  read: (text: string) => unknown;
  /** The text that a format holds of it; `true` for one that says all by its name. */
  write: (value: unknown) => string | true;
  /** What formats call it, where that is not its name. */
  written?: string;
  /** Whether it holds the ids of others, parted by spaces: what is copied together leads to its copies. */
  holdsIds?: boolean;
  /** Whether it is of this very one: a copy does not have it. */
  isOfOne?: boolean;
}

export type Attributes = Readonly<Record<string, Attribute>>;

const nothingOr = (check: (value: unknown) => boolean) => (value: unknown) =>
  value === null || value === undefined || check(value);

const isIdList = (value: unknown): boolean => typeof value === 'string' && value.split(' ').every(isId);

const checkedText = (check: (value: unknown) => boolean) => (text: string) => (check(text) ? text : undefined);

/** The id of something; null for none. */
export const oneId = (options: Partial<Attribute> = {}): Attribute => ({
  default: null,
  check: nothingOr(isId),
  read: checkedText(isId),
  write: String,
  holdsIds: true,
  ...options,
});

/** Ids parted by spaces; null for none. */
export const someIds = (options: Partial<Attribute> = {}): Attribute => ({
  ...oneId(options),
  check: nothingOr(isIdList),
  read: checkedText(isIdList),
});

/** Text of at most so many UTF-16 units. */
export const textOf = (limit: number, fallback: string | null = ''): Attribute => {
  const isText = (value: unknown) => typeof value === 'string' && value.length <= limit;
  return {
    default: fallback,
    check: fallback === null ? nothingOr(isText) : isText,
    read: checkedText(isText),
    write: String,
  };
};

/** Text of a form; null for none. */
export const textThat = (hasForm: (text: string) => boolean): Attribute => {
  const isSuch = (value: unknown) => typeof value === 'string' && hasForm(value);
  return { default: null, check: nothingOr(isSuch), read: checkedText(isSuch), write: String };
};

/** Texts of a form, at most so many, parted by commas; null for none. */
export const listOf = (hasForm: (text: string) => boolean, most: number): Attribute =>
  textThat((text) => {
    const parts = text.split(',');
    return parts.length <= most && parts.every(hasForm);
  });

/** A number from the least to the most. */
export const numberOf = (least: number, most: number, fallback: number | null = null): Attribute => {
  const isNumber = (value: unknown) => typeof value === 'number' && value >= least && value <= most;
  return {
    default: fallback,
    check: fallback === null ? nothingOr(isNumber) : isNumber,
    read: (text) => (text.trim() !== '' && isNumber(Number(text)) ? Number(text) : undefined),
    write: String,
  };
};

/** One of a few texts or numbers. */
export const oneOf = <T extends string | number>(values: readonly T[], fallback: T | null = null): Attribute => {
  const isOne = (value: unknown) => (values as readonly unknown[]).includes(value);
  return {
    default: fallback,
    check: fallback === null ? nothingOr(isOne) : isOne,
    read: (text) => values.find((value) => String(value) === text),
    write: String,
  };
};

/** Yes, no, or nothing said. */
export const yesOrNo: Attribute = {
  default: null,
  check: nothingOr((value) => typeof value === 'boolean'),
  read: (text) => ({ true: true, yes: true, false: false, no: false })[text],
  write: (value) => (value === true ? true : 'no'),
};

/** Yes, or nothing said. */
export const yes: Attribute = { ...yesOrNo, read: (text) => (text === 'true' ? true : undefined) };

/** What every block says of itself. */
export const PLACE: Attributes = {
  id: oneId(),
  depth: {
    ...numberOf(0, 99, 0),
    // Two honest windows can make an impossible one, which is mended, not refused.
    check: (value) => typeof value === 'number' && Number.isFinite(value),
    read: (text) => (/^\d{1,2}$/u.test(text) ? Number(text) : undefined),
  },
  /** The pigment the block is washed with. */
  tint: oneOf(HIGHLIGHTS),
};

/** An element of a page, as far as attributes are read of it: core knows no DOM. */
export interface Marked {
  getAttribute: (name: string) => string | null;
}

/** Attributes as Tiptap wants them; in the page they are kept as `data-<name>`. */
export const nodeAttributes = (attributes: Attributes): Record<string, NodeAttribute> =>
  Object.fromEntries(
    Object.entries(attributes).map(([name, { default: fallback, read, write }]) => [
      name,
      {
        default: fallback,
        keepOnSplit: false,
        parseHTML: (element: Marked) => {
          const text = element.getAttribute(`data-${name}`);
          return (text === null ? undefined : read(text)) ?? fallback;
        },
        renderHTML: (values: Record<string, unknown>) => {
          const value = values[name];
          return value === null || value === undefined ? {} : { [`data-${name}`]: String(write(value)) };
        },
      },
    ]),
  ) as Record<string, NodeAttribute>;

/** Those that say something, each in the text that formats hold of it, by what formats call it; but for some names. */
export function writtenAttributes(
  attributes: Attributes,
  values: Readonly<Record<string, unknown>>,
  but: readonly string[] = [],
): Record<string, string | true> {
  const texts: Record<string, string | true> = {};
  for (const name in attributes) {
    const value = values[name];
    if (value === undefined || value === null || but.includes(name)) continue;
    const { default: fallback, write, written = name } = attributes[name]!;
    if (value !== fallback) texts[written] = write(value);
  }
  return texts;
}

/** What the texts say, by the attributes' own names; what can't be is passed over. */
export const readAttributes = (
  attributes: Attributes,
  texts: Readonly<Record<string, string | undefined>>,
): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(attributes).flatMap(([name, { read, written = name }]) => {
      const text = texts[written];
      const value = text === undefined ? undefined : read(text);
      return value === undefined ? [] : [[name, value]];
    }),
  );
