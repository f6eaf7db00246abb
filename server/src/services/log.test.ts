import { block, newId, ownWords, pageLink, text, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { dayId } from '@glossarion/core/journal';
import { shippedFieldId, shippedKindId } from '@glossarion/core/kinds';
import type { LogPiece } from '@glossarion/core/log';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;
let notebook: string;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());
beforeEach(async () => {
  ines = await server.person();
  notebook = newId();
  await act({ do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' });
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
});

const act = async (...acts: Act[]): Promise<void> => {
  const answer = await ines.post('/acts', { acts });
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
};
const kind = (name: Parameters<typeof shippedKindId>[1]) => shippedKindId(ines.viewer.accountId, name);
const page = async (name: string, kinds: string[] = [], more: Partial<Extract<Act, { do: 'make' }>> = {}) => {
  const id = newId();
  await act({ do: 'make', id, kind: 'page', parentId: notebook, name, kinds, ...more });
  return id;
};
/** A day of the journal with these lines. */
async function written(on: string, ...nodes: NodeJson[]): Promise<void> {
  await ines.post('/imports', { files: [{ path: `Journal/${on}.md`, text: 'Fog.\n' }] });
  await act({ do: 'putBlocks', id: dayId(ines.viewer.accountId, on), afterId: null, nodes });
}
const line = (...content: NodeJson[]) => block('paragraph', content);
const task = (...content: NodeJson[]) => block('todo', content, { id: newId() });
const logOf = async (id: string, query = ''): Promise<LogPiece> => {
  const answer = await ines.get(`/pages/${id}/log?${query}`);
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  return answer.body as LogPiece;
};
const said = ({ entries }: LogPiece): string[] =>
  entries.map(({ gloss, on, isDone }) => `${on} ${isDone ? 'done: ' : ''}${gloss.field ?? ownWords(gloss.node)}`);

test('J6 what days and meetings said of a page stands by date, in either order, a piece at a time, with its months', async () => {
  const gate = await page('Sluice gate', [kind('project')]);
  await written(
    '2026-03-21',
    line(text('Chalked the '), pageLink(gate)),
    block('bulleted', 'at each board', { depth: 1 }),
  );
  await written('2026-03-09', line(text('The '), pageLink(gate), text(' knocked')));
  await written('2026-05-02', line(text('Frame of the '), pageLink(gate)));
  await page('On the quay', [kind('meeting')], {
    fields: [
      { field: shippedFieldId(ines.viewer.accountId, 'meeting', 'For the project'), pages: [gate] },
      { field: shippedFieldId(ines.viewer.accountId, 'meeting', 'Held on'), atom: '2026-04-05' },
    ],
  });
  const oldest = [
    '2026-03-09 The  knocked',
    '2026-03-21 Chalked the ',
    '2026-04-05 For the project',
    '2026-05-02 Frame of the ',
  ];
  const all = await logOf(gate, 'order=oldest');
  expect(said(all)).toEqual(oldest);
  expect(all.months).toEqual([
    { month: '2026-03', count: 2 },
    { month: '2026-04', count: 1 },
    { month: '2026-05', count: 1 },
  ]);
  expect(all.entries[1]!.gloss.children.map(ownWords)).toEqual(['at each board']);
  expect(said(await logOf(gate))).toEqual([...oldest].reverse());
  const piece = await logOf(gate, 'order=oldest&from=1&limit=2');
  expect([piece.count, said(piece)]).toEqual([4, oldest.slice(1, 3)]);
  expect(said(await logOf(gate, 'since=2026-04-05&order=oldest'))).toEqual(oldest.slice(2));
  expect(said(await logOf(gate, `kind=${kind('meeting')}`))).toEqual([oldest[2]]);
  expect(all.kinds).toEqual([{ kind: kind('meeting'), name: 'meeting', count: 1 }]);
  // A kind that is gone leaves nothing out.
  expect((await logOf(gate, `kind=${newId()}`)).count).toBe(4);
});

test('J6 the log of a project has what was done for it, on the day it was, and nobody else’s log has', async () => {
  const gate = await page('Sluice gate', [kind('project')]);
  const board = await page('Boards', [], { parentId: gate });
  const wren = await page('Tomas Wren', [kind('person')]);
  const [plumb, measure] = [task(text('Plumb the frame')), task(text('Measure for '), pageLink(wren))];
  const called = task(text('Ring about the '), pageLink(gate));
  await act({ do: 'putBlocks', id: gate, afterId: null, nodes: [plumb] });
  await act({ do: 'putBlocks', id: board, afterId: null, nodes: [measure] });
  await written('2026-03-09', called);
  const today = '2026-05-06';
  const done = (pageId: string, node: NodeJson): Act => ({
    do: 'setTask',
    id: pageId,
    blockId: String(node.attrs!.id),
    change: { set: 'state', state: 'done', today },
    occurrence: null,
  });
  await act(done(gate, plumb), done(board, measure), done(dayId(ines.viewer.accountId, '2026-03-09'), called));
  const project = await logOf(gate, 'order=oldest');
  expect(said(project)[0]).toBe('2026-03-09 Ring about the ');
  expect(said(project).slice(1).sort()).toEqual([
    `${today} done: Measure for `,
    `${today} done: Plumb the frame`,
    `${today} done: Ring about the `,
  ]);
  // What names a person was said of them; that it was done is not.
  const ofWren = await logOf(wren);
  expect([ofWren.count, ofWren.entries[0]!.isDone]).toEqual([1, false]);
});
