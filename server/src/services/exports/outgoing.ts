import { In } from 'typeorm';
import { FilePlaces, type Placed } from '@glossarion/core/formats/account';
import type { Viewer } from '../../access';
import { DocumentEntity } from '../../entities';
import { entryTitle } from '../entries';
import type { Progress } from '../works';
import type { ExportContext } from './context';
import { toPlace, type ExportedEntry } from './entries';
import { idsIn } from './named';
import { nextTurn } from '../turns';

/** Pages that are read in one piece, and of how many letters of JSON they are at most. */
const PIECE = 60;
const PIECE_LENGTH = 1_500_000;
/** Entries that are looked at in one go. */
const LOT = 200;

/** What goes out, whatever it is written as. */
export interface Outgoing {
  context: ExportContext;
  viewer: Viewer;
  /** Each after what it stands in, siblings in their order. */
  entries: readonly ExportedEntry[];
  /** Whether it is all there is. */
  isWhole: boolean;
  /** Of a part, those that stand in nothing that goes out with them. */
  roots: ReadonlySet<string>;
  /** What all of it is called. */
  title: string;
  /** Where the product is served: `https://notes.example`. */
  origin: string;
  progress: Progress;
}

/** A page with its stored body. */
export interface PageOut {
  entry: ExportedEntry;
  json: string;
  /** All that the body names by an id. */
  ids: Set<string>;
}

export const pagesAmong = ({ entries }: Outgoing): ExportedEntry[] => entries.filter(({ kind }) => kind === 'page');

/** What each is called, by its id. */
export const titlesOf = ({ entries }: Outgoing): ReadonlyMap<string, string> =>
  new Map(entries.map((entry) => [entry.id, entryTitle(entry)]));

/** Where each has its file, by its id; files end with this. */
export async function placesOf(outgoing: Outgoing, ending: string): Promise<ReadonlyMap<string, Placed>> {
  const { roots } = outgoing;
  const places = new FilePlaces(ending);
  for (const some of lotsOf(outgoing.entries)) {
    places.add(some.map((entry) => toPlace(entry, roots.has(entry.id))));
    await nextTurn();
  }
  return places.placed;
}

/** The pages with their bodies, in pieces. */
export async function* pagesOut(outgoing: Outgoing): AsyncGenerator<PageOut[]> {
  const pages = pagesAmong(outgoing);
  for (let from = 0; from < pages.length;) {
    const some = pages.slice(from, from + PIECE);
    const { manager } = outgoing.context.database;
    const stored = await manager.findBy(DocumentEntity, { id: In(some.map(({ id }) => id)) });
    const jsonOf = new Map(stored.map(({ id, json }) => [id, json]));
    const piece: PageOut[] = [];
    let length = 0;
    for (const entry of some) {
      const json = jsonOf.get(entry.id) ?? '{"type":"doc","content":[]}';
      if (piece.length > 0 && (length += json.length) > PIECE_LENGTH) break;
      piece.push({ entry, json, ids: idsIn(json) });
    }
    from += piece.length;
    yield piece;
  }
}

/** What takes long to make is made two at a time, unless there is so much of it that others would go short for long. */
const MANY = 20_000;
export const atOnceFor = (outgoing: Outgoing): 1 | 2 => (pagesAmong(outgoing).length > MANY ? 1 : 2);

/**
 * Makes pieces while those before them are used; gives them in their order.
 *
 * @param atOnce so many at one time: two take as much memory again, and gain where making one takes longer than all else
 */
export async function* ahead<T, R>(
  pieces: AsyncIterable<T>,
  make: (piece: T) => Promise<R>,
  atOnce: 1 | 2 = 1,
): AsyncGenerator<R> {
  const making: Promise<R>[] = [];
  for await (const piece of pieces) {
    const made = making.length === atOnce ? [await making.shift()!] : [];
    const next = make(piece);
    // Whoever waits for it hears that it failed.
    next.catch(() => undefined);
    making.push(next);
    yield* made;
  }
  for (const each of making) yield await each;
}

/** Entries in lots of which each is gone through in a moment. */
export function* lotsOf<T>(all: readonly T[]): Generator<readonly T[]> {
  for (let from = 0; from < all.length; from += LOT) yield all.slice(from, from + LOT);
}

/** A text that is written in many pieces, between which others are served. */
export async function gathered(pieces: Iterable<string>): Promise<string> {
  let text = '';
  let count = 0;
  for (const piece of pieces) {
    text += piece;
    if ((count += 1) % LOT === 0) await nextTurn();
  }
  return text;
}
