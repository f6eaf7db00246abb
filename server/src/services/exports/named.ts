import type { NamedInFile, Placed } from '@glossarion/core/formats/account';
import type { EntryReader } from '../entries';

const ID = /"([\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12})"/gu;
const OF_BLOCK = '"id":';

/**
 * All that a stored body names by an id, but for the ids of its blocks: what it leads to, wears, shows or gathers, in
 * lists too, as those of the pages in a field.
 */
export function idsIn(json: string): Set<string> {
  const ids = new Set<string>();
  for (const { 0: whole, 1: id, index } of json.matchAll(ID)) {
    const before = json[index - 1]!;
    const after = json[index + whole.length]!;
    const isNamed = before === ':' && !json.endsWith(OF_BLOCK, index);
    if (isNamed || ('[,'.includes(before) && ',]'.includes(after))) ids.add(id!);
  }
  return ids;
}

/**
 * How what a body names is called, and in which file it is.
 *
 * @param dayPath where a day is taken to be that does not go out
 */
export function namedIn(
  ids: Iterable<string>,
  reader: EntryReader,
  placed: ReadonlyMap<string, Placed>,
  titles: ReadonlyMap<string, string>,
  dayPath: (day: string) => string | null = (day) => `Journal/${day}.md`,
): Record<string, NamedInFile> {
  const named: Record<string, NamedInFile> = {};
  for (const id of ids) {
    const title = titles.get(id);
    if (title !== undefined) {
      named[id] = { title, path: placed.get(id)?.path ?? null };
      continue;
    }
    const target = reader.target(id);
    if (target.title === '' && target.state === 'gone') continue;
    const isDay = target.day !== null && target.kind === 'page';
    const path = placed.get(target.pageId)?.path ?? (isDay ? dayPath(target.day!) : null);
    const day = isDay && path === null ? { day: target.day! } : {};
    named[id] = { title: target.title, path, ...(target.kind === 'block' && { anchor: id }), ...day };
  }
  return named;
}
