import {
  bodyFacts,
  tagsIn,
  type BlockFact,
  type BodyFacts,
  type BodyJson,
  type LineFacts,
} from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/words';
import { kindToken } from '@glossarion/core/kinds';
import { tagToken } from '@glossarion/core/tags';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import { MAKE_DUE } from '../entities/alsoNamed.queries';
import { GlossPlaceEntity, LINE_FACT_NAMES, LINE_FACT_TABLES } from '../entities';
import { DROP_ROW, DROP_ROWS, PUT_BLOCK, PUT_ROW } from '../entities/fact.queries';
import { INDEXED, WRITE_INDEX } from '../entities/find.queries';
import { HOLDERS, type HolderKind } from './holders';

const GLOSS_PLACES = GlossPlaceEntity.options.tableName!;

/** Blocks that are written in one piece. */
const AT_ONCE = 250;

/** A document whose facts are written: what it hangs under, where its words are found, and under which title so far. */
export interface FactsOf {
  id: string;
  holder: HolderKind;
  row: number | null;
  /** The title that the index has; null when it has none. */
  indexed: string | null;
  /** The moment at which it was changed by somebody, if it was. */
  at?: string;
}

/** Writes what is known of bodies into the indexed tables, changing only rows that differ. */
export class FactWriter {
  private listeners = new Set<(documentId: string) => void>();

  constructor(private database: Pick<Database, 'writer'>) {}

  /** Calls `changed` within every transaction in which the facts of a document change. */
  onChange(changed: (documentId: string) => void): void {
    this.listeners.add(changed);
  }

  private run(sql: string, ...values: unknown[]): void {
    prepared(this.database.writer, sql).run(...values);
  }

  /**
   * Brings all rows of a document in line with its title and body. `previous` are the facts the rows hold now; null
   * when there are none. Must run within a transaction.
   */
  write(of: FactsOf, title: string, body: BodyJson, previous: BodyFacts | null): BodyFacts {
    const writing = this.writing(of, title, body, previous);
    let step = writing.next();
    while (!step.done) step = writing.next();
    return step.value;
  }

  /** The same in pieces, between which something else may be done that does not write. */
  *writing(of: FactsOf, title: string, body: BodyJson, previous: BodyFacts | null): Generator<void, BodyFacts> {
    const facts = bodyFacts(body);
    yield;
    const isChanged = yield* this.writeBlocks(of.id, previous?.blocks ?? [], facts.blocks);
    yield;
    for (const name of LINE_FACT_NAMES) this.writeRows(name, of.id, previous?.[name], facts[name]);
    const holder = HOLDERS[of.holder];
    const { writer } = this.database;
    const { firstWords, wordCount } = facts;
    holder.write(writer, of.id, { title, firstWords, wordCount, at: of.at ?? null });
    if (holder.isFound && (isChanged || !previous)) this.run(MAKE_DUE, of.id);
    if (isChanged || of.indexed !== title) this.forgetGlosses(of.id);
    if (of.indexed !== title) {
      holder.noteName(writer, of.id, of.indexed ?? '');
      holder.noteName(writer, of.id, title);
    }
    const isFoundOtherwise = !previous || foundBy(facts) !== foundBy(previous) || of.indexed !== title;
    if (of.row !== null && isFoundOtherwise) {
      const found: string[] = [];
      found.push(...indexedKinds(facts));
      for (const [index, block] of facts.blocks.entries()) {
        const blockFound = indexedBlock(block);
        if (blockFound !== '') found.push(blockFound);
        if (index % AT_ONCE === AT_ONCE - 1) yield;
      }
      this.run(WRITE_INDEX, of.row, foundTitle(title, holder.otherNames(writer, of.id)), found.join(' '));
    }
    return facts;
  }

  /** The glosses beside a page, and its own beside others, have to be placed and read anew. */
  private forgetGlosses(id: string): void {
    for (const column of ['targetId', 'documentId']) this.run(DROP_ROWS(GLOSS_PLACES, column), id);
    for (const changed of this.listeners) changed(id);
  }

  /** Names of notebooks and sections are found too. */
  writeName(row: number, name: string): void {
    this.run(WRITE_INDEX, row, indexedWords(name), '');
  }

  /** Brings the index in line with a page's other names. */
  writeOtherNames(page: { row: number; id: string; name: string }): void {
    const names = HOLDERS.page.otherNames(this.database.writer, page.id);
    const { body } = prepared(this.database.writer, INDEXED).get(page.row) as { body: string };
    this.run(WRITE_INDEX, page.row, foundTitle(page.name, names), body);
  }

  /** A page is called so from now on, or not any more: what names it is looked for in the background. */
  noteName(pageId: string, name: string): void {
    HOLDERS.page.noteName(this.database.writer, pageId, name);
  }

  /** True when any block is other than it was. */
  private *writeBlocks(
    documentId: string,
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
        PUT_BLOCK,
        documentId,
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
    for (const id of before.keys()) this.run(DROP_ROW('blocks', 'id'), documentId, id);
    return isChanged || before.size > 0;
  }

  /** Brings what lines bear in line: rows that differ alone, each known by what puts them in order. */
  private writeRows(
    name: keyof LineFacts,
    documentId: string,
    previous: readonly object[] | undefined,
    next: readonly object[],
  ): void {
    if (next.length === 0 && (previous?.length ?? 0) === 0) return;
    const { entity, columns, order } = LINE_FACT_TABLES[name];
    const table = entity.options.tableName!;
    const before = new Map((previous ?? []).map((row) => [keyOf(row, order), JSON.stringify(row)]));
    const put = PUT_ROW(table, columns);
    for (const row of next) {
      const key = keyOf(row, order);
      const isSame = before.get(key) === JSON.stringify(row);
      before.delete(key);
      if (isSame) continue;
      this.run(put, documentId, ...columns.map((column) => (row as Record<string, unknown>)[column]));
    }
    for (const key of before.keys()) this.run(DROP_ROW(table, order), documentId, key);
  }
}

const keyOf = (row: object, order: string): unknown => (row as Record<string, unknown>)[order];

/** The words by which a page's title is found: those of its other names too. */
export const foundTitle = (title: string, otherNames: readonly string[]): string =>
  indexedWords([title, ...otherNames].join('\n'));

/** What decides by what a document is found. */
const foundBy = ({ blocks, tags, kinds }: BodyFacts): string =>
  JSON.stringify([blocks.map(({ words }) => words), tags.map(({ tag }) => tag), kinds]);

/** The words by which a document's text is found, as the index knows them. */
export const foundText = (facts: BodyFacts): string =>
  [...indexedKinds(facts), ...facts.blocks.map(indexedBlock)].filter((found) => found !== '').join(' ');

const indexedKinds = ({ kinds }: BodyFacts): string[] => kinds.map(({ kind }) => kindToken(kind));

const indexed = new WeakMap<BlockFact['node'], string>();

/** A block that was not changed is the same object still, and its words are those it had. */
function indexedBlock({ node, words }: BlockFact): string {
  let known = indexed.get(node);
  if (known === undefined) {
    const tags = tagsIn(node).flatMap(({ tag }) => (tag === null ? [] : tagToken(tag)));
    indexed.set(node, (known = [indexedWords(words), ...tags].filter((found) => found !== '').join(' ')));
  }
  return known;
}

const isSameBlock = (one: BlockFact, other: BlockFact): boolean =>
  one.position === other.position &&
  one.parentId === other.parentId &&
  one.headingId === other.headingId &&
  one.words === other.words &&
  (one.node === other.node || JSON.stringify(one.node) === JSON.stringify(other.node));
