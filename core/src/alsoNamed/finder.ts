import { ADJACENT, foldedWord, gapBetween, nextToken, tokensOf, type Reach } from './tokens';
import { standsAlone } from './boundaries';

/** A place of a text that names something. */
export interface NamedPlace {
  /** In UTF-16 units of the text. */
  start: number;
  end: number;
  /** The name as it is compared. */
  key: string;
}

/** A step in the tree of names: a word, and how it is parted from the one before. */
interface Branch {
  gap: string;
  node: NameNode;
}

class NameNode {
  next: Map<string, Branch[]> | null = null;
  /** The key of the name that ends here. */
  key: string | null = null;
  /** How many names go through here, so that what nobody needs can go. */
  users = 0;
}

interface Step {
  word: string;
  gap: string;
}

function stepsOf(name: string): Step[] {
  let end = 0;
  return tokensOf(name).map((token, index) => {
    const gap = index === 0 ? '' : (gapBetween(name, end, token.start) ?? '');
    end = token.end;
    return { word: token.word, gap };
  });
}

/**
 * A name as it is compared: folded words with what parts them. Null when the name can't be looked for: one letter, or
 * nothing but figures, would be found everywhere.
 */
export function nameKey(name: string): string | null {
  const steps = stepsOf(name);
  const letters = steps.map(({ word }) => word).join('');
  if (Array.from(letters).length < 2 || !/\p{L}/u.test(letters)) return null;
  return steps.map(({ word, gap }, index) => (index === 0 ? '' : gap === ADJACENT ? '' : gap || ' ') + word).join('');
}

/**
 * Finds all places of a text that are one of many names: whole words, whatever their case and accents, the longest
 * name where several begin, none within another. The names stand in a tree of words (a trie, Fredkin 1960), so that
 * the time taken grows with the text and hardly with the number of names.
 */
export class NameFinder {
  private root = new NameNode();
  private keys = new Map<string, number>();
  /** First words as written, with what follows them; undefined once asked for in vain. */
  private firsts = new Map<string, NameNode | null>();

  get size(): number {
    return this.keys.size;
  }

  has(key: string): boolean {
    return this.keys.has(key);
  }

  /** Adds a name; true when it was not there. Names may be added several times and then stay until taken as often. */
  add(name: string): boolean {
    const key = nameKey(name);
    if (key === null) return false;
    const count = this.keys.get(key) ?? 0;
    this.keys.set(key, count + 1);
    if (count > 0) return false;
    let node = this.root;
    for (const { word, gap } of stepsOf(name)) {
      node.next ??= new Map();
      const branches = node.next.get(word) ?? [];
      let branch = branches.find((each) => each.gap === gap);
      if (!branch) {
        branch = { gap, node: new NameNode() };
        node.next.set(word, [...branches, branch]);
      }
      node = branch.node;
      node.users += 1;
    }
    node.key = key;
    this.firsts.clear();
    return true;
  }

  /** Takes a name away; true when nobody else has it. */
  remove(name: string): boolean {
    const key = nameKey(name);
    const count = key === null ? 0 : (this.keys.get(key) ?? 0);
    if (key === null || count === 0) return false;
    if (count > 1) {
      this.keys.set(key, count - 1);
      return false;
    }
    this.keys.delete(key);
    let node = this.root;
    for (const { word, gap } of stepsOf(name)) {
      const branches = node.next!.get(word)!;
      const branch = branches.find((each) => each.gap === gap)!;
      branch.node.users -= 1;
      if (branch.node.users === 0) {
        const left = branches.filter((each) => each !== branch);
        if (left.length > 0) node.next!.set(word, left);
        else node.next!.delete(word);
      }
      node = branch.node;
    }
    node.key = null;
    this.firsts.clear();
    return true;
  }

  find(text: string): NamedPlace[] {
    const places: NamedPlace[] = [];
    const reach: Reach = { start: 0, end: 0, isUnspaced: false };
    for (let at = 0; nextToken(text, at, reach);) {
      const first = this.first(text.slice(reach.start, reach.end));
      const { start, end, isUnspaced } = reach;
      at = end;
      if (!first) continue;
      const found = this.longest(text, first, start, end, isUnspaced);
      if (!found) continue;
      places.push(found);
      at = found.end;
    }
    return places;
  }

  private first(written: string): NameNode | null {
    const known = this.firsts.get(written);
    if (known !== undefined) return known;
    const node = this.root.next?.get(foldedWord(written))?.[0]?.node ?? null;
    if (this.firsts.size > 200_000) this.firsts.clear();
    this.firsts.set(written, node);
    return node;
  }

  private longest(
    text: string,
    first: NameNode,
    start: number,
    firstEnd: number,
    isFirstUnspaced: boolean,
  ): NamedPlace | null {
    let node: NameNode | undefined = first;
    let end = firstEnd;
    let isUnspaced = isFirstUnspaced;
    let best: NamedPlace | null = null;
    const reach: Reach = { start: 0, end: 0, isUnspaced: false };
    for (;;) {
      const { key } = node;
      const isWhole = !isFirstUnspaced && !isUnspaced;
      if (key !== null && (isWhole || standsAlone(text, start, end))) best = { start, end, key };
      if (!node.next || !nextToken(text, end, reach)) return best;
      const gap = gapBetween(text, end, reach.start);
      const branches: Branch[] | undefined =
        gap === null ? undefined : node.next.get(foldedWord(text.slice(reach.start, reach.end)));
      if (!branches) return best;
      node = (
        branches.find((branch) => branch.gap === gap) ??
        (gap === '' ? branches.find((branch) => branch.gap !== ADJACENT) : undefined) ??
        (gap === ADJACENT ? branches.find((branch) => branch.gap === '') : undefined)
      )?.node;
      if (!node) return best;
      end = reach.end;
      isUnspaced = reach.isUnspaced;
    }
  }
}
