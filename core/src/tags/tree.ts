import { wordsIn } from '../words/words';
import type { Pigment } from '../outline/entry';
import { foldTag, tagKey, writtenTag } from './path';

/** A tag as it is stored. */
export interface Tag {
  id: string;
  /** The tag it stands beneath; null at the outermost level. */
  parentId: string | null;
  /** Its own name, without those of what it stands beneath. */
  name: string;
  pigment: Pigment | null;
  /** The tag that it was merged into, which stands for it wherever it is worn or typed. */
  mergedInto: string | null;
  /** Since when it is deleted: what wore it shows its name as words like others. */
  deletedAt: string | null;
}

/** A tag of which nothing is said yet but what it is called. */
export const newTag = (id: string, name = '', parentId: string | null = null): Tag => ({
  id,
  name,
  parentId,
  pigment: null,
  mergedInto: null,
  deletedAt: null,
});

/** The longest name of a tag, in characters. */
export const MAX_TAG_NAME = 200;

interface Placed {
  tag: Tag;
  /** From the outermost to the tag that stands for it. */
  path: readonly Tag[];
  isGone: boolean;
}

/** The tags whose paths hold a folded word, those with the shortest names first; and the words in their order. */
interface TagWords {
  tagsOf: ReadonlyMap<string, string[]>;
  inOrder: readonly string[];
}

/** Of more tags than these that a word begins to name, the shortest is not looked for. */
const CONSIDERED = 50;

function wordsOf(tags: Iterable<Placed>): TagWords {
  const tagsOf = new Map<string, string[]>();
  const name = ({ path }: Placed) => writtenTag(path.map((each) => each.name));
  for (const each of [...tags].sort((one, other) => name(one).length - name(other).length)) {
    for (const word of new Set(wordsIn(name(each)).map((found) => found.word))) {
      tagsOf.set(word, [...(tagsOf.get(word) ?? []), each.tag.id]);
    }
  }
  return { tagsOf, inOrder: [...tagsOf.keys()].sort() };
}

/** Where the first of these stands that is not before a word. */
function firstFrom(words: readonly string[], word: string): number {
  let [from, to] = [0, words.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (words[middle]! < word) from = middle + 1;
    else to = middle;
  }
  return from;
}

const byName = (one: Tag, other: Tag): number => (foldTag(one.name) < foldTag(other.name) ? -1 : 1);

/** What a tag was merged into, and that into; itself where it was not. A circle ends. */
function standingFor(tag: Tag, rows: ReadonlyMap<string, Tag>): Tag {
  let present = tag;
  for (const seen = new Set([tag.id]); present.mergedInto !== null;) {
    const next = rows.get(present.mergedInto);
    if (!next || seen.has(next.id)) break;
    seen.add(next.id);
    present = next;
  }
  return present;
}

/** The tags of somebody, by what they stand beneath. */
export class TagTree {
  private known: ReadonlyMap<string, Placed>;
  /** Made when a word is looked for. */
  private words: TagWords | undefined;

  /** @param tags what a tag stands beneath is among them, or it stands at the outermost level */
  constructor(tags: readonly Tag[]) {
    const rows = new Map(tags.map((tag) => [tag.id, tag]));
    const pathTo = (tag: Tag): Tag[] => {
      const path: Tag[] = [];
      for (let each: Tag | undefined = tag; each && !path.includes(each);) {
        each = standingFor(each, rows);
        if (path.includes(each)) break;
        path.unshift(each);
        each = rows.get(each.parentId ?? '');
      }
      return path;
    };
    this.known = new Map(
      tags.map((tag) => {
        const path = pathTo(tag);
        return [tag.id, { tag, path, isGone: path.some(({ deletedAt }) => deletedAt !== null) }];
      }),
    );
  }

  get(id: string): Tag | undefined {
    return this.known.get(id)?.tag;
  }

  /** All of them as they are stored. */
  rows(): Tag[] {
    return [...this.known.values()].map(({ tag }) => tag);
  }

  /** The tag that stands for one now: itself, or what it was merged into. */
  present(id: string): Tag | undefined {
    return this.known.get(id)?.path.at(-1);
  }

  /** Whether a tag, or one that it stands beneath, is deleted. */
  isGone(id: string): boolean {
    return this.known.get(id)?.isGone ?? true;
  }

  /** The names of what a tag stands beneath, and its own last; none when there is no such tag. */
  pathOf(id: string): string[] {
    return this.known.get(id)?.path.map(({ name }) => name) ?? [];
  }

  /** The ids of what a tag stands beneath, and last of what stands for it. */
  line(id: string): string[] {
    return this.known.get(id)?.path.map((each) => each.id) ?? [];
  }

  /** A tag's name with those of what it stands beneath; null when there is no such tag. */
  nameOf(id: string): string | null {
    return this.known.has(id) ? writtenTag(this.pathOf(id)) : null;
  }

  /** The tag of a path, as names are compared; none that is deleted. */
  find(path: readonly string[]): string | undefined {
    const wanted = tagKey(path);
    return this.shown().find(({ path: own }) => tagKey(own.map(({ name }) => name)) === wanted)?.tag.id;
  }

  /** A tag and all that stands beneath it, with those that were merged into any of these. */
  beneath(id: string): string[] {
    const wanted = this.present(id)?.id;
    return [...this.known].filter(([, { path }]) => path.some((each) => each.id === wanted)).map(([each]) => each);
  }

  /** The ids under which lines wear a tag: its own, and those of what was merged into it. */
  worn(id: string): string[] {
    const wanted = this.present(id)?.id;
    return [...this.known].filter(([, { path }]) => path.at(-1)!.id === wanted).map(([each]) => each);
  }

  /** The tags right beneath one; those of the outermost level beneath null. By their names. */
  children(id: string | null): Tag[] {
    const above = id === null ? undefined : this.present(id)?.id;
    return this.shown()
      .filter(({ path }) => path.at(-2)?.id === above)
      .map(({ tag }) => tag)
      .sort(byName);
  }

  /** Those that are tags of their own, neither merged nor deleted. */
  private shown(): Placed[] {
    return [...this.known.values()].filter(({ tag, isGone }) => tag.mergedInto === null && !isGone);
  }

  /**
   * The tags that a folded word names: those whose path holds it, at most `most`, and of those that it begins to name,
   * where that is asked for, the `begun` with the shortest names.
   */
  named(word: string, most: number, begun = 0): string[] {
    this.words ??= wordsOf(this.known.values());
    const { tagsOf, inOrder } = this.words;
    const named = (tagsOf.get(word) ?? []).slice(0, most);
    if (begun === 0) return named;
    const begins = new Set<string>();
    for (let at = firstFrom(inOrder, word); at < inOrder.length && inOrder[at]!.startsWith(word); at += 1) {
      if (inOrder[at] !== word) tagsOf.get(inOrder[at]!)!.forEach((id) => named.includes(id) || begins.add(id));
      if (begins.size >= CONSIDERED) break;
    }
    const length = (id: string) => this.nameOf(id)!.length;
    const shortest = [...begins].sort((one, other) => length(one) - length(other));
    return [...named, ...shortest.slice(0, begun)];
  }

  /** By their names. */
  all(): (Tag & { path: string })[] {
    return this.shown()
      .map(({ path, tag }) => ({ ...tag, path: writtenTag(path.map(({ name }) => name)) }))
      .sort((one, other) => (foldTag(one.path) < foldTag(other.path) ? -1 : 1));
  }
}
