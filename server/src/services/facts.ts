import { bodyFacts, type BlockFact, type BodyFacts, type BodyJson, type LineFacts } from '@glossarion/core/document';
import { textTally, WordCounts, type CountChange, type LineWords } from '@glossarion/core/find/counting';
import type { Tally } from '@glossarion/core/languages';
import { accountOf } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import { MAKE_DUE } from '../entities/alsoNamed.queries';
import { GlossPlaceEntity, LINE_FACT_NAMES, LINE_FACT_TABLES } from '../entities';
import { LINES_TO_FIND } from '../entities/block.queries';
import { DROP_ROW, DROP_ROWS, PUT_BLOCK, PUT_ROW } from '../entities/fact.queries';
import { COUNT_WORDS } from '../entities/vocabulary.queries';
import { fileNamesOf, foundBeside, foundInFiles, foundLine, foundTitle, wordsOfLines } from './foundWords';
import { GatheredCounts } from './gatheredCounts';
import { HOLDERS, type HolderKind } from './holders';
import { WordIndex } from './wordIndex';

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
  /** The index has nothing of it, and its words are not counted, whatever its facts say. */
  isFoundAnew?: boolean;
}

/** Writes what is known of bodies into the indexed tables, changing only rows that differ. */
export class FactWriter {
  private listeners = new Set<(documentId: string) => void>();
  private countListeners = new Set<(accountId: string, words: readonly string[]) => void>();
  private index: WordIndex;
  /** Takes what is counted, while much is written at once. */
  private gathered: GatheredCounts | null = null;

  /** @param languagesOf in which languages the words of an entry are counted; none where the words themselves tell */
  constructor(
    private database: Pick<Database, 'writer'>,
    private languagesOf: (accountId: string, row: number) => readonly string[] = () => [],
  ) {
    this.index = new WordIndex(database);
  }

  /** Calls `changed` within every transaction in which the facts of a document change. */
  onChange(changed: (documentId: string) => void): void {
    this.listeners.add(changed);
  }

  /** Calls `counted` within every transaction in which lines of an account come to hold words, or not any more. */
  onCount(counted: (accountId: string, words: readonly string[]) => void): void {
    this.countListeners.add(counted);
  }

  private run(sql: string, ...values: unknown[]): void {
    prepared(this.database.writer, sql).run(...values);
  }

  /**
   * Stores at the end of `work` what it counts, together. All of it must be within one transaction, which is taken back
   * when `work` fails.
   */
  async countingAtOnce<T>(work: () => Promise<T> | T): Promise<T> {
    const gathered = new GatheredCounts();
    const done = await this.countingInto(gathered, work);
    this.storeCounts(gathered);
    return done;
  }

  /**
   * What `work` counts is gathered, to be stored later; what it writes to the index is written at its end. All of it must
   * be within one transaction, and nothing else may be written meanwhile.
   */
  async countingInto<T>(gathered: GatheredCounts, work: () => Promise<T> | T): Promise<T> {
    this.gathered = gathered;
    try {
      return await this.index.atOnce(work);
    } finally {
      this.gathered = null;
    }
  }

  /** Stores what was gathered. Must run within a transaction. */
  storeCounts(gathered: GatheredCounts): void {
    for (const { accountId, changes } of gathered.take()) this.store(accountId, changes);
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
    const { row, isFoundAnew = false } = of;
    const isFoundOtherwise =
      isFoundAnew || !previous || isChanged || of.indexed !== title || isHeldOtherwise(facts, previous);
    if (row !== null && isFoundOtherwise) {
      const found = foundBeside(facts, facts.files.length > 0 ? fileNamesOf(writer, of.id) : []);
      for (const [index, block] of facts.blocks.entries()) {
        found.push(foundLine(block));
        if (index % AT_ONCE === AT_ONCE - 1) yield;
      }
      const before = isFoundAnew ? undefined : this.index.of(row);
      const entry = {
        title: foundTitle(title, holder.otherNames(writer, of.id)),
        body: found.filter(Boolean).join(' '),
      };
      if (before?.title !== entry.title || before.body !== entry.body) this.index.write(row, entry);
      const hasFiles = facts.files.length > 0 || (previous?.files.length ?? 0) > 0;
      if (hasFiles && (isFoundAnew || before?.title !== entry.title || isOtherwise(facts, previous, 'files'))) {
        this.writeFiles(of.id, row, entry.title);
      }
      // At once: what the index has is counted, and nothing else is.
      this.count(
        of.id,
        row,
        before?.title ?? '',
        entry.title,
        isFoundAnew ? [] : (previous?.blocks ?? []),
        facts.blocks,
      );
    }
    return facts;
  }

  /** The glosses beside a page, and its own beside others, have to be placed and read anew. */
  private forgetGlosses(id: string): void {
    for (const column of ['targetId', 'documentId']) this.run(DROP_ROWS(GLOSS_PLACES, column), id);
    for (const changed of this.listeners) changed(id);
  }

  /** Names of notebooks and sections are found too. */
  writeName({ id, row }: Pick<FactsOf, 'id'> & { row: number }, name: string): void {
    this.writeTitle(id, row, foundTitle(name, []));
  }

