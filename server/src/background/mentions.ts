import { nameKey, NameFinder, searchedText, textBlocks, type NamedAt } from '@glossarion/core/alsoNamed';
import { datesIn } from '@glossarion/core/dates';
import type { BodyJson } from '@glossarion/core/document';
import { wordsIn } from '@glossarion/core/find';
import type { RawDatabase } from '../database/database';

/** The name by which a day is looked up among what texts name. */
export const dayKey = (day: string): string => `day ${day}`;

export const dayOfKey = (name: string): string | null => /^day (\d{4}-\d{2}-\d{2})$/u.exec(name)?.[1] ?? null;

export interface FoundMention {
  name: string;
  blockId: string;
  places: NamedAt[];
}

/** A piece of background work that was done, to be stored if nothing has changed meanwhile. */
export interface MentionBatch {
  /** Names that came or went up to this number were seen to, with the pages that hold their words. */
  names: { upTo: number; pages: string[] } | null;
  pages: { pageId: string; ownerId: string; number: number; mentions: FoundMention[] }[];
}

/** The names of an account's pages, ready for finding. */
interface Dictionary {
  finder: NameFinder;
  names: Map<string, string[]>;
}

const PAGES_AT_ONCE = 40;
const NAMES_AT_ONCE = 200;
/** More new names than this, and all of an account is looked through instead of what holds each. */
const MANY_NAMES = 1_000;
const DICTIONARIES = 4;
/** Scripts without spaces are cut into words by the index otherwise than names are. */
const UNSPACED = /[\p{scx=Han}\p{scx=Hira}\p{scx=Kana}\p{scx=Thai}\p{scx=Lao}\p{scx=Khmer}\p{scx=Mymr}]/u;

/** Looks for places that name a page without linking it. Reads only; what it finds is stored by whoever asked. */
export class MentionSearch {
  private dictionaries = new Map<string, Dictionary>();

  constructor(private database: RawDatabase) {}

  /** The next piece of what is due; null when nothing is. */
  next(): MentionBatch | null {
    const names = this.seeToNames();
    const due = this.database
      .prepare('SELECT pageId, ownerId, number FROM mentionsDue ORDER BY number LIMIT ?')
      .all(PAGES_AT_ONCE) as { pageId: string; ownerId: string; number: number }[];
    if (!names && due.length === 0) return null;
    return { names, pages: due.map((each) => ({ ...each, mentions: this.lookThrough(each.pageId, each.ownerId) })) };
  }

  forget(ownerId: string): void {
    this.dictionaries.delete(ownerId);
  }

  private seeToNames(): MentionBatch['names'] {
    const due = this.database
      .prepare('SELECT number, ownerId, pageId, name FROM namesDue ORDER BY number LIMIT ?')
      .all(MANY_NAMES) as { number: number; ownerId: string; pageId: string; name: string }[];
    if (due.length === 0) return null;
    const isMany = due.length === MANY_NAMES;
    const taken = isMany ? due : due.slice(0, NAMES_AT_ONCE);
    const pages = new Set<string>();
    for (const { ownerId, pageId, name } of taken) {
      if (!isMany) this.refresh(ownerId, pageId);
      else this.forget(ownerId);
      if (!isMany) for (const each of this.holding(ownerId, name)) pages.add(each);
    }
    if (isMany) {
      for (const ownerId of new Set(taken.map((each) => each.ownerId))) {
        const all = this.database.prepare("SELECT id FROM entries WHERE ownerId = ? AND kind = 'page'").all(ownerId);
        for (const { id } of all as { id: string }[]) pages.add(id);
      }
    }
    return { upTo: taken[taken.length - 1]!.number, pages: [...pages] };
  }

  /** Pages whose text may hold a name. */
  private holding(ownerId: string, name: string): string[] {
    if (nameKey(name) === null) return [];
    const rows = UNSPACED.test(name)
      ? this.database
          .prepare(
            `SELECT DISTINCT b.pageId AS id FROM entries e JOIN blocks b ON b.pageId = e.id
             WHERE e.ownerId = ? AND instr(b.words, ?) > 0`,
          )
          .all(ownerId, name)
      : this.database
          .prepare(
            `SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid WHERE findIndex MATCH ? AND e.ownerId = ?`,
          )
          .all(
            `body : "${wordsIn(name)
              .map(({ word }) => word)
              .join(' ')}"`,
            ownerId,
          );
    return (rows as { id: string }[]).map(({ id }) => id);
  }

  private dictionary(ownerId: string): Dictionary {
    const known = this.dictionaries.get(ownerId);
    if (known) {
      this.dictionaries.delete(ownerId);
      this.dictionaries.set(ownerId, known);
      return known;
    }
    const dictionary: Dictionary = { finder: new NameFinder(), names: new Map() };
    const rows = this.database
      .prepare(
        `SELECT id, name FROM entries WHERE ownerId = @ownerId AND kind = 'page' AND day IS NULL AND name != ''
         UNION ALL
         SELECT o.pageId, o.name FROM otherNames o JOIN entries e ON e.id = o.pageId WHERE e.ownerId = @ownerId`,
      )
      .all({ ownerId }) as { id: string; name: string }[];
    for (const { id, name } of rows) {
      dictionary.finder.add(name);
      dictionary.names.set(id, [...(dictionary.names.get(id) ?? []), name]);
    }
    this.dictionaries.set(ownerId, dictionary);
    if (this.dictionaries.size > DICTIONARIES) this.dictionaries.delete(this.dictionaries.keys().next().value!);
    return dictionary;
  }

  /** Takes in what a page is called now. */
  private refresh(ownerId: string, pageId: string): void {
    const { finder, names } = this.dictionary(ownerId);
    const rows = this.database
      .prepare(
        `SELECT name FROM entries WHERE id = @pageId AND day IS NULL AND name != ''
         UNION ALL SELECT name FROM otherNames WHERE pageId = @pageId`,
      )
      .all({ pageId }) as { name: string }[];
    for (const name of names.get(pageId) ?? []) finder.remove(name);
    for (const { name } of rows) finder.add(name);
    names.set(
      pageId,
      rows.map(({ name }) => name),
    );
  }

  /** What a page's lines name, by the text that is stored. */
  lookThrough(pageId: string, ownerId: string): FoundMention[] {
    const { finder, names } = this.dictionary(ownerId);
    const page = this.database
      .prepare('SELECT e.day, b.json FROM entries e JOIN bodies b ON b.pageId = e.id WHERE e.id = ?')
      .get(pageId) as { day: string | null; json: string } | undefined;
    if (!page) return [];
    const own = new Set((names.get(pageId) ?? []).map(nameKey));
    if (page.day) own.add(dayKey(page.day));
    const found = new Map<string, FoundMention>();
    for (const node of (JSON.parse(page.json) as BodyJson).content) {
      const blockId = String(node.attrs?.id);
      textBlocks(node).forEach((block, index) => {
        const text = searchedText(block);
        const named = finder.find(text).map(({ start, end, key }) => ({ start, end, name: key }));
        const dates = datesIn(text, page.day).map(({ start, end, day }) => ({ start, end, name: dayKey(day) }));
        for (const { start, end, name } of [...named, ...dates]) {
          if (own.has(name)) continue;
          const mention = found.get(`${blockId} ${name}`) ?? { name, blockId, places: [] };
          mention.places.push([index, start, end]);
          found.set(`${blockId} ${name}`, mention);
        }
      });
    }
    return [...found.values()];
  }
}
