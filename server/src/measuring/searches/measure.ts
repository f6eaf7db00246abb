import path from 'node:path';
import { indexedWords } from '@glossarion/core/words';
import { localDay } from '@glossarion/core/journal';
import { ownView, type Viewer } from '../../access';
import type { Services } from '../../services';
import { DEMO_NAME } from '../../services/accounts';
import { makeDemo, readDemoNotes } from '../../services/demo';
import { madeNotes } from '../../services/madeNotes';
import { sum } from '../measure';
import { PAGES_ELSEWHERE } from './elsewhere';
import { SEARCHES_IN_DEMO } from './inDemo';
import { SEARCHES_IN_MANY } from './inMany';
import { judge } from './judge';
import type { LabelledSearch } from './labelled';

const NOTES = path.resolve('demo/notes');
/** How many pages stand around those that are looked for. */
const AROUND = 10_000;
/** The share of searches that have to find what they must. */
const RIGHT = 0.95;

/** Words of the demo's notes, the commonest first: what is near a slip has to be a word that people write. */
function writtenWords(today: string): string[] {
  const counts = new Map<string, number>();
  for (const { text } of readDemoNotes(NOTES, today)) {
    for (const word of indexedWords(text.replace(/^---\n.*?\n---\n/su, '').replaceAll(/\{[^}]*\}/gu, '')).split(' ')) {
      counts.set(word, (counts.get(word) ?? 0) + 1);
    }
  }
  return [...counts.keys()].sort((one, other) => counts.get(other)! - counts.get(one)!);
}

/** The account of the pages that are searched in among many. */
const MANY = 'Searches among many';

/** Tries the labelled searches in the demo's notes, and in pages of many languages among ten thousand others. */
export async function measureSearches(services: Services): Promise<void> {
  const { demo, many } = await searchedAccounts(services);
  await sayJudged(services, demo, 'searches in the demo', SEARCHES_IN_DEMO);
  await sayJudged(services, many, `searches among ${AROUND} pages`, SEARCHES_IN_MANY);
}

/** The accounts that are searched in; made where they are not there yet. */
async function searchedAccounts(services: Services): Promise<{ demo: Viewer; many: Viewer }> {
  const today = localDay(new Date());
  const viewerOf = async (name: string) => {
    const account = await services.accounts.byName(name);
    return account && ownView(account.id);
  };
  if (!(await viewerOf(DEMO_NAME))) await makeDemo(services, NOTES, today, false);
  const demo = (await viewerOf(DEMO_NAME))!;
  let many = await viewerOf(MANY);
  if (!many) {
    const { id } = await services.accounts.make(MANY, 'made for measuring');
    many = ownView(id);
    await services.imports.take(many, madeNotes({ pages: AROUND, words: writtenWords(today) }));
    await services.imports.take(many, PAGES_ELSEWHERE);
  }
  return { demo, many };
}

async function sayJudged(
  services: Services,
  viewer: Viewer,
  where: string,
  groups: Readonly<Record<string, readonly LabelledSearch[]>>,
): Promise<void> {
  const judged = await judge(services, viewer, groups);
  const all = sum(judged.map(({ searches }) => searches));
  const right = sum(judged.map((each) => each.right)) / all;
  const mean = sum(judged.map(({ searches, meanReciprocalRank }) => searches * meanReciprocalRank)) / all;
  for (const { group, searches, right: found, meanReciprocalRank, missed } of judged) {
    const missing = missed.length > 0 ? `  not: ${missed.join(' · ')}` : '';
    console.log(`  ${group.padEnd(46)} ${found} of ${searches}, ${meanReciprocalRank.toFixed(2)}${missing}`);
  }
  const within = right >= RIGHT ? 'at least' : 'UNDER';
  console.log(
    `${where.padEnd(38)} ${`${all} tried`.padStart(12)}  ${(right * 100).toFixed(1)} %  ${within} ${RIGHT * 100} %  mean reciprocal rank ${mean.toFixed(3)}`,
  );
}
