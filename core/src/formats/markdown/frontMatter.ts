import { parse } from 'yaml';
import { isId } from '../../document/ids';
import { ORNAMENTS, PIGMENTS, type Ornament, type Pigment } from '../../outline/entry';
import { SEASONS, type Season } from '../../outline/season';

/** What the head of a file may say. Anything else in it is reported, not kept. */
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

/** One reader for each known key; undefined means the value makes no sense there. */
const READERS: { [K in keyof Required<FrontMatter>]: (value: unknown) => FrontMatter[K] | undefined } = {
  id: (value) => (isId(value) ? value : undefined),
  title: (value) => (value === null || typeof value === 'object' ? undefined : String(value)),
  begun: moment,
  changed: moment,
  season: (value) => SEASONS.find((each) => each === value),
  leaves: (value) => (typeof value === 'boolean' ? value : undefined),
  pigment: (value) => PIGMENTS.find((each) => each === value),
  ornament: (value) => ORNAMENTS.find((each) => each === value),
  description: (value) => (typeof value === 'string' ? value : undefined),
  tags: strings,
  aliases: names,
  order: strings,
};

/** Reads YAML front matter. `problems` names each key that was not understood. */
export function readFrontMatter(yaml: string): { front: FrontMatter; problems: string[] } {
  let values: unknown;
  try {
    values = parse(yaml);
  } catch {
    return { front: {}, problems: ['The head of the file is not YAML.'] };
  }
  if (typeof values !== 'object' || values === null || Array.isArray(values)) return { front: {}, problems: [] };
  const front: Record<string, unknown> = {};
  const problems: string[] = [];
  for (const [key, value] of Object.entries(values)) {
    const read = Object.hasOwn(READERS, key) ? READERS[key as keyof FrontMatter](value) : undefined;
    if (read === undefined) problems.push(`“${key}” in the head of the file.`);
    else front[key] = read;
  }
  return { front, problems };
}
