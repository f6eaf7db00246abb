import { block, newId, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { addDays, dayId } from '@glossarion/core/journal';
import { daysOf, type PeriodCounts, type WholeReview } from '@glossarion/core/review';
import { ownedBy } from '../access';
import { EntryEntity, HappeningEntity } from '../entities';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());

/** Zones with days that begin long before or after those of most, by half an hour, and with clocks that change. */
const ZONES = ['Pacific/Kiritimati', 'Pacific/Pago_Pago', 'Europe/London', 'America/St_Johns', 'Australia/Lord_Howe'];
/** Around these clocks change in some of them, months end, and the year does. */
const TURNS = ['2026-03-29T00:40:00Z', '2026-04-04T15:10:00Z', '2026-10-25T01:20:00Z', '2026-12-31T12:00:00Z'];
const HOUR = 3_600_000;
const TODAY = '2027-01-03';

/** The id of a line that was begun at a moment: RFC 9562, 5.7, its first 48 bits are the milliseconds since 1970. */
function idOfMoment(at: number): string {
  const time = at.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}${newId().slice(13)}`;
}

/** What happened, as the test knows it without asking anybody. */
interface Happened {
  pagesAt: number[];
  tasksAt: number[];
  words: Map<string, number>;
  done: Map<string, number>;
  written: Set<string>;
}

async function filled(person: Person, happened: Happened): Promise<void> {
  const act = async (...acts: Act[]) => {
    const answer = await person.post('/acts', { acts });
    expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  };
  const notebook = newId();
  await act({ do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' });
  const days = [...happened.written];
  await person.post('/imports', { files: days.map((day) => ({ path: `Journal/${day}.md`, text: 'Fog.\n' })) });
  const ids = happened.pagesAt.map(() => newId());
  await act(...ids.map((id): Act => ({ do: 'make', id, kind: 'page', parentId: notebook, name: `Page ${id}` })));
  const nodes = happened.tasksAt.map((at): NodeJson => block('todo', 'Oil it', { id: idOfMoment(at) }));
  await act({ do: 'putBlocks', id: ids[0]!, afterId: null, nodes });
  const of = { ...ownedBy(person.viewer), occurrence: '', fromDay: '', toDay: '', isTakenBack: 0 as const };
  await server.services.database.write(async (manager) => {
    for (const [index, at] of happened.pagesAt.entries()) {
      await manager.update(EntryEntity, { id: ids[index]! }, { begunAt: new Date(at).toISOString() });
    }
    const at = (day: string) => ({ ...of, documentId: dayId(person.viewer.accountId, day), day });
    for (const [day, words] of happened.words) {
      await manager.insert(HappeningEntity, { ...at(day), what: 'words', blockId: '', words });
    }
    for (const [day, times] of happened.done) {
      for (let time = 0; time < times; time += 1) {
        await manager.insert(HappeningEntity, { ...at(day), what: 'done', blockId: newId(), words: 0 });
      }
    }
  });
}

test.each(ZONES)(
  'J8 the numbers of a review are those of a plain recount, in %s, whenever its clocks change',
  async (zone) => {
    const person = await server.person();
    await person.put('/settings', { key: 'timeZone', value: zone }).expect(204);
    const happened: Happened = { pagesAt: [], tasksAt: [], words: new Map(), done: new Map(), written: new Set() };
    for (const turn of TURNS) {
      for (let hours = -54; hours <= 54; hours += 6) {
        const at = Date.parse(turn) + hours * HOUR;
        happened.pagesAt.push(at);
        happened.tasksAt.push(at + HOUR / 2);
      }
      for (const days of [-2, 0, 1]) {
        const day = addDays(turn.slice(0, 10), days);
        happened.written.add(day);
        happened.words.set(day, 40 - days);
        happened.done.set(day, days + 3);
      }
    }
    await filled(person, happened);
    const dayThere = new Intl.DateTimeFormat('en-CA', { timeZone: zone });
    const recount = (first: string, last: string): Partial<PeriodCounts> => {
      const isIn = (day: string) => day >= first && day <= last;
      const at = (moments: readonly number[]) => moments.filter((each) => isIn(dayThere.format(each))).length;
      const of = (days: ReadonlyMap<string, number>) =>
        [...days].reduce((sum, [day, value]) => sum + (isIn(day) ? value : 0), 0);
      return {
        daysWritten: [...happened.written].filter(isIn).length,
        words: of(happened.words),
        tasksDone: of(happened.done),
        tasksCome: at(happened.tasksAt),
        pagesBegun: at(happened.pagesAt),
      };
    };
    for (const period of [
      '2026',
      '2026-03',
      '2026-04',
      '2026-10',
      '2026-12',
      '2026-W13',
      '2026-W14',
      '2026-W43',
      '2026-W53',
    ]) {
      for (const weekBegins of [0, 1, 6]) {
        const answer = await person.get(`/review/${period}?today=${TODAY}&weekBegins=${weekBegins}`);
        expect([period, answer.status]).toEqual([period, 200]);
        const { review } = answer.body as WholeReview;
        const { first, last } = daysOf(period, weekBegins);
        expect([period, weekBegins, review.counts]).toEqual([
          period,
          weekBegins,
          expect.objectContaining(recount(first, last < TODAY ? last : TODAY)),
        ]);
        for (const { first: from, last: to, counts } of review.bars) {
          expect([period, from, counts]).toEqual([period, from, expect.objectContaining(recount(from, to))]);
        }
      }
    }
    expect((await checkData(server.services.database)).filter(({ what }) => !/happen/iu.test(what))).toEqual([]);
  },
);
