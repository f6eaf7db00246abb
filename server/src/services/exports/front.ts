import type { Placed } from '@glossarion/core/formats/account';
import type { ExportedEntry } from './entries';
import type { Outgoing } from './outgoing';

const orUndefined = <T>(value: T | null | '' | 0): T | undefined =>
  value === null || value === '' || value === 0 ? undefined : value;

/** What the head of an entry's file says of it; `order` are the names of what stands in it. */
export const frontOf = (entry: ExportedEntry, names: readonly string[] | undefined, order?: readonly string[]) => ({
  id: entry.id,
  title: entry.day === null ? entry.name : undefined,
  begun: entry.begunAt,
  changed: entry.changedAt,
  season: orUndefined(entry.season),
  pigment: orUndefined(entry.pigment),
  ornament: orUndefined(entry.ornament),
  description: orUndefined(entry.description),
  leaves: entry.showsLeaves === 1 ? true : undefined,
  binned: orUndefined(entry.deletedAt),
  aliases: names && names.length > 0 ? names : undefined,
  order: order && order.length > 0 ? order : undefined,
});

/** Whether an entry is listed with what it stands in: days, weeks and jottings have an order of their own. */
export const isListed = ({ day, period, jotting }: ExportedEntry): boolean =>
  day === null && period === null && jotting === null;

/** By what they stand in, what is listed there, in its order; by '' what stands in nothing that goes out. */
export function listed(outgoing: Outgoing): Map<string, ExportedEntry[]> {
  const { roots } = outgoing;
  const lists = new Map<string, ExportedEntry[]>();
  for (const entry of outgoing.entries) {
    if (!isListed(entry)) continue;
    const holder = roots.has(entry.id) ? '' : (entry.parentId ?? '');
    const own = lists.get(holder);
    if (own) own.push(entry);
    else lists.set(holder, [entry]);
  }
  return lists;
}

/** By what they stand in, the names of what has a file or a folder there. */
export function ordersOf(outgoing: Outgoing, placed: ReadonlyMap<string, Placed>): Map<string, string[]> {
  return new Map([...listed(outgoing)].map(([id, entries]) => [id, entries.map((each) => placed.get(each.id)!.name)]));
}
