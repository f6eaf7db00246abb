import {
  countFits,
  isEmptyQuery,
  markWords,
  parseQuery,
  queryLength,
  toMatch,
  type FindQuery,
  type Finding,
} from '@glossarion/core/find';
import { NameIndex } from '@glossarion/core/names';
import { shownWords, type NodeJson } from '@glossarion/core/document';
import type { Database } from '../database/database';
import type { Target } from '@glossarion/core/links';
import type { Entries } from './entries';
import { entryTitle } from './entries';
import type { Entry } from '../entities';

const SHOWN = 24;
/** Queries of fewer letters than this are answered from titles, and from texts only to fill up. */
const SHORT = 3;
/** A title counts this many times what the text does. */
const TITLE_WEIGHT = 8;

const RANKED = `
  SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid
  WHERE findIndex MATCH ? AND e.ownerId = ? ORDER BY bm25(findIndex, ${TITLE_WEIGHT}, 1) LIMIT ${SHOWN}`;
const UNRANKED = `
  SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid
  WHERE findIndex MATCH ? AND e.ownerId = ? ORDER BY f.rowid DESC LIMIT ${SHOWN}`;

/** Finding by words, and by name. */
export class Find {
  private names = new Map<string, NameIndex>();

  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** Pages whose title or text hold all the words, best first. */
  find(ownerId: string, typed: string): Finding[] {
    const query = parseQuery(typed);
    if (isEmptyQuery(query)) return [];
    const found = this.ids(ownerId, query);
    return this.entries.living(ownerId, found).map((target) => this.finding(ownerId, target, query));
  }

  private ids(ownerId: string, query: FindQuery): string[] {
    const match = toMatch(query);
    const read = (sql: string, expression: string) =>
      this.database.all<{ id: string }>(sql, expression, ownerId).map((row) => row.id);
    if (queryLength(query) >= SHORT) return read(RANKED, match);
    const titles = read(UNRANKED, `title : (${match})`);
    if (titles.length >= SHOWN) return titles;
    return [...new Set([...titles, ...read(UNRANKED, match)])].slice(0, SHOWN);
  }

  private finding(ownerId: string, target: Target, query: FindQuery): Finding {
    const line = target.kind === 'page' ? this.bestLine(target.id, query) : null;
    return {
      ...target,
      titlePieces: markWords(target.title, query, 200),
      blockId: line?.id ?? null,
      linePieces: line ? markWords(this.shownLine(ownerId, target.id, line.id), query) : [],
    };
  }

  /** A line as it reads, with the present titles of what it links to. */
  private shownLine(ownerId: string, pageId: string, blockId: string): string {
    const row = this.database.first<{ node: string }>(
      'SELECT node FROM blocks WHERE pageId = ? AND id = ?',
      pageId,
      blockId,
    );
    const titleOf = (id: string) => this.entries.targets(ownerId, [id])[0]!.title;
    return row ? shownWords(JSON.parse(row.node) as NodeJson, titleOf) : '';
  }

  private bestLine(pageId: string, query: FindQuery): { id: string; words: string } | null {
    const lines = this.database
      .statement("SELECT id, words FROM blocks WHERE pageId = ? AND words != '' ORDER BY position")
      .iterate(pageId) as IterableIterator<{ id: string; words: string }>;
    const wanted = query.words.length + (query.beginning === null ? 0 : 1);
    let best: { id: string; words: string } | null = null;
    let bestFits = 0;
    for (const line of lines) {
      const fits = countFits(line.words, query);
      if (fits > bestFits) {
        best = line;
        bestFits = fits;
        if (fits >= wanted) break;
      }
    }
    return best;
  }

  /** Pages, sections and notebooks whose name is like what was typed. */
  byName(ownerId: string, typed: string, limit: number): Target[] {
    return this.entries.living(ownerId, this.namesOf(ownerId).search(typed, limit * 3), limit);
  }

  private namesOf(ownerId: string): NameIndex {
    let index = this.names.get(ownerId);
    if (!index) {
      index = new NameIndex();
      const rows = this.database.all<Pick<Entry, 'id' | 'parentId' | 'name' | 'firstWords' | 'day' | 'kind'>>(
        'SELECT id, parentId, name, firstWords, day, kind FROM entries WHERE ownerId = ?',
        ownerId,
      );
      const others = this.entries.allOtherNames(ownerId);
      for (const row of rows) index.set(row.id, entryTitle(row), row.parentId, others.get(row.id));
      this.names.set(ownerId, index);
    }
    return index;
  }

  /** Keeps the names in line with what was changed. */
  note(ownerId: string, id: string): void {
    const index = this.names.get(ownerId);
    if (!index) return;
    if (!this.entries.has(ownerId, id)) return index.delete(id);
    const entry = this.entries.own(ownerId, id);
    index.set(id, entryTitle(entry), entry.parentId, this.entries.otherNames(ownerId, id));
  }

  forget(ownerId: string): void {
    this.names.delete(ownerId);
  }
}
