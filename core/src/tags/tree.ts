import { wordsIn } from '../find/words';
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

/** The tags of somebody, by what they stand beneath. */
export class TagTree {
  private known: ReadonlyMap<string, TagWithPath>;
  /** The folded words of each path; made when a word is looked for. */
  private words: { id: string; words: string[]; length: number }[] | undefined;

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

  /** The tags that a folded word names, or begins to name; at most `limit`, the shortest names first. */
  named(word: string, isBeginning: boolean, limit: number): string[] {
    this.words ??= [...this.known].map(([id, { path }]) => {
      const words = path.flatMap(({ name }) => wordsIn(name).map((each) => each.word));
      return { id, words, length: words.join(' ').length };
    });
    const found = this.words.filter(({ words }) =>
      words.some((each) => (isBeginning ? each.startsWith(word) : each === word)),
    );
    found.sort((one, other) => one.length - other.length);
    return found.slice(0, limit).map(({ id }) => id);
  }

  /** By their names. */
  all(): (Tag & { path: string })[] {
    return [...this.known.values()]
      .map(({ path, ...tag }) => ({ ...tag, path: writtenTag(path.map(({ name }) => name)) }))
      .sort((one, other) => (foldTag(one.path) < foldTag(other.path) ? -1 : 1));
  }
}
