import { NameIndex } from '../names/names';
import { foldWords } from '../words/words';
import { carriedSeason, type Season } from '../outline/season';
import type { EntryKind, Outside, Pigment } from '../outline/entry';
import { isNearlySame } from '../links/near';
import { linkState } from '../links/state';
import type { Target } from '../links/target';

/** Anything with a name that a link can lead to, as the picker is told of it. */
export interface Pickable {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  title: string;
  /** Its other names. */
  names: string[];
  /** What it is: the names of its kinds. */
  kinds: string[];
  day: string | null;
  standsIn: Outside | null;
  pigment: Pigment | null;
  /** Its own season; null for now. */
  season: Exclude<Season, 'now'> | null;
  isDeleted: boolean;
  isEmpty: boolean;
}

/** What the picker offers: a target, and the other name that was typed if it was one. */
export interface Offer extends Target {
  kind: EntryKind;
  /** The other name by which it was found. */
  alias: string | null;
}

/** Where the link is being written, and what was on the screen lately. */
export interface PickContext {
  /** The page that is written on; it is not offered. */
  pageId: string;
  /** What the page stands in, the notebook first. */
  trail: readonly string[];
  /** Pages opened last, the latest first. */
  recent: readonly string[];
  /** The words that were selected and are to become the link. */
  selected: string | null;
}

/** How many of those that fit by letters are ranked by what else is known. */
const CONSIDERED = 60;

/** What counts for how much: letters most, then what was opened lately, then what stands near. */
export const PICK_WEIGHTS = { exact: 100, begins: 60, beginsWord: 45, within: 30, slip: 10, recent: 14, near: 12 };

/** Everything a link can lead to, for choosing from while typing. */
export class Pickables {
  private index = new NameIndex();
  private entries = new Map<string, Pickable>();

  get size(): number {
    return this.entries.size;
  }

  set(entry: Pickable): void {
    this.entries.set(entry.id, entry);
    this.index.set(entry.id, entry.title, entry.parentId, entry.names, entry.kinds);
  }

  delete(id: string): void {
    this.entries.delete(id);
    this.index.delete(id);
  }

  /** What fits what was typed, best first. Nothing typed offers what was opened last. */
  offers(typed: string, context: PickContext, limit: number): Offer[] {
    const needle = foldWords(typed).trim();
    const wanted = needle === '' ? context.recent : this.index.search(typed, CONSIDERED);
    const found = wanted
      .filter((id) => id !== context.pageId)
      .flatMap((id) => this.offer(id, needle) ?? [])
      .filter(({ state }) => state !== 'binned');
    if (needle === '') return found.slice(0, limit);
    const points = new Map(found.map((offer, place) => [offer.id, this.points(offer, needle, context) - place / 100]));
    return found.sort((one, other) => points.get(other.id)! - points.get(one.id)!).slice(0, limit);
  }

  /** Those with nearly this title, the likeliest first. */
  near(title: string): Offer[] {
    const named = this.index.search(title, CONSIDERED).flatMap((id) => this.offer(id, '') ?? []);
    return named.filter(
      ({ id, state, kind }) =>
        kind === 'page' && state !== 'binned' && this.namesOf(id).some((name) => isNearlySame(name, title)),
    );
  }

  /** Those that are called exactly so, by title or other name. */
  called(name: string): Offer[] {
    const folded = foldWords(name).trim();
    return this.index
      .search(name, CONSIDERED)
      .filter((id) => this.namesOf(id).some((each) => foldWords(each).trim() === folded))
      .flatMap((id) => this.offer(id, '') ?? [])
      .filter(({ state }) => state !== 'binned');
  }

  private namesOf(id: string): string[] {
    const entry = this.entries.get(id);
    return entry ? [entry.title, ...entry.names] : [];
  }

  private points(offer: Offer, needle: string, context: PickContext): number {
    const letters = Math.max(
      ...this.namesOf(offer.id).map((name, place) => letterPoints(foldWords(name), needle) - (place > 0 ? 1 : 0)),
    );
    const recency = context.recent.indexOf(offer.id);
    const recent = recency < 0 ? 0 : PICK_WEIGHTS.recent * (1 - recency / Math.max(context.recent.length, 1));
    const selected = context.selected !== null && isNearlySame(offer.title, context.selected) ? PICK_WEIGHTS.exact : 0;
    return letters + recent + PICK_WEIGHTS.near * this.nearness(offer, context) + selected;
  }

  /** How much of the way to here is the same: 1 for what stands in the same place or beneath this page. */
  private nearness(offer: Offer, context: PickContext): number {
    const way = offer.trail.map(({ id }) => id);
    if (way.includes(context.pageId)) return 1;
    if (context.trail.length === 0) return 0;
    let shared = 0;
    while (shared < context.trail.length && way[shared] === context.trail[shared]) shared += 1;
    return shared / context.trail.length;
  }

  private offer(id: string, needle: string): Offer | null {
    const entry = this.entries.get(id);
    if (!entry) return null;
    const line: Pickable[] = [];
    for (let step: Pickable | undefined = entry; step; step = this.above(step, line)) line.unshift(step);
    const season = carriedSeason(line.map((step) => step.season ?? 'now'));
    const isDeleted = line.some((step) => step.isDeleted);
    const isByTitle = needle === '' || foldWords(entry.title).includes(needle);
    return {
      id,
      kind: entry.kind,
      pageId: id,
      title: entry.title,
      state: linkState({ isDeleted, season, isEmpty: entry.isEmpty, kind: entry.kind }),
      season,
      trail: line.slice(0, -1).map((step) => ({ id: step.id, kind: step.kind, name: step.title })),
      pigment: line[0]!.pigment,
      day: entry.day,
      standsIn: entry.standsIn,
      alias: isByTitle ? null : (entry.names.find((name) => foldWords(name).includes(needle)) ?? null),
    };
  }

  private above(step: Pickable, line: readonly Pickable[]): Pickable | undefined {
    return step.parentId === null || line.length > 100 ? undefined : this.entries.get(step.parentId);
  }
}

function letterPoints(name: string, needle: string): number {
  if (name === needle) return PICK_WEIGHTS.exact;
  if (name.startsWith(needle)) return PICK_WEIGHTS.begins;
  const place = name.indexOf(needle);
  if (place < 0) return PICK_WEIGHTS.slip;
  return /[\p{L}\p{N}]/u.test(name.charAt(place - 1)) ? PICK_WEIGHTS.within : PICK_WEIGHTS.beginsWord;
}

/**
 * Parts what was typed into a page's name and what is looked for on it: every way to part it at a space, the longest
 * name first.
 */
export function partings(typed: string): { name: string; rest: string }[] {
  const parts: { name: string; rest: string }[] = [];
  for (let at = typed.lastIndexOf(' '); at > 0; at = typed.lastIndexOf(' ', at - 1)) {
    const name = typed.slice(0, at).trim();
    if (name.length >= 2) parts.push({ name, rest: typed.slice(at + 1).trim() });
  }
  return parts;
}
