import * as Y from 'yjs';
import type { AboutMeeting } from '@glossarion/core/meetings';
import {
  block,
  fieldText,
  newId,
  ownWords,
  pageLink,
  readBeside,
  text,
  writeField,
  writeKinds,
  type Beside,
} from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { dayId } from '@glossarion/core/journal';
import { shippedFieldId, shippedKindId, type KnownKinds, type PagesOfKind } from '@glossarion/core/kinds';
import type { Gloss, MarginPage } from '@glossarion/core/margin';
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

const act = async (...acts: Act[]): Promise<Act[]> => {
  const answer = await ines.post('/acts', { acts });
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  return (answer.body as { undo: Act[] }).undo;
};
const refused = async (...acts: Act[]): Promise<string> => {
  const answer = await ines.post('/acts', { acts });
  expect(answer.status).toBeGreaterThanOrEqual(400);
  return String(answer.body.detail);
};
const page = async (name: string, more: Partial<Extract<Act, { do: 'make' }>> = {}): Promise<string> => {
  const id = newId();
  await act({ do: 'make', id, kind: 'page', parentId: notebook, name, ...more });
  return id;
};
const besideOf = async (id: string): Promise<Beside> => {
  const { kinds = [], fields = {} } = ((await ines.get(`/pages/${id}`)).body as { body: Beside }).body;
  return { kinds, fields };
};
const marginOf = async (id: string, query = ''): Promise<MarginPage> =>
  (await ines.get(`/pages/${id}/margin?${query}`)).body as MarginPage;
const saying = ({ pageTitle, field }: Gloss) => [pageTitle, field];

const kind = (name: Parameters<typeof shippedKindId>[1]) => shippedKindId(ines.viewer.accountId, name);
const field = (of: Parameters<typeof shippedKindId>[1], name: string) =>
  shippedFieldId(ines.viewer.accountId, of, name);

test('F7 a meeting leads to its project and its people, who have it in their Margins by what the field is called', async () => {
  const [gate, wren] = [await page('Sluice gate'), await page('Tomas Wren', { kinds: [kind('person')] })];
  const meeting = await page('Call about the pintle', {
    kinds: [kind('meeting')],
    fields: [
      { field: field('meeting', 'Attended by'), pages: [wren] },
      { field: field('meeting', 'For the project'), pages: [gate] },
      { field: field('meeting', 'Held on'), atom: '2026-03-09' },
    ],
  });
  expect((await marginOf(gate)).glosses.map(saying)).toEqual([['Call about the pintle', 'For the project']]);
  expect((await marginOf(wren)).glosses.map(saying)).toEqual([['Call about the pintle', 'Attended by']]);
  // They are there again in what a filter by kind leaves, and no others are.
  const { facets } = await marginOf(wren, 'hasFacets=true');
  expect(facets!.kinds).toEqual([{ kind: kind('meeting'), name: 'meeting', count: 1 }]);
  expect((await marginOf(wren, `kind=${kind('person')}`)).count).toBe(0);
  expect((await marginOf(wren, `kind=${kind('meeting')}`)).count).toBe(1);
  // A rename shows at once, since no name is held; what is in the bin is shown of nothing.
  await act({ do: 'name', id: meeting, name: 'The pintle' });
  expect((await marginOf(gate)).glosses.map(saying)).toEqual([['The pintle', 'For the project']]);
  const back = await act({ do: 'bin', id: meeting });
  expect((await marginOf(gate)).glosses).toEqual([]);
  await act(...back);
  expect((await marginOf(gate)).total).toBe(1);
});

