import { dayKey, nameKey, NameFinder, searchedText, textBlocks, type NamedAt } from '@glossarion/core/alsoNamed';
import { datesIn } from '@glossarion/core/dates';
import type { BodyJson } from '@glossarion/core/document';
import { wordsIn } from '@glossarion/core/words';
import { DUE, NAMES_DUE, ownView, ViewerConnection, type Step } from '../access';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import { DOCUMENT } from '../entities/document.queries';
import { ALL_STEPS, STEP } from '../entities/entry.queries';
import { OTHER_NAMES } from '../entities/fact.queries';
import { FOUND } from '../entities/find.queries';
import { HOLDING_UNSPACED, NAMES } from './alsoNamed.queries';

export interface FoundLine {
  name: string;
  blockId: string;
  places: NamedAt[];
}

/** A piece of background work that was done, to be stored if nothing has changed meanwhile. */
export interface AlsoNamedBatch {
  /** Names that came or went and were seen to, by their numbers, with the documents that hold their words. */
  names: { numbers: number[]; documents: string[] } | null;
  documents: { documentId: string; accountId: string; number: number; lines: FoundLine[] }[];
}

/** The names of an account's pages, ready for finding. */
interface Dictionary {
  finder: NameFinder;
  names: Map<string, string[]>;
}

const DOCUMENTS_AT_ONCE = 40;
const NAMES_AT_ONCE = 200;
/** More new names than this, and all of an account is looked through instead of what holds each. */
const MANY_NAMES = 1_000;
const DICTIONARIES = 4;
/** A limit that is none. */
const ALL = -1;
/** Scripts without spaces are cut into words by the index otherwise than names are. */
const UNSPACED = /[\p{scx=Han}\p{scx=Hira}\p{scx=Kana}\p{scx=Thai}\p{scx=Lao}\p{scx=Khmer}\p{scx=Mymr}]/u;

/** A name that came or went; without an account, the page has gone since. */
interface DueName {
  number: number;
  pageId: string;
  name: string;
  accountId: string | null;
}

/** Looks for places that name a page without linking it. Reads only; what it finds is stored by whoever asked. */
export class AlsoNamedSearch {
  private dictionaries = new Map<string, Dictionary>();

  constructor(private database: RawDatabase) {}

  /** The data as an account sees it. An import may be under way at any time here. */
  private seenBy(accountId: string): ViewerConnection {
    return new ViewerConnection(this.database, ownView(accountId), true);
  }

  /** The next piece of what is due; null when nothing is. */
  next(): AlsoNamedBatch | null {
    const names = this.seeToNames();
    const due = prepared(this.database, DUE).all(DOCUMENTS_AT_ONCE) as {
      documentId: string;
      number: number;
      accountId: string;
    }[];
    if (!names && due.length === 0) return null;
    const documents = due.map((each) => ({ ...each, lines: this.lookThrough(each.documentId, each.accountId) }));
    return { names, documents };
  }

  forget(accountId: string): void {
    this.dictionaries.delete(accountId);
  }

  private seeToNames(): AlsoNamedBatch['names'] {
    const due = prepared(this.database, NAMES_DUE).all(MANY_NAMES) as DueName[];
    if (due.length === 0) return null;
    const isMany = due.length === MANY_NAMES;
    const taken = isMany ? due : due.slice(0, NAMES_AT_ONCE);
    const documents = new Set<string>();
    for (const { accountId, pageId, name } of taken) {
      if (accountId === null) continue;
      if (isMany) this.forget(accountId);
      else {
        this.refresh(accountId, pageId);
        for (const each of this.holding(accountId, name)) documents.add(each);
      }
    }
    if (isMany) {
      for (const accountId of new Set(taken.flatMap((each) => each.accountId ?? []))) {
        for (const { id, kind } of this.seenBy(accountId).all<Step>(ALL_STEPS)) if (kind === 'page') documents.add(id);
      }
    }
    return { numbers: taken.map(({ number }) => number), documents: [...documents] };
  }

  /** Documents whose text may hold a name. */
  private holding(accountId: string, name: string): string[] {
    if (nameKey(name) === null) return [];
    const connection = this.seenBy(accountId);
    const words = wordsIn(name)
      .map(({ word }) => word)
      .join(' ');
    const rows = UNSPACED.test(name)
      ? connection.all<{ id: string }>(HOLDING_UNSPACED, { name })
      : connection.all<{ id: string }>(FOUND('newest'), { match: `body : "${words}"`, limit: ALL });
    return rows.map(({ id }) => id);
  }

  private dictionary(accountId: string): Dictionary {
    const known = this.dictionaries.get(accountId);
    if (known) {
      this.dictionaries.delete(accountId);
      this.dictionaries.set(accountId, known);
      return known;
    }
    const dictionary: Dictionary = { finder: new NameFinder(), names: new Map() };
    for (const { id, name } of this.seenBy(accountId).all<{ id: string; name: string }>(NAMES)) {
      dictionary.finder.add(name);
      dictionary.names.set(id, [...(dictionary.names.get(id) ?? []), name]);
    }
    this.dictionaries.set(accountId, dictionary);
    if (this.dictionaries.size > DICTIONARIES) this.dictionaries.delete(this.dictionaries.keys().next().value!);
    return dictionary;
  }

  /** Takes in what a page is called now. */
  private refresh(accountId: string, pageId: string): void {
    const { finder, names } = this.dictionary(accountId);
    const step = this.seenBy(accountId).first<Step>(STEP, { id: pageId });
    const isCalled = step?.day === null && step.name !== '';
    const others = step ? (prepared(this.database, OTHER_NAMES).pluck().all(pageId) as string[]) : [];
    const present = [...(isCalled ? [step.name] : []), ...others];
    for (const name of names.get(pageId) ?? []) finder.remove(name);
    for (const name of present) finder.add(name);
    names.set(pageId, present);
  }

  /** What a document's lines name, by the text that is stored. */
  lookThrough(documentId: string, accountId: string): FoundLine[] {
    const { finder, names } = this.dictionary(accountId);
    const page = this.seenBy(accountId).first<Step>(STEP, { id: documentId });
    const stored = prepared(this.database, DOCUMENT).get(documentId) as { json: string } | undefined;
    if (!page || !stored) return [];
    const own = new Set((names.get(documentId) ?? []).map(nameKey));
    if (page.day) own.add(dayKey(page.day));
    const found = new Map<string, FoundLine>();
    for (const node of (JSON.parse(stored.json) as BodyJson).content) {
      const blockId = String(node.attrs?.id);
      textBlocks(node).forEach((block, index) => {
        const text = searchedText(block);
        const named = finder.find(text).map(({ start, end, key }) => ({ start, end, name: key }));
        const dates = datesIn(text, page.day).map(({ start, end, day }) => ({ start, end, name: dayKey(day) }));
        for (const { start, end, name } of [...named, ...dates]) {
          if (own.has(name)) continue;
          const line = found.get(`${blockId} ${name}`) ?? { name, blockId, places: [] };
          line.places.push([index, start, end]);
          found.set(`${blockId} ${name}`, line);
        }
      });
    }
    return [...found.values()];
  }
}
