import {
  countFits,
  isEmptyQuery,
  markWords,
  parseQuery,
  queryLength,
  toMatch,
  type AlsoFound,
  type FindQuery,
  type Finding,
} from '@glossarion/core/find';
import { NameIndex } from '@glossarion/core/names';
import { shownWords, type NodeJson } from '@glossarion/core/document';
import type { Target } from '@glossarion/core/links';
import { kindToken } from '@glossarion/core/kinds';
import { tagToken } from '@glossarion/core/tags';
import { sees, visibleEntry, type Viewer, type ViewerConnection, type Step } from '../access';
import type { Database } from '../database/database';
import { LINES_TO_FIND } from '../entities/block.queries';
import { ALL_STEPS } from '../entities/entry.queries';
import { RANKED, UNRANKED } from '../entities/find.queries';
import { TAGS_OF, WHOLE_LINES } from '../entities/link.queries';
import { entryTitle, type Entries, type EntryReader } from './entries';
import type { Kinds } from './kinds';
import { allOtherNames, otherNamesOf } from './otherNames';
import type { Tags } from './tags';

const SHOWN = 24;
/** The most tags that a word is taken to name, and to begin to name. */
const TAGS_NAMED = 24;
const TAGS_BEGUN = 3;
/** Queries of fewer letters than this are answered from titles, and from texts only to fill up. */
const SHORT = 3;
/** The names of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;

/** The names of the tags that were looked for, by their ids. */
type NamedTags = Map<string, string>;

/** The names of an account, with those that changed since they were taken in. */
interface KnownNames {
  index: Promise<NameIndex>;
  changed: Set<string>;
}

/** Finding by words, and by name. */
export class Find {
  /** By account: what it was granted is not among them, and is found by words. */
  private names = new Map<string, KnownNames>();

  constructor(
    private database: Database,
    private entries: Entries,
    private tags: Tags,
    private kinds: Kinds,
  ) {}

  /** Pages whose title or text hold all the words, best first. */
  async find(viewer: Viewer, typed: string): Promise<Finding[]> {
    const query = parseQuery(typed);
    if (isEmptyQuery(query)) return [];
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    const tree = this.tags.tree(connection);
    const kinds = await this.kinds.tree(viewer);
    const named: NamedTags = new Map();
    const ids = idsOf(connection, query, (word, isBeginning) => {
      // A letter or two begin too many.
      const tags = tree.named(word, TAGS_NAMED, isBeginning && word.length >= SHORT ? TAGS_BEGUN : 0);
      for (const tag of tags) named.set(tag, tree.nameOf(tag)!);
      const ofKinds = isBeginning && word.length < SHORT ? [] : kinds.calledBy(word, isBeginning);
      return [...tags.map(tagToken), ...ofKinds.map(kindToken)];
    });
    const fitting = reader.present(ids).map((target) => ({
      target,
      line: target.kind === 'page' ? bestLine(connection, named, target.id, query) : null,
    }));
    const asRead = linesAsRead(connection, reader, fitting);
    return fitting.map(({ target, line }) => ({
      ...target,
      titlePieces: markWords(target.title, query, 200),
      blockId: line?.id ?? null,
      linePieces: line ? markWords(asRead.get(line.id) ?? '', query) : [],
    }));
  }

  /** Pages, sections and notebooks whose name is like what was typed. */
  async byName(viewer: Viewer, typed: string, limit: number): Promise<Target[]> {
    const index = await this.namesOf(viewer);
    return this.entries.reader(viewer).present(index.search(typed, limit * 3), limit);
  }

  private async namesOf(viewer: Viewer): Promise<NameIndex> {
    let known = this.names.get(viewer.accountId);
    if (!known) {
      if (this.names.size >= ACCOUNTS_KEPT) this.names.delete(this.names.keys().next().value!);
      // What changes while they are read is read again.
      known = { index: this.readNames(viewer), changed: new Set() };
      this.names.set(viewer.accountId, known);
    }
    const index = await known.index;
    const connection = this.database.reading(viewer);
    for (const id of known.changed) {
      // First: what changes while it is read is read again.
      known.changed.delete(id);
      const others = otherNamesOf(this.database.reader, id);
      const kinds = await this.kinds.namesOf(viewer, id);
      if (!sees(connection, id)) index.delete(id);
      else {
        const entry = visibleEntry(connection, id);
        index.set(id, entryTitle(entry), entry.parentId, others, kinds);
      }
    }
    return index;
  }