  /** Brings the index in line with a page's other names. */
  writeOtherNames(page: { row: number; id: string; name: string }): void {
    this.writeTitle(page.id, page.row, foundTitle(page.name, HOLDERS.page.otherNames(this.database.writer, page.id)));
  }

  /** More or less is known of what is written in the files that a page shows. */
  writeFileWords(id: string, row: number): void {
    const indexed = this.index.of(row);
    if (indexed) this.writeFiles(id, row, indexed.title);
  }

  private writeFiles(id: string, row: number, title: string): void {
    const body = foundInFiles(this.database.writer, id, title);
    if (body === '') this.index.drop(-row);
    else if (this.index.of(-row)?.body !== body) this.index.write(-row, { title: '', body });
  }

  private writeTitle(id: string, row: number, title: string): void {
    const before = this.index.of(row);
    this.index.write(row, { title, body: before?.body ?? '' });
    if (this.isIndexed(-row)) this.writeFiles(id, row, title);
    this.count(id, row, before?.title ?? '', title, [], []);
  }

  /**
   * Something is about to be gone for good: it is not found any more.
   *
   * @param isCounted whether the words that the index has of it are counted
   */
  drop({ id, row }: { id: string; row: number }, isCounted = true): void {
    const indexed = this.index.of(row);
    // Of what an import has left halfway nothing is counted yet.
    if (!indexed) return;
    const lines = isCounted ? this.linesOf(id) : [];
    for (const each of [row, -row]) this.index.drop(each);
    if (isCounted) this.count(id, row, indexed.title, '', lines, []);
  }

  /** The names of what has no document are counted from what the index has of them. */
  countName(id: string, row: number): void {
    this.count(id, row, '', this.index.of(row)?.title ?? '', [], []);
  }

  /** The words of an entry are counted in these languages from now on, and no longer in those. */
  countIn(id: string, row: number, languages: readonly string[], before: readonly string[]): void {
    const indexed = this.index.of(row);
    // Of what an import has left halfway nothing is counted yet.
    if (!indexed) return;
    const lines = wordsOfLines(this.linesOf(id));
    for (const [written, by] of [
      [before, -1],
      [languages, 1],
    ] as const) {
      const counts = new WordCounts(written);
      counts.title(indexed.title, by);
      if (by === 1) counts.text([], lines);
      else counts.text(lines, []);
      this.store(accountOf(this.database.writer, id)!, counts.changes());
    }
  }

  /** Lines that stand in no document hold words in the place of those that others held. Must run within a transaction. */
  countLines(accountId: string, before: readonly LineWords[], after: readonly LineWords[]): void {
    const counts = new WordCounts();
    counts.text(before, after);
    this.store(accountId, counts.changes());
  }

  private linesOf(documentId: string): Pick<BlockFact, 'words'>[] {
    return prepared(this.database.writer, LINES_TO_FIND).all({ documentId, withWordless: 0 }) as Pick<
      BlockFact,
      'words'
    >[];
  }

  /** Whether the index has anything of a row. */
  isIndexed(row: number): boolean {
    return this.index.of(row) !== undefined;
  }

  /** Counts the words of an entry's title and lines in the place of those it had. */
  private count(id: string, row: number, titleBefore: string, title: string, before: Lines, lines: Lines): void {
    const accountId = accountOf(this.database.writer, id)!;
    const written = this.languagesOf(accountId, row);
    const counts = this.gathered?.of(accountId, row, written) ?? new WordCounts(written);
    if (titleBefore !== title) {
      counts.title(titleBefore, -1);
      counts.title(title, 1);
    }
    if (before.length > 0 || lines.length > 0) {
      counts.text(wordsOfLines(before), wordsOfLines(lines), [tallyOf(before), tallyOf(lines)]);
    }
    if (!this.gathered) this.store(accountId, counts.changes());
  }

  private store(accountId: string, changes: readonly CountChange[]): void {
    if (changes.length === 0) return;
    this.run(
      COUNT_WORDS,
      accountId,
      JSON.stringify(changes.map(({ word, language, stem, lines }) => [word, language, stem, lines])),
    );
    const words = changes.map(({ word }) => word);
    for (const counted of this.countListeners) counted(accountId, words);
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

const isOtherwise = (one: BodyFacts, other: BodyFacts | null, fact: keyof BodyFacts): boolean =>
  JSON.stringify(one[fact]) !== JSON.stringify(other?.[fact]);

/** Whether a page is of other kinds, holds something else in its fields, or shows other files. */
const isHeldOtherwise = (one: BodyFacts, other: BodyFacts): boolean =>
  (['kinds', 'fieldValues', 'files'] as const).some((fact) => isOtherwise(one, other, fact));

type Lines = readonly (Pick<BlockFact, 'words'> & Partial<BlockFact>)[];

const tallies = new WeakMap<Lines, Tally>();

/** What lines say of their language; summed once as long as they are the same. */
function tallyOf(lines: Lines): Tally {
  let known = tallies.get(lines);
  if (!known) tallies.set(lines, (known = textTally(wordsOfLines(lines))));
  return known;
}

const isSameBlock = (one: BlockFact, other: BlockFact): boolean =>
  one.position === other.position &&
  one.parentId === other.parentId &&
  one.headingId === other.headingId &&
  one.words === other.words &&
  (one.node === other.node || JSON.stringify(one.node) === JSON.stringify(other.node));
