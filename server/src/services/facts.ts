import { bodyFacts, type BlockFact, type BodyFacts, type BodyJson } from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/find';
import type { Database } from '../database/database';
import { prepared } from '../database/prepared';
import { MAKE_DUE } from './background';

/** Blocks that are written in one piece. */
const AT_ONCE = 250;

/** Writes what is known of bodies into the indexed tables, changing only rows that differ. */
export class FactWriter {
  constructor(private database: Pick<Database, 'writer'>) {}

  private run(sql: string, ...values: unknown[]): void {
    prepared(this.database.writer, sql).run(...values);
  }

  /**
   * Brings all rows of a page in line with its title and body. `previous` are the facts the rows hold now; null when
   * there are none. Must run within a transaction.
   */
  write(
    page: { row: number; id: string; indexed: string | null },
    title: string,
    body: BodyJson,
    previous: BodyFacts | null,
  ): BodyFacts {
    const writing = this.writing(page, title, body, previous);
    let step = writing.next();
    while (!step.done) step = writing.next();
    return step.value;
  }

  /** The same in pieces, between which something else may be done that does not write. */
  *writing(
    page: { row: number; id: string; indexed: string | null },
    title: string,
    body: BodyJson,
    previous: BodyFacts | null,
  ): Generator<void, BodyFacts> {
    const facts = bodyFacts(body);
    yield;
    const isChanged = yield* this.writeBlocks(page.id, previous?.blocks ?? [], facts.blocks);
    yield;
    this.writeRows('links', ['blockId', 'position', 'target', 'words'], page.id, previous?.links, facts.links);
    this.writeRows('tags', ['blockId', 'position', 'name', 'tag'], page.id, previous?.tags, facts.tags);
    this.writeRows('fileUses', ['blockId', 'fileId'], page.id, previous?.files, facts.files);
    this.writeRows('formerIds', ['formerId', 'blockId'], page.id, previous?.formerIds, facts.formerIds);
    this.run(
      'UPDATE entries SET firstWords = ?, wordCount = ? WHERE id = ?',
      facts.firstWords,
      facts.wordCount,
      page.id,
    );
    if (isChanged || !previous) {
      this.run(MAKE_DUE, page.id);
      this.run('DELETE FROM kinMade WHERE pageId = ?', page.id);
    }
    if (page.indexed !== title) {
      this.noteName(page.id, page.indexed ?? '');
      this.noteName(page.id, title);
    }
    const words = blockWords(facts);
    if (!previous || words !== blockWords(previous) || page.indexed !== title) {
      const found: string[] = [];
      for (const [index, block] of facts.blocks.entries()) {
        const blockFound = indexedBlock(block);
        if (blockFound !== '') found.push(blockFound);
        if (index % AT_ONCE === AT_ONCE - 1) yield;
      }
      this.run(
        'INSERT OR REPLACE INTO findIndex (rowid, title, body) VALUES (?, ?, ?)',
        page.row,
        this.titleWords(page.id, title),
        found.join(' '),
      );
    }
    return facts;
  }

  /** Names of notebooks and sections are found too. */
  writeName(row: number, name: string): void {
    this.run("INSERT OR REPLACE INTO findIndex (rowid, title, body) VALUES (?, ?, '')", row, indexedWords(name));
  }

  /** A page's title and its other names are found alike. */
  private titleWords(pageId: string, title: string): string {
    const sql = 'SELECT name FROM otherNames WHERE pageId = ? ORDER BY position';
    const names = prepared(this.database.writer, sql).all(pageId);
    return foundTitle(
      title,
      (names as { name: string }[]).map(({ name }) => name),
    );
  }

  /** Brings the index in line with a page's other names. */
  writeOtherNames(page: { row: number; id: string; name: string }): void {
    this.run('UPDATE findIndex SET title = ? WHERE rowid = ?', this.titleWords(page.id, page.name), page.row);
  }

  /** A page is called so from now on, or not any more: what names it is looked for in the background. */
  noteName(pageId: string, name: string): void {
    if (name.trim() === '') return;
    this.run(
      'INSERT INTO namesDue (ownerId, pageId, name) SELECT ownerId, id, ? FROM entries WHERE id = ? AND day IS NULL',
      name,
      pageId,
    );
  }

  /** True when any block is other than it was. */
  private *writeBlocks(
    pageId: string,
    previous: readonly BlockFact[],
    next: readonly BlockFact[],
  ): Generator<void, boolean> {
    let isChanged = false;
    const before = new Map(previous.map((block) => [block.id, block]));
    for (const [index, block] of next.entries()) {
      if (index % AT_ONCE === AT_ONCE - 1) yield;
      const old = before.get(block.id);
      before.delete(block.id);
      if (old && isSameBlock(old, block)) continue;
      isChanged = true;
      this.run(
        `INSERT OR REPLACE INTO blocks (pageId, id, parentId, headingId, position, depth, kind, state, words, node)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        pageId,
        block.id,
        block.parentId,
        block.headingId,
        block.position,
        block.depth,
        block.kind,
        block.state,
        block.words,
        JSON.stringify(block.node),
      );
    }
    for (const id of before.keys()) this.run('DELETE FROM blocks WHERE pageId = ? AND id = ?', pageId, id);
    return isChanged || before.size > 0;
  }

  /** Links, tags and former ids are few and cheap: when any differs, all of the page's are written anew. */
  private writeRows<T extends object>(
    table: string,
    columns: (keyof T & string)[],
    pageId: string,
    previous: readonly T[] | undefined,
    next: readonly T[],
  ): void {
    if (previous && JSON.stringify(previous) === JSON.stringify(next)) return;
    if (!previous && next.length === 0) return;
    this.run(`DELETE FROM ${table} WHERE pageId = ?`, pageId);
    const marks = columns.map(() => '?').join(', ');
    for (const row of next) {
      this.run(
        `INSERT OR REPLACE INTO ${table} (pageId, ${columns.join(', ')}) VALUES (?, ${marks})`,
        pageId,
        ...columns.map((column) => row[column]),
      );
    }
  }
}

/** The words by which a page's title is found: those of its other names too. */
export const foundTitle = (title: string, otherNames: readonly string[]): string =>
  indexedWords([title, ...otherNames].join('\n'));

const blockWords = (facts: BodyFacts): string => facts.blocks.map((block) => block.words).join('\n');

const indexed = new WeakMap<BlockFact['node'], string>();

/** A block that was not changed is the same object still, and its words are those it had. */
function indexedBlock({ node, words }: BlockFact): string {
  let known = indexed.get(node);
  if (known === undefined) indexed.set(node, (known = indexedWords(words)));
  return known;
}

const isSameBlock = (one: BlockFact, other: BlockFact): boolean =>
  one.position === other.position &&
  one.parentId === other.parentId &&
  one.headingId === other.headingId &&
  one.words === other.words &&
  (one.node === other.node || JSON.stringify(one.node) === JSON.stringify(other.node));