test('F7 two windows write different fields of a page while apart, and the words of one, and nothing is lost', async () => {
  const wren = await page('Tomas Wren');
  const { documents } = server.services;
  const { epoch, update } = await documents.open(ines.viewer, wren, null, null);
  const windows = [new Y.Doc(), new Y.Doc()];
  for (const each of windows) Y.applyUpdate(each, update);
  const [one, other] = windows as [Y.Doc, Y.Doc];
  writeKinds(one, [kind('person')]);
  fieldText(one, field('person', 'Trade')).insert(0, 'millwright');
  writeKinds(other, [kind('reading')]);
  fieldText(other, field('person', 'Trade')).insert(0, 'carpenter');
  writeField(other, field('person', 'Mail'), { atom: 'mailto:tomas@wren.example' });
  for (const each of windows) {
    await documents.receive(ines.viewer, wren, epoch, Y.encodeStateAsUpdate(each), null);
  }
  const { kinds, fields } = await besideOf(wren);
  expect([...kinds].sort()).toEqual([kind('person'), kind('reading')].sort());
  expect(fields[field('person', 'Trade')]!.text).toMatch(/millwrightcarpenter|carpentermillwright/u);
  expect(fields[field('person', 'Mail')]).toEqual({ atom: 'mailto:tomas@wren.example' });
  // A server that is started anew has them from what is stored.
  const again = new Y.Doc();
  Y.applyUpdate(again, (await documents.open(ines.viewer, wren, null, null)).update);
  expect(readBeside(again)).toEqual({ kinds, fields });
});

test('F7 what is no field is refused, and nothing of what came with it is stored', async () => {
  const wren = await page('Tomas Wren');
  const { documents } = server.services;
  const { epoch, update } = await documents.open(ines.viewer, wren, null, null);
  const window = new Y.Doc();
  Y.applyUpdate(window, update);
  window.getText('title').insert(0, 'Master ');
  window.getMap('fields').set('trade', ['smith']);
  const sent = documents.receive(ines.viewer, wren, epoch, Y.encodeStateAsUpdate(window), null);
  await expect(sent).rejects.toThrow(/field|page/u);
  expect((await ines.get(`/pages/${wren}`)).body.title).toBe('Tomas Wren');
  expect(await refused({ do: 'setFields', id: wren, fields: [{ field: 'trade', text: 'x' } as never] })).toBeTruthy();
});

test('F7 lines are written, moved and lifted without touching what stands beside them', async () => {
  const held = { kinds: [kind('project')], fields: { [field('project', 'Runs')]: { atom: '2026-03-01/..' } } };
  const gate = await page('Sluice gate', { kinds: [...held.kinds] });
  await act({ do: 'setFields', id: gate, fields: [{ field: field('project', 'Runs'), atom: '2026-03-01/..' }] });
  const nodes = [block('heading', 'Leaf', { level: 2 }), block('bulleted', 'Worn #iron')];
  await act({ do: 'putBlocks', id: gate, afterId: null, nodes });
  await act({ do: 'lift', id: gate, blockIds: [String(nodes[1]!.attrs!.id)], pageId: newId(), parentId: gate });
  expect(await besideOf(gate)).toEqual(held);
});

test('F7 a duplicate, a page from a template, and one that another was merged into hold what they should', async () => {
  const wren = await page('Tomas Wren');
  const template = await page('Call', {
    kinds: [kind('meeting')],
    fields: [{ field: field('meeting', 'At'), text: 'from {{time}}' }],
  });
  await act({ do: 'describe', id: template, isTemplate: true });
  const called = await page('Call of today', {
    from: { templateId: template, date: '9 March', time: '10:15', answers: {} },
    fields: [{ field: field('meeting', 'Attended by'), pages: [wren] }],
  });
  const held = {
    kinds: [kind('meeting')],
    fields: {
      [field('meeting', 'At')]: { text: 'from 10:15' },
      [field('meeting', 'Attended by')]: { pages: [wren] },
    },
  };
  expect(await besideOf(called)).toEqual(held);
  const copyId = newId();
  await act({ do: 'duplicate', id: called, copyId });
  expect(await besideOf(copyId)).toEqual(held);

  const other = await page('The same call', {
    kinds: [kind('project')],
    fields: [
      { field: field('meeting', 'At'), text: 'the yard' },
      { field: field('meeting', 'Held on'), atom: '2026-03-09' },
    ],
  });
  const undo = await act({ do: 'merge', id: other, intoId: called });
  const { kinds, fields } = await besideOf(called);
  expect(kinds).toEqual([kind('meeting'), kind('project')]);
  expect(fields[field('meeting', 'At')]!.text).toBe('from 10:15\nthe yard');
  expect(fields[field('meeting', 'Held on')]).toEqual({ atom: '2026-03-09' });
  await act(...undo);
  expect(await besideOf(called)).toEqual(held);
});

