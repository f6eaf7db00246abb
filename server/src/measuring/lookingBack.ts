import { dayId, addDays } from '@glossarion/core/journal';
import { newId } from '@glossarion/core/document';
import { shippedKindId } from '@glossarion/core/kinds';
import { ownedBy, ownView } from '../access';
import { HappeningEntity } from '../entities';
import type { Services } from '../services';
import { median, say, timeAsync } from './measure';

const TODAY = '2026-11-26';
/** Days of the journal, each of which speaks of the project so often. */
const DAYS = 1000;
const A_DAY = 3;
const TURNS = 30;
/** What a review of a year may take, in milliseconds. */
const YEAR_AT_MOST = 300;

const repeated = async (work: () => Promise<unknown>): Promise<number> => {
  const times: number[] = [];
  for (let turn = 0; turn < TURNS; turn += 1) times.push(await timeAsync(work));
  return median(times.slice(TURNS / 6));
};

/** The log of a project that 3,000 lines of three years speak of, and a look back on a year of them. */
export async function measureLookingBack(services: Services): Promise<void> {
  const { id } = await services.accounts.make(`Looking back ${newId()}`, 'made for measuring');
  const viewer = ownView(id);
  const days = Array.from({ length: DAYS }, (_each, index) => addDays(TODAY, -1 - index));
  const lines = (day: string) =>
    Array.from({ length: A_DAY }, (_line, line) => `- ${line + 8}:10 Looked at [[Sluice gate]] on ${day}\n`).join('');
  await services.imports.take(viewer, [
    { path: 'Mill/Sluice gate.md', text: '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n' },
    ...days.map((day) => ({ path: `Journal/${day}.md`, text: `${lines(day)}\n- [x] Read the staff of ${day}\n` })),
  ]);
  await services.background.idle();
  const happened = { ...ownedBy(viewer), occurrence: '', fromDay: '', toDay: '', isTakenBack: 0 as const };
  await services.database.write(async (manager) => {
    for (const day of days) {
      const of = { ...happened, documentId: dayId(id, day), day };
      await manager.insert(HappeningEntity, { ...of, what: 'words', blockId: '', words: 240 });
      await manager.insert(HappeningEntity, { ...of, what: 'done', blockId: newId(), words: 0 });
    }
  });
  const project = services.pagesOfKinds;
  const { pages } = await project.of(viewer, shippedKindId(id, 'project'), 0, 1);
  const gate = pages[0]!.id;
  const margin = () => services.margin.glosses(viewer, gate, {}, { limit: 200 });
  const log = () => services.logs.of(viewer, gate, {}, { from: 0, limit: 100, order: 'newest' });
  const { count } = await log();
  await margin();
  const [ofMargin, ofLog] = [await repeated(margin), await repeated(log)];
  say('a log / its Margin’s first piece', `${count} lines`, ofLog / ofMargin, 2, `${ofLog.toFixed(1)} ms`);
  const year = await repeated(() => services.reviews.of(viewer, '2026', TODAY, 1));
  say('a review of a year / 300 ms', `${DAYS} days`, year / YEAR_AT_MOST, 1, `${year.toFixed(1)} ms`);
}
