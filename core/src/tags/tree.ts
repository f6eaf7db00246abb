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
}

interface TagWithPath extends Tag {
  path: readonly Tag[];
}

/** The tags whose paths hold a folded word, those with the shortest names first; and the words in their order. */
interface TagWords {
  tagsOf: ReadonlyMap<string, string[]>;
  inOrder: readonly string[];
}

/** Of more tags than these that a word begins to name, the shortest is not looked for. */
const CONSIDERED = 50;

function wordsOf(tags: Iterable<TagWithPath>): TagWords {
  const tagsOf = new Map<string, string[]>();
  const name = ({ path }: TagWithPath) => writtenTag(path.map((each) => each.name));
  for (const tag of [...tags].sort((one, other) => name(one).length - name(other).length)) {
    for (const word of new Set(wordsIn(name(tag)).map((each) => each.word))) {
      tagsOf.set(word, [...(tagsOf.get(word) ?? []), tag.id]);
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

/** The tags of somebody, by what they stand beneath. */
export class TagTree {
  private known: ReadonlyMap<string, TagWithPath>;
  /** Made when a word is looked for. */
  private words: TagWords | undefined;

  /** @param tags what a tag stands beneath is among them, or it stands at the outermost level */
  constructor(tags: readonly Tag[]) {
    const rows = new Map(tags.map((tag) => [tag.id, tag]));
    const pathTo = (tag: Tag): Tag[] => {
      const path: Tag[] = [];
      for (let each: Tag | undefined = tag; each && !path.includes(each); each = rows.get(each.parentId ?? ''))
        path.unshift(each);
      return path;
    };
    this.known = new Map(
      tags.map((tag) => {
        return [tag.id, { ...tag, path: pathTo(tag) }];
      }),
    );
  }

  get(id: string): Tag | undefined {
    return this.known.get(id);
  }

  /** The names of what a tag stands beneath, and its own last; none when there is no such tag. */
  pathOf(id: string): string[] {
    return this.known.get(id)?.path.map(({ name }) => name) ?? [];
  }

  /** A tag's name with those of what it stands beneath; null when there is no such tag. */
  nameOf(id: string): string | null {
    return this.known.has(id) ? writtenTag(this.pathOf(id)) : null;
  }

  /** The tag of a path, as names are compared. */
  find(path: readonly string[]): string | undefined {
    const wanted = tagKey(path);
    return [...this.known.keys()].find((id) => tagKey(this.pathOf(id)) === wanted);
  }

  /** A tag and all that stands beneath it. */
  beneath(id: string): string[] {
    return [...this.known].filter(([, { path }]) => path.some((each) => each.id === id)).map(([each]) => each);
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
    return [...this.known.values()]
      .map(({ path, ...tag }) => ({ ...tag, path: writtenTag(path.map(({ name }) => name)) }))
      .sort((one, other) => (foldTag(one.path) < foldTag(other.path) ? -1 : 1));
  }
}