  private async readNames(viewer: Viewer): Promise<NameIndex> {
    const others = await allOtherNames(this.database, viewer);
    const kinds = await this.kinds.allNames(viewer);
    const index = new NameIndex();
    for (const row of this.database.reading(viewer).all<Step>(ALL_STEPS)) {
      index.set(row.id, entryTitle(row), row.parentId, others.get(row.id), kinds.get(row.id));
    }
    return index;
  }

  /** Keeps the names in line with what was changed. */
  note(accountId: string, id: string): void {
    this.names.get(accountId)?.changed.add(id);
  }

  forget(accountId: string): void {
    this.names.delete(accountId);
  }
}

function idsOf(connection: ViewerConnection, query: FindQuery, alsoFound: AlsoFound): string[] {
  const words = toMatch(query, alsoFound);
  const read = (sql: string, match: string) =>
    connection.all<{ id: string }>(sql, { match, limit: SHOWN }).map((row) => row.id);
  if (queryLength(query) >= SHORT) return read(RANKED, words);
  const titles = read(UNRANKED, `title : (${words})`);
  if (titles.length >= SHOWN) return titles;
  return [...new Set([...titles, ...read(UNRANKED, words)])].slice(0, SHOWN);
}

/** Lines as they read, by their ids, with the present titles of what they link to and the names of their tags. */
function linesAsRead(
  connection: ViewerConnection,
  reader: EntryReader,
  fitting: readonly { target: Target; line: FoundLine | null }[],
): ReadonlyMap<string, string> {
  const asked = fitting.flatMap(({ target, line }) => (line ? [[target.id, line.id]] : []));
  const rows = connection.all<{ place: number; node: string }>(WHOLE_LINES, { asked: JSON.stringify(asked) });
  const titleOf = (linked: string) => reader.target(linked).title;
  return new Map(rows.map(({ place, node }) => [asked[place]![1]!, shownWords(JSON.parse(node) as NodeJson, titleOf)]));
}

/** The names of tags that were looked for and that lines of a document wear, by line. */
function wornBy(connection: ViewerConnection, named: NamedTags, documentId: string): ReadonlyMap<string, string> {
  const worn = new Map<string, string>();
  if (named.size === 0) return worn;
  const rows = connection.all<{ blockId: string; tag: string }>(TAGS_OF, { documentId, blockId: null });
  for (const { blockId, tag } of rows) {
    const name = named.get(tag);
    if (name !== undefined) worn.set(blockId, `${worn.get(blockId) ?? ''} ${name}`);
  }
  return worn;
}

interface FoundLine {
  id: string;
  words: string;
}

/** The first line that holds most of what is looked for: in its words, else with the names of the tags it wears. */
function bestLine(
  connection: ViewerConnection,
  named: NamedTags,
  documentId: string,
  query: FindQuery,
): FoundLine | null {
  const wanted = query.words.length + (query.beginning === null ? 0 : 1);
  const best = (worn: ReadonlyMap<string, string>): { line: FoundLine | null; fits: number } => {
    // A line that says nothing but a tag has no words of its own.
    const lines = connection.each<FoundLine>(LINES_TO_FIND, { documentId, withWordless: Number(worn.size > 0) });
    let found: FoundLine | null = null;
    let most = 0;
    for (const line of lines) {
      const tags = worn.get(line.id);
      const fits = countFits(tags === undefined ? line.words : `${line.words} ${tags}`, query);
      if (fits <= most) continue;
      [found, most] = [line, fits];
      if (fits >= wanted) break;
    }
    return { line: found, fits: most };
  };
  const byWords = best(new Map());
  if (byWords.fits >= wanted) return byWords.line;
  const worn = wornBy(connection, named, documentId);
  return worn.size > 0 ? best(worn).line : byWords.line;
}