test('F7 kinds are made, take fields over, and say what they are to each of their pages', async () => {
  const [smith, trade] = [newId(), newId()];
  await act(
    { do: 'describeKind', id: smith, name: 'Smith', broaderId: kind('person'), pigment: 'ochre' },
    { do: 'setField', id: trade, kindId: smith, name: 'Forge', type: 'text' },
  );
  expect(await refused({ do: 'describeKind', id: newId(), name: 'smith' })).toBe(
    'There is a kind called “Smith” already.',
  );
  expect(await refused({ do: 'describeKind', id: kind('person'), broaderId: smith })).toBe(
    'A kind can’t take fields over from itself.',
  );
  expect(await refused({ do: 'setField', id: newId(), kindId: smith, name: 'TRADE' })).toBe(
    'There is a field called “Trade” already.',
  );
  const frayne = await page('Callum Frayne', { kinds: [smith] });
  const wren = await page('Tomas Wren', { kinds: [kind('person')] });
  const people = (await ines.get(`/kinds/${kind('person')}/pages`)).body as PagesOfKind;
  expect(people.pages.map(({ id }) => id)).toEqual([frayne, wren]);
  expect(((await ines.get(`/kinds/${smith}/pages`)).body as PagesOfKind).pages.map(({ id }) => id)).toEqual([frayne]);
  const known = async () => (await ines.get('/kinds')).body as KnownKinds;
  expect((await known()).counts).toEqual({ [smith]: 1, [kind('person')]: 1 });
  const undo = await act({ do: 'describeKind', id: smith, isDeleted: true });
  expect((await known()).kinds.find(({ id }) => id === smith)!.isDeleted).toBe(true);
  expect((await besideOf(frayne)).kinds).toEqual([smith]);
  await act(...undo);
  expect((await known()).kinds.find(({ id }) => id === smith)).toMatchObject({ isDeleted: false, pigment: 'ochre' });
});

test('F7 many pages become persons in one act, and are as they were when it is taken back', async () => {
  const ids = [await page('Tomas Wren'), await page('Callum Frayne'), await page('Petra Vane')];
  const undo = await act(...ids.map((id): Act => ({ do: 'setKinds', id, add: [kind('person')] })));
  for (const id of ids) expect((await besideOf(id)).kinds).toEqual([kind('person')]);
  await act(...undo);
  for (const id of ids) expect((await besideOf(id)).kinds).toEqual([]);
});

test('J5 a line that names somebody knows them, when one last met them, and what of then is open', async () => {
  const [gate, wren] = [
    await page('Sluice gate', { kinds: [kind('project')] }),
    await page('Tomas Wren', { kinds: [kind('person')] }),
  ];
  const plain = await page('Hot lime');
  const met = (name: string, day: string) =>
    page(name, {
      kinds: [kind('meeting')],
      fields: [
        { field: field('meeting', 'Attended by'), pages: [wren] },
        { field: field('meeting', 'For the project'), pages: [gate] },
        { field: field('meeting', 'Held on'), atom: day },
      ],
    });
  await met('In spring', '2026-03-01');
  const latest = await met('On the quay', '2026-05-04');
  await met('To come', '2026-05-09');
  const todo = (words: string, state: string) => block('todo', words, { state });
  await act({
    do: 'putBlocks',
    id: latest,
    afterId: null,
    nodes: [todo('Send the figures', 'open'), todo('Lend the gauge', 'done')],
  });
  const about = async (...ids: string[]) =>
    (await ines.get(`/meetings/about?today=2026-05-06&ids=${ids.join()}`)).body as AboutMeeting;
  const { named, last } = await about(gate, plain, wren);
  expect(named.map(({ title, isPerson, isProject }) => [title, isPerson, isProject])).toEqual([
    ['Sluice gate', false, true],
    ['Tomas Wren', true, false],
  ]);
  expect([last!.meeting.title, last!.day, last!.people]).toEqual(['On the quay', '2026-05-04', [wren]]);
  expect(last!.open.map(({ node }) => ownWords(node))).toEqual(['Send the figures']);
  // What is to be done waits for all who were there, and for the project, though no line of it names them.
  for (const id of [wren, gate]) {
    expect((await ines.get(`/pages/${id}/tasks`)).body).toMatchObject({ here: 0, linking: 1 });
  }
  await act({ do: 'bin', id: latest });
  expect((await about(wren)).last!.meeting.title).toBe('In spring');
  expect((await about(plain)).last).toBeNull();
});

