import { newId, block, pageLink, text, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { dayId } from '@glossarion/core/journal';
import { shippedKindId } from '@glossarion/core/kinds';
import type { WholeReview } from '@glossarion/core/review';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());
beforeEach(async () => {
  ines = await server.person();
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
});

const act = async (...acts: Act[]): Promise<void> => {
  const answer = await ines.post('/acts', { acts });
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
};
const reviewOf = async (period: string, today = '2026-05-06'): Promise<WholeReview> => {
  const answer = await ines.get(`/review/${period}?today=${today}&weekBegins=1`);
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  return answer.body as WholeReview;
};

/** A day with these lines, as it comes in with an import. */
const day = (on: string, lines: string) =>
  ines.post('/imports', { files: [{ path: `Journal/${on}.md`, text: lines }] });

/** The same with lines that link. */
async function written(on: string, nodes: NodeJson[]): Promise<void> {
  await day(on, 'Fog.\n');
  await act({ do: 'putBlocks', id: dayId(ines.viewer.accountId, on), afterId: null, nodes });
}

async function kindOfPage(name: string, kind: 'project' | 'person' | 'reading'): Promise<string> {
  const [notebook, id] = [newId(), newId()];
  await act(
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: `For ${name}` },
    { do: 'make', id, kind: 'page', parentId: notebook, name, kinds: [shippedKindId(ines.viewer.accountId, kind)] },
  );
  return id;
}

test('J8 what took the time: lines of days that name it, in the period and in the one before, and none of pages', async () => {
  const gate = await kindOfPage('Sluice gate', 'project');
  const wren = await kindOfPage('Tomas Wren', 'person');
  const [toGate, toWren] = [pageLink(gate), pageLink(wren)];
  const line = (content: NodeJson[], depth = 0) => block('bulleted', content, { depth });
  await written('2026-05-04', [
    line([toGate, text(' knocked')]),
    line([text('three times')], 1),
    line([text('Rang '), toWren, text(' about the '), toGate]),
  ]);
  await written('2026-05-05', [line([text('The '), toGate, text(' again')])]);
  await written('2026-04-03', [line([text('First look at the '), toGate])]);
  await written('2026-04-20', [line([text('Later than any day of May so far: '), toWren])]);
  const other = newId();
  const [notebook] = (await ines.get('/notebooks')).body as { id: string }[];
  await act({ do: 'make', id: other, kind: 'page', parentId: notebook!.id, name: 'Plan' });
  await act({
    do: 'putBlocks',
    id: other,
    afterId: null,
    nodes: [block('paragraph', [text('For the '), pageLink(gate)])],
  });
  const { took, review, targets } = await reviewOf('2026-05');
  expect(took.map(({ pageId, ...rest }) => [targets.find(({ id }) => id === pageId)!.title, rest])).toEqual([
    ['Sluice gate', { kind: 'project', lines: 3, words: 8, linesBefore: 1, days: ['2026-05-04', '2026-05-05'] }],
    ['Tomas Wren', { kind: 'person', lines: 1, words: 3, linesBefore: 0, days: ['2026-05-04'] }],
  ]);
  expect(took[1]!.pageId).toBe(wren);
  expect([review.counts.daysWritten, review.before.counts.daysWritten]).toEqual([2, 1]);
  expect(review.before.days).toEqual({ first: '2026-04-01', last: '2026-04-06' });
  // What is in the bin took its time all the same.
  await act({ do: 'bin', id: gate });
  expect((await reviewOf('2026-W19')).took.map(({ pageId }) => pageId)).toEqual([gate, wren]);
});

test('J8 tasks come in on the day of their page, or when their line was begun; pages when they were begun there', async () => {
  await ines.put('/settings', { key: 'timeZone', value: 'Pacific/Kiritimati' }).expect(204);
  await day('2026-05-04', '- [ ] Answer him\n- [x] Ring her\n');
  const notebook = newId();
  await act({ do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' });
  const id = newId();
  const now = new Date();
  await act({ do: 'make', id, kind: 'page', parentId: notebook, name: 'Plan' });
  await act({ do: 'putBlocks', id, afterId: null, nodes: [block('todo', 'Oil the cogs')] });
  const { review } = await reviewOf('2026-05');
  expect(review.counts.tasksCome).toBe(2);
  // There it is another day than here for most of it.
  const there = new Intl.DateTimeFormat('en-CA', { timeZone: 'Pacific/Kiritimati' }).format(now);
  const { bars } = (await reviewOf(there.slice(0, 7), there)).review;
  const bar = bars.find(({ name }) => name === there)!;
  expect([bar.counts.tasksCome, bar.counts.pagesBegun]).toEqual([1, 1]);
});
