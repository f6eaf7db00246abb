import {
  block,
  body,
  newId,
  ownWords,
  pageLink,
  seedDocument,
  type BodyJson,
  type NodeJson,
} from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { MAX_ACTS } from '@glossarion/core/outline';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let person: Person;
beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());
beforeEach(async () => {
  person = await server.person();
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
});

const heading = (words: string, level = 2) => block('heading', words, { level });
const line = (words: string) => block('bulleted', words);

const act = async (...acts: Act[]): Promise<Act[]> => {
  expect(acts.length).toBeLessThanOrEqual(MAX_ACTS);
  const answer = await person.post('/acts', { acts });
  expect([answer.status, answer.body]).toEqual([200, expect.anything()]);
  return (answer.body as { undo: Act[] }).undo;
};

const bodyOf = async (id: string): Promise<BodyJson> =>
  ((await person.get(`/pages/${id}`)).body as { body: BodyJson }).body;
const wordsOf = async (id: string): Promise<string[]> => (await bodyOf(id)).content.map(ownWords);

async function pageWith(title: string, content: NodeJson[], parentId?: string): Promise<string> {
  const notebook = parentId ?? newId();
  if (!parentId) await act({ do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' });
  const id = newId();
  await act({ do: 'make', id, kind: 'page', parentId: notebook, name: title });
  const { content: before } = await bodyOf(id);
  await act(
    { do: 'putBlocks', id, afterId: null, nodes: content },
    { do: 'dropBlocks', id, blockIds: before.map((node) => String(node.attrs!.id)) },
  );
  return id;
}

/** Everything that is stored of an account's pages, as a person could tell it apart. */
const account = () =>
  server.rows(
    `SELECT e.id, e.kind, e.parentId, e.orderKey, e.name, e.deletedAt, e.pagesBeneath, b.json
     FROM entries e LEFT JOIN documents b ON b.id = e.id WHERE e.ownerId = ? ORDER BY e.id`,
    person.id,
  );

const six = ['Leaf', 'Pintle', 'Winch', 'Licence', 'Budget', 'Photographs'];
const sixTopics = () => [
  block('paragraph', 'What the gate needs.'),
  ...six.flatMap((topic) => [heading(topic), line(`${topic} one`), block('bulleted', `${topic} two`, { depth: 1 })]),
];

test('splitting a page of six topics makes six pages and an overview; taken back, all is as before, ids included', async () => {
  const content = sixTopics();
  const id = await pageWith('Sluice gate', content);
  const other = await pageWith('Elsewhere', [
    block('paragraph', [pageLink(String(content[1]!.attrs!.id))]),
    block('paragraph', [pageLink(String(content[2]!.attrs!.id))]),
  ]);
  const before = account();
  const undo = await act({ do: 'split', id, parentId: id, seed: newId() });
  expect(await wordsOf(id)).toEqual(['What the gate needs.', '', '']);
  expect((await bodyOf(id)).content[1]!.type).toBe('overview');
  const beneath = server.rows<{ id: string; name: string }>(
    'SELECT id, name FROM entries WHERE parentId = ? ORDER BY orderKey',
    id,
  );
  expect(beneath.map(({ name }) => name)).toEqual(six);
  expect(await wordsOf(beneath[0]!.id)).toEqual(['Leaf one', 'Leaf two']);
  // Links to a heading and to a line that moved both lead to where they are now.
  const targets = (await person.get(`/pages/${other}`)).body as {
    targets: { pageId: string; title: string; state: string }[];
  };
  expect(targets.targets.map(({ pageId, state }) => [pageId, state])).toEqual([
    [beneath[0]!.id, 'written'],
    [beneath[0]!.id, 'written'],
  ]);
  const again = await act(...undo);
  expect(account()).toEqual(before);
  await act(...again);
  expect(await wordsOf(id)).toEqual(['What the gate needs.', '', '']);
  expect(server.rows('SELECT id FROM entries WHERE parentId = ?', id)).toHaveLength(6);
});

test('lines are lifted to a page beneath and folded back to where they stood', async () => {
  const content = [line('a'), line('b'), block('bulleted', 'b inside', { depth: 1 }), line('c')];
  const id = await pageWith('Works', content);
  const before = account();
  const pageId = newId();
  const undo = await act({ do: 'lift', id, blockIds: [String(content[1]!.attrs!.id)], pageId, parentId: id });
  expect(await wordsOf(id)).toEqual(['a', '', 'c']);
  expect(await wordsOf(pageId)).toEqual(['b', 'b inside']);
  expect((await bodyOf(pageId)).content.map((node) => node.attrs!.id)).toEqual(
    [content[1], content[2]].map((node) => node!.attrs!.id),
  );

  const unfold = await act({ do: 'foldBack', id: pageId });
  expect(await wordsOf(id)).toEqual(['a', 'b', 'b inside', 'c']);
  // It had no title: nothing of it is left for the bin to show, and what led to it leads to its lines.
  expect(((await person.get('/bin')).body as { id: string }[]).map((each) => each.id)).not.toContain(pageId);
  expect((await person.get(`/blocks/${pageId}`)).body).toMatchObject({ pageId: id });
  await act(...unfold);
  expect(await wordsOf(pageId)).toEqual(['b', 'b inside']);
  await act(...undo);
  expect(account()).toEqual(before);
});

test('all lines of a page may be lifted; what is written meanwhile in the new page is not lost by taking it back', async () => {
  const content = [line('only')];
  const id = await pageWith('Works', content);
  const pageId = newId();
  const undo = await act({ do: 'lift', id, blockIds: [String(content[0]!.attrs!.id)], pageId, parentId: id });
  await act({ do: 'putBlocks', id: pageId, afterId: null, nodes: [line('written meanwhile')] });
  await act(...undo);
  expect(await wordsOf(id)).toEqual(['only']);
  expect((await person.get(`/pages/${pageId}`)).body).toMatchObject({ isDeleted: true });
  expect(await wordsOf(pageId)).toContain('written meanwhile');
});

test('lines go to another page: moved with their ids, copied without, as an excerpt with their source', async () => {
  const content = [line('oak'), line('elm')];
  const [oak, elm] = content.map((node) => String(node.attrs!.id)) as [string, string];
  const from = await pageWith('Timber', content);
  const to = await pageWith('Order', [heading('Now'), line('there'), heading('Later')]);
  const now = String((await bodyOf(to)).content[0]!.attrs!.id);
  const before = account();
  const undo = await act(
    { do: 'send', id: from, toId: to, blockIds: [oak], at: now, form: 'move', seed: newId() },
    { do: 'send', id: from, toId: to, blockIds: [elm], at: 'head', form: 'copy', seed: newId() },
    { do: 'send', id: from, toId: to, blockIds: [elm], at: 'end', form: 'excerpt', seed: newId() },
  );
  expect(await wordsOf(from)).toEqual(['elm']);
  expect(await wordsOf(to)).toEqual(['elm', 'Now', 'there', 'oak', 'Later', 'elm – Timber']);
  const { content: there } = await bodyOf(to);
  expect(there[3]!.attrs!.id).toBe(oak);
  expect(there[0]!.attrs!.id).not.toBe(elm);
  expect(there[5]!.content!.at(-1)!.attrs).toMatchObject({ target: elm, words: 'Timber' });
  await act(...undo);
  expect(account()).toEqual(before);
});

test('nobody takes apart, or brings lines to, a page of another', async () => {
  const content = [heading('Mine'), line('private')];
  const id = await pageWith('Mine', content);
  const owner = person;
  person = await server.person();
  const own = await pageWith('Own', [line('x')]);
  const blockIds = [String(content[1]!.attrs!.id)];
  for (const each of [
    { do: 'lift', id, blockIds, pageId: newId(), parentId: own },
    { do: 'split', id, parentId: own, seed: newId() },
    { do: 'foldBack', id },
    { do: 'send', id, toId: own, blockIds, at: 'end', form: 'copy', seed: newId() },
    { do: 'send', id: own, toId: id, blockIds, at: 'end', form: 'copy', seed: newId() },
    { do: 'putBlocks', id, afterId: null, nodes: [line('theirs')] },
    { do: 'dropBlocks', id, blockIds },
    { do: 'moveBlocks', id: own, blocks: [{ id: blockIds[0], from: id, to: own, afterId: null, depth: 0 }] },
    { do: 'unmake', id },
  ] as Act[]) {
    const { status } = await person.post('/acts', { acts: [each] });
    expect([each.do, status < 300 && each.do !== 'unmake']).toEqual([each.do, false]);
  }
  person = owner;
  expect(await wordsOf(id)).toEqual(['Mine', 'private']);
});

test('blocks that are no blocks are refused, and nothing is changed', async () => {
  const id = await pageWith('Works', [line('a')]);
  for (const node of [
    { type: 'script' },
    { type: 'block', attrs: { kind: 'odd', depth: 0 } },
    { type: 'picture', attrs: { file: 'x' } },
  ]) {
    const { status, body: problem } = await person.post('/acts', {
      acts: [{ do: 'putBlocks', id, afterId: null, nodes: [node] }],
    });
    expect([status, typeof (problem as { title: string }).title]).toEqual([400, 'string']);
  }
  expect(await wordsOf(id)).toEqual(['a']);
  expect(seedDocument(id, '', body(line('a'))).length).toBeGreaterThan(0);
});

describe('templates', () => {
  const use = (templateId: string, answers: Record<string, string> = {}) => ({
    templateId,
    date: '25 November 2026',
    time: '07:40',
    answers,
  });

  test('a page begins as its template says; the number runs on; what is asked is filled in', async () => {
    const id = await pageWith('Draft {{number}}', [
      block('paragraph', 'Of {{date}} at {{time}}, for {{Whom?}} in {{place}}.'),
    ]);
    await act({ do: 'describe', id, isTemplate: true });
    expect((await person.get('/templates')).body).toEqual([{ id, title: 'Draft {{number}}', questions: ['Whom?'] }]);
    const holder = newId();
    const [notebook] = server.rows<{ id: string }>(
      'SELECT id FROM entries WHERE ownerId = ? AND kind = ?',
      person.id,
      'notebook',
    );
    await act({ do: 'make', id: holder, kind: 'section', parentId: notebook!.id, name: 'Drafts' });
    const made = [newId(), newId()];
    for (const each of made) {
      await act({
        do: 'make',
        id: each,
        kind: 'page',
        parentId: holder,
        name: '',
        from: use(id, { 'Whom?': 'Petra Vane' }),
      });
    }
    expect((await person.get(`/pages/${made[1]}`)).body).toMatchObject({ name: 'Draft 2', madeFrom: id });
    expect(await wordsOf(made[0]!)).toEqual(['Of 25 November 2026 at 07:40, for Petra Vane in Drafts.']);
  });

  test('a section’s template is that of what is made in it, at any depth, until the template is deleted', async () => {
    const id = await pageWith('Visit', [heading('Seen')]);
    const [notebook] = server.rows<{ id: string }>(
      'SELECT id FROM entries WHERE ownerId = ? AND kind = ?',
      person.id,
      'notebook',
    );
    const section = newId();
    await act(
      { do: 'make', id: section, kind: 'section', parentId: notebook!.id, name: 'Visits' },
      { do: 'describe', id, isTemplate: true },
      { do: 'describe', id: section, templateId: id },
    );
    const page = await pageWith('First visit', [line('x')], section);
    expect((await person.get(`/entries/${page}/template`)).body).toEqual({ templateId: id });
    expect((await person.get(`/entries/${notebook!.id}/template`)).body).toEqual({ templateId: null });
    await act({ do: 'bin', id });
    expect((await person.get(`/entries/${page}/template`)).body).toEqual({ templateId: null });
  });

  test('a day begins with the template of its weekday, and stays as it was shown when the template is changed', async () => {
    const monday = await pageWith('Mondays', [block('heading', 'Week of {{date}}')]);
    await act({ do: 'describe', id: monday, isTemplate: true });
    const setting = { key: 'dayTemplates', value: { every: null, weekdays: { '1': monday } } };
    expect((await person.put('/settings', setting)).status).toBe(204);
    const day = async (date: string) =>
      (await person.get(`/journal/days/${date}`)).body as { body: BodyJson; pageId: string };
    expect((await day('2026-11-30')).body.content.map(ownWords)).toEqual(['Week of Monday 30 November']);
    expect((await day('2026-12-01')).body.content.map(ownWords)).toContain('On waking');
    const { pageId } = await day('2026-11-30');
    await server.services.documents.open(person.viewer, pageId, '2026-11-30', null);
    const content = (await bodyOf(monday)).content;
    await act({ do: 'dropBlocks', id: monday, blockIds: content.map((node) => String(node.attrs!.id)) });
    expect((await day('2026-11-30')).body.content.map(ownWords)).toEqual(['Week of Monday 30 November']);
  });
});
