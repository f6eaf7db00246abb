import { Text as SharedText } from 'yjs';
import { indexedWords } from '@glossarion/core/words';
import type { Viewer } from '../access';
import type { Services } from '../services';
import { madeNotes, madeTitle } from '../services/madeNotes';
import { median, percentile, say, sum, time, timeAsync } from './measure';

/** How many searches of each sort are tried. */
const TRIED = 30;
/** How often each is. */
const TURNS = 3;
/** The most milliseconds that the slowest of twenty may take. */
const SLOWEST = 100;

/** A search as it is typed, and the words that the bare index is asked for. */
type Search = readonly [typed: string, bare: string];

const word = (each: string): string => `"${each}"`;
const all = (words: readonly string[]): string => words.map(word).join(' AND ');

/** A word with two of its letters in each other's place. */
const mistyped = (each: string): string => `${each[0]}${each[2]}${each[1]}${each.slice(3)}`;

/** What stands before the words of a task. */
const TASK = /^\s*- \[[ x]\]/u;

/** Searches of every sort, in made notes. */
function searches(): Record<string, { most: number; tried: Search[] }> {
  const files = madeNotes({ pages: 400 });
  // What a writer would call a line: without the marks of a list or a task before it.
  const lines = files
    .flatMap(({ text }) => text.split('\n'))
    .map((line) => indexedWords(line.replace(TASK, '')).split(' '));
  const long = lines.filter((words) => words.length >= 6 && words.every((each) => /^[a-z]+$/u.test(each)));
  const some = <T>(list: readonly T[]): T[] =>
    list.filter((_each, index) => index % Math.ceil(list.length / TRIED) === 0);
  const words = [...new Set(lines.flat())].filter((each) => each.length >= 5 && /^[a-z]+$/u.test(each));
  const titles = Array.from({ length: TRIED }, (_each, index) => indexedWords(madeTitle(index * 7)).split(' '));
  return {
    'one letter': { most: 2, tried: some(words).map((each) => [each[0]!, `${word(each[0]!)} *`]) },
    'a word as it is typed': {
      most: 2,
      tried: some(words).map((each) => [each.slice(0, 4), `${word(each.slice(0, 4))} *`]),
    },
    'a word': { most: 2, tried: some(words).map((each) => [`${each} `, word(each)]) },
    'three words': {
      most: 2,
      tried: some(long).map((line) => [`${line.slice(0, 3).join(' ')} `, all(line.slice(0, 3))]),
    },
    'a phrase': {
      most: 2,
      tried: some(long).map((line) => [`"${line.slice(1, 4).join(' ')}" `, word(line.slice(1, 4).join(' '))]),
    },
    'a slip': { most: 3, tried: some(words).map((each) => [`${mistyped(each)} `, word(each)]) },
    'a word in a link': {
      most: 3,
      tried: some(long).map((line, index) => {
        const linked = titles[index % titles.length]!.at(-1)!;
        return [`${linked} ${line[0]} `, all([linked, line[0]!])];
      }),
    },
    'a filter': { most: 2, tried: some(words).map((each) => [`has:tasks ${each} `, word(each)]) },
  };
}

/** Finding against the bare index, asked for the same words in the same order of rank. */
export async function measureFinding({ database, find }: Services, viewer: Viewer, scale: string): Promise<void> {
  const bare = database.reader.prepare(
    'SELECT rowid FROM findIndex WHERE findIndex MATCH ? ORDER BY bm25(findIndex, 8, 1) LIMIT 24',
  );
  for (const [sort, { most, tried }] of Object.entries(searches())) {
    for (const [typed] of tried) await find.find(viewer, typed);
    const times: number[] = [];
    const [own, bareOnes] = [tried.map(() => Infinity), tried.map(() => Infinity)];
    // In turns, the quickest of each counted: a machine that others use is slower now and then.
    for (let turn = 0; turn < TURNS; turn += 1) {
      for (const [index, [typed, match]] of tried.entries()) {
        bareOnes[index] = Math.min(
          bareOnes[index]!,
          time(() => bare.all(match)),
        );
        const took = await timeAsync(() => find.find(viewer, typed));
        own[index] = Math.min(own[index]!, took);
        times.push(took);
      }
    }
    const p95 = percentile(times, 0.95);
    say(
      `Find ${sort} / bare FTS5`,
      scale,
      sum(own) / sum(bareOnes),
      most,
      `p95 ${p95.toFixed(1)} ms, at most ${SLOWEST}`,
    );
  }
}

/** Keys stored, and milliseconds between two of them and between two searches. */
const KEYS = 100;
const BETWEEN_KEYS = 30;
const BETWEEN_SEARCHES = 50;

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** What is written in one window while somebody types searches of every sort in another. */
export async function measureKeysMeanwhile(
  { documents, find }: Services,
  viewer: Viewer,
  scale: string,
): Promise<void> {
  const pageId = (await find.byName(viewer, madeTitle(1), 1))[0]!.id;
  const key = () => documents.edit(viewer, pageId, (document) => document.get('title', SharedText).insert(0, 'x'));
  const keys = async () => {
    const times: number[] = [];
    for (let turn = 0; turn < KEYS; turn += 1) {
      times.push(await timeAsync(key));
      await pause(BETWEEN_KEYS);
    }
    return times;
  };
  await keys();
  const atRest = await keys();
  const tried = Object.values(searches()).flatMap((sort) => sort.tried.map(([typed]) => typed));
  let isOver = false;
  const searching = (async () => {
    for (let turn = 0; !isOver; turn += 1) {
      await find.find(viewer, tried[(turn * 7) % tried.length]!);
      await pause(BETWEEN_SEARCHES);
    }
  })();
  const meanwhile = await keys();
  isOver = true;
  await searching;
  const slowest = `p95 ${percentile(meanwhile, 0.95).toFixed(1)} ms, at rest ${percentile(atRest, 0.95).toFixed(1)} ms`;
  say('a key stored while searches are typed / at rest', scale, median(meanwhile) / median(atRest), 1.5, slowest);
}
