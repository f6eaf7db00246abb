import { parse } from 'yaml';
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
  order: strings,
};

export interface ReadFront {
  front: FrontMatter;
  /** Names each key that was not understood. */
  problems: string[];
  /** Each key with the lines that say it, as they were written; the whole under '' when it has no such lines. */
  raw: [key: string, lines: string][];
}

/** Reads YAML front matter. */
export function readFrontMatter(yaml: string): ReadFront {
  const whole: ReadFront['raw'] = yaml.trim() === '' ? [] : [['', yaml]];
  let values: unknown;
  try {
    values = parse(yaml);
  } catch {
    return { front: {}, problems: ['The head of the file is not YAML.'], raw: whole };
  }
  if (typeof values !== 'object' || values === null || Array.isArray(values)) {
    return { front: {}, problems: whole.length > 0 ? ['The head of the file names nothing.'] : [], raw: whole };
  }
  const front: Record<string, unknown> = {};
  const problems: string[] = [];
  for (const [key, value] of Object.entries(values)) {
    const read = Object.hasOwn(READERS, key) ? READERS[key as keyof FrontMatter](value) : undefined;
    if (read === undefined) problems.push(`“${key}” in the head of the file.`);
    else front[key] = read;
  }
  const raw = partsOf(yaml);
  const isParted = Object.keys(values).every((key) => raw.some(([name]) => name === key));
  return { front, problems, raw: isParted ? raw : whole };
}

/** The lines of each key of the outermost level; what stands before the first belongs to none. */
function partsOf(yaml: string): ReadFront['raw'] {
  const parts: [string, string][] = [];
  for (const line of yaml.split(/\r\n?|\n/u)) {
    const key = /^(?:"([^"]+)"|'([^']+)'|([^\s#'"[\]{}>|*&!%@`,-][^:]*?))\s*:(?:\s|$)/u.exec(line);
    if (key) parts.push([key[1] ?? key[2] ?? key[3]!, line]);
    else if (/^#/u.test(line)) parts.push(['', line]);
    else if (parts.length > 0) parts[parts.length - 1]![1] += `\n${line}`;
    else if (line.trim() !== '') parts.push(['', line]);
  }
  return parts;
}