test('J6 what was said of a page follows by its day in either order, a meeting by the day on which it was held', async () => {
  const gate = await page('Sluice gate', { kinds: [kind('project')] });
  const said = async (on: string, words: string) => {
    await ines.post('/imports', { files: [{ path: `Journal/${on}.md`, text: 'Fog.\n' }] });
    const id = dayId(ines.viewer.accountId, on);
    const nodes = [block('bulleted', [text(words), pageLink(gate)])];
    await act({ do: 'putBlocks', id, afterId: null, nodes });
  };
  await said('2026-03-02', 'Knocked: ');
  await said('2026-05-09', 'Quiet: ');
  await page('On the quay', {
    kinds: [kind('meeting')],
    fields: [
      { field: field('meeting', 'For the project'), pages: [gate] },
      { field: field('meeting', 'Held on'), atom: '2026-04-05' },
    ],
  });
  const days = async (order: string) =>
    (await marginOf(gate, `order=${order}`)).glosses.map((each) => each.day ?? each.heldOn);
  expect(await days('oldest')).toEqual(['2026-03-02', '2026-04-05', '2026-05-09']);
  expect(await days('newest')).toEqual(['2026-05-09', '2026-04-05', '2026-03-02']);
  expect((await marginOf(gate, 'since=2026-04-01&order=oldest')).count).toBe(2);
});

test('F7 as many pages are counted as are listed, whatever is in the bin', async () => {
  const above = await page('Callers', { kinds: [kind('person')] });
  await page('Callum', { kinds: [kind('person')], parentId: above });
  await page('Petra', { kinds: [kind('person')] });
  const seen = async () => {
    const { counts } = (await ines.get('/kinds')).body as KnownKinds;
    const { count } = (await ines.get(`/kinds/${kind('person')}/pages`)).body as PagesOfKind;
    return [counts[kind('person')], count];
  };
  expect(await seen()).toEqual([3, 3]);
  await act({ do: 'bin', id: above });
  expect(await seen()).toEqual([1, 1]);
});

test('F7 the names of kinds find their pages, by name, by words and for links; broader ones do, and a new name does', async () => {
  const permit = newId();
  await act({ do: 'describeKind', id: permit, name: 'permit', broaderId: kind('reading') } as Act);
  const callum = await page('Callum Frayne', { kinds: [kind('person')] });
  const licence = await page('Marine licence', { kinds: [permit] });
  const named = async (typed: string) =>
    ((await ines.get(`/names?q=${encodeURIComponent(typed)}`)).body as { id: string }[]).map(({ id }) => id);
  const found = async (typed: string) =>
    ((await ines.get(`/find?q=${encodeURIComponent(typed)}`)).body.findings as { id: string }[]).map(({ id }) => id);
  expect(await named('person callum')).toEqual([callum]);
  expect(await found('person frayne')).toEqual([callum]);
  expect(await found('person marine')).toEqual([]);
  expect(await found('reading licence')).toEqual([licence]);
  const told = (await ines.get('/pickables')).body as { entries: { id: string; kinds?: string[] }[] };
  expect(told.entries.find(({ id }) => id === licence)!.kinds).toEqual(['permit', 'reading']);
  await act({ do: 'describeKind', id: permit, name: 'consent' });
  expect(await named('consent marine')).toEqual([licence]);
  expect(await named('permit marine')).toEqual([]);
  await act({ do: 'setKinds', id: callum, remove: [kind('person')] });
  expect(await named('person callum')).toEqual([]);
  expect(await found('person frayne')).toEqual([]);
});
