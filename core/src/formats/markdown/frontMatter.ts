import { parse as parseToml, TomlDate } from 'smol-toml';
import { parse as parseYaml } from 'yaml';
import { MAX_KIND_NAME } from '../../kinds/field';
import { isId } from '../../document/ids';
import { ORNAMENTS, PIGMENTS, type Ornament, type Pigment } from '../../outline/entry';
import { readFrontFields, type FrontField } from './fields';
import { SEASONS, type Season } from '../../outline/season';

/** What the head of a file may say. Anything else in it is said, and kept as it was written. */
export interface FrontMatter {
  id?: string;
  title?: string;
  begun?: string;
  changed?: string;
  season?: Season;
  /** Whether the page shows the pages beneath it as leaves. */
  leaves?: boolean;
  pigment?: Pigment;
  ornament?: Ornament;
  description?: string;
  tags?: string[];
  /** Other names of a page. */
  aliases?: string[];
  /** The names of the kinds that a page is of, and what it says in their fields. */
  kinds?: string[];
  fields?: Record<string, FrontField>;
  /** Since when it is in the bin. */
  binned?: string;
  /** The names of what a folder holds, in their order. */
  order?: string[];
}

const strings = (value: unknown): string[] =>
  Array.isArray(value) ? value.map(String) : typeof value === 'string' ? value.split(/[,\s]+/u).filter(Boolean) : [];

const moment = (value: unknown): string | undefined => {
  const date = new Date(String(value));
  return Number.isNaN(date.getTime()) ? undefined : date.toISOString();
};

/** Names may hold spaces: only a list, or one name a string, is read as such. */
const names = (value: unknown): string[] | undefined =>
  Array.isArray(value) ? value.map(String).filter(Boolean) : typeof value === 'string' ? [value] : undefined;

/** Names that can be kept as such; none of them when one is too long. */
const within = (found: string[] | undefined, limit: number): string[] | undefined =>
  found?.every((name) => name.length <= limit) ? found : undefined;

/** One reader for each known key; undefined means the value makes no sense there. */
const READERS: { [K in keyof Required<FrontMatter>]: (value: unknown) => FrontMatter[K] | undefined } = {
  // Ids are compared in small letters.
  id: (value) => (isId(value) ? value.toLowerCase() : undefined),
  title: (value) => (value === null || typeof value === 'object' ? undefined : String(value)),
  begun: moment,
  changed: moment,
  season: (value) => SEASONS.find((each) => each === value),
  leaves: (value) => (typeof value === 'boolean' ? value : undefined),
  pigment: (value) => PIGMENTS.find((each) => each === value),
  ornament: (value) => ORNAMENTS.find((each) => each === value),
  description: (value) => (typeof value === 'string' && value.length <= 2_000 ? value : undefined),
  tags: (value) => within(strings(value), 200),
  aliases: (value) => within(names(value), 400),
  kinds: (value) => within(names(value), MAX_KIND_NAME),
  fields: readFrontFields,
  binned: moment,
  // Names may hold spaces and commas.
  order: (value) => names(value),
};

export interface ReadFront {
  front: FrontMatter;
  /** Names each key that was not understood. */
  problems: string[];
  /** Each key with the lines that say it, as they were written; the whole under '' when it has no such lines. */
  raw: [key: string, lines: string][];
}

/** Reads what the head of a file says, whatever it was written in. */
export function readFrontValues(values: Readonly<Record<string, unknown>>): Pick<ReadFront, 'front' | 'problems'> {
  const front: Record<string, unknown> = {};
  const problems: string[] = [];
  for (const [key, value] of Object.entries(values)) {
    const read = Object.hasOwn(READERS, key) ? READERS[key as keyof FrontMatter](value) : undefined;
    if (read === undefined) problems.push(`“${key}” in the head of the file.`);
    else front[key] = read;
  }
  return { front, problems };
}

/** How heads are parsed, and how a line of theirs begins that names a key of the outermost level. */
const HEADS = {
  yaml: {
    name: 'YAML',
    parse: parseYaml as (text: string) => unknown,
    key: /^(?:"([^"]+)"|'([^']+)'|([^\s#'"[\]{}>|*&!%@`,-][^:]*?))\s*:(?:\s|$)/u,
  },
  toml: {
    name: 'TOML',
    parse: (text: string): unknown => plainDates(parseToml(text)),
    // `[extra]` and `[[authors]]` begin a table, whose keys are its own.
    key: /^(?:"([^"]+)"|'([^']+)'|([\w-]+)(?=\s*[.=])|\[\[?\s*([\w-]+))/u,
  },
};

/** Moments as ISO 8601 writes them, as YAML has them. */
function plainDates(value: unknown): unknown {
  if (value instanceof TomlDate) return value.toISOString();
  if (Array.isArray(value)) return value.map(plainDates);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, plainDates(each)]));
}

/** Reads the head of a file. */
export function readFrontMatter(text: string, form: keyof typeof HEADS = 'yaml'): ReadFront {
  const { name, parse, key } = HEADS[form];
  const whole: ReadFront['raw'] = text.trim() === '' ? [] : [['', text]];
  let values: unknown;
  try {
    values = parse(text);
  } catch {
    return { front: {}, problems: [`The head of the file is not ${name}.`], raw: whole };
  }
  if (typeof values !== 'object' || values === null || Array.isArray(values)) {
    return { front: {}, problems: whole.length > 0 ? ['The head of the file names nothing.'] : [], raw: whole };
  }
  const { front, problems } = readFrontValues(values as Record<string, unknown>);
  const raw = partsOf(text, key);
  const isParted = Object.keys(values).every((each) => raw.some(([said]) => said === each));
  return { front, problems, raw: isParted ? raw : whole };
}

/** The lines of each key of the outermost level; what stands before the first belongs to none. */
function partsOf(text: string, begins: RegExp): ReadFront['raw'] {
  const parts: [string, string][] = [];
  for (const line of text.split(/\r\n?|\n/u)) {
    const key = begins.exec(line);
    if (key) parts.push([(key[1] ?? key[2] ?? key[3] ?? key[4])!, line]);
    else if (/^#/u.test(line)) parts.push(['', line]);
    else if (parts.length > 0) parts[parts.length - 1]![1] += `\n${line}`;
    else if (line.trim() !== '') parts.push(['', line]);
  }
  return parts;
}
