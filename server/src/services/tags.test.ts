import * as Y from 'yjs';
import {
  block,
  body,
  namedIn,
  newId,
  readBody,
  shownWords,
  tag,
  text,
  typedTag,
  typedTags,
  writeBody,
  type NodeJson,
} from '@glossarion/core/document';
import type { Found } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;
let page: string;
let other: string;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  await ines
    .post('/imports', {
      files: [
        { path: 'Mill/Gate.md', text: 'Elm and oak. #timber\n\nBands forged. #Iron/wrought\n' },
        { path: 'Mill/Smith.md', text: '---\ntags: [iron, People]\n---\n\nCallum Frayne.\n' },
      ],
    })
    .expect(200);
  page = await idOf('Gate');
  other = await idOf('Smith');
});
afterEach(async () => {
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const idOf = async (name: string): Promise<string> =>
  ((await ines.get(`/names?q=${name}`)).body as Target[]).find(({ title }) => title === name)!.id;

const tags = async (who = ines) =>
  (await who.get('/tags')).body as { id: string; path: string; parentId: string | null; pigment: string | null }[];
const paths = async () => (await tags()).map(({ path }) => path);
const tagAt = async (path: string) => (await tags()).find((each) => each.path === path)!.id;

/** Does acts, and gives those that take them back. */
const act = async (...acts: object[]): Promise<object[]> =>
  ((await ines.post('/acts', { acts }).expect(200)).body as { undo: object[] }).undo;
const nameTag = (id: string, path: string, status = 200) =>
  ines.post('/acts', { acts: [{ do: 'nameTag', id, path }] }).expect(status);

interface Shown {
  body: { content: NodeJson[] };
  targets: Target[];
}

/** A page's lines as they read. */
async function lines(id: string, who = ines): Promise<string[]> {
  const { body: shown, targets } = (await who.get(`/pages/${id}`)).body as Shown;
  const titles = new Map(targets.map((target) => [target.id, target.title]));
  return shown.content.map((node) => shownWords(node, (each) => titles.get(each) ?? '?'));
}

const found = async (words: string): Promise<string[]> =>
  ((await ines.get(`/find?q=${encodeURIComponent(words)}`)).body as Found).findings.map(({ title }) => title).sort();

/** A window on a page, in which lines are added while it is apart from the server, and sent when it wants. */
async function windowOn(id: string, who = ines) {
  const { documents } = server.services;
  const opened = await documents.open(who.viewer, id, null, null);
  const document = new Y.Doc();
  Y.applyUpdate(document, opened.update);
  let sent = Y.encodeStateVector(document);
  const add = (...content: NodeJson[]) => {
    const present = readBody(document);
    writeBody(document, body(...present.content, block('paragraph', content)));
  };
  const send = async () => {
    const accepted = await documents.receive(who.viewer, id, opened.epoch, Y.encodeStateAsUpdate(document, sent), null);
    if (accepted.mended) Y.applyUpdate(document, accepted.mended);
    sent = Y.encodeStateVector(document);
    return accepted;
  };
  return { document, add, send, last: () => readBody(document).content.at(-1)! };
}

const withId = (name: string, id = newId()): NodeJson => ({ type: 'tag', attrs: { tag: id, name } });

test('an import finds or makes tags, one beneath another; a page’s own stand beneath its title', async () => {
  expect(await paths()).toEqual(['Iron', 'Iron/wrought', 'People', 'timber']);
  expect(await lines(other)).toEqual(['Iron People', 'Callum Frayne.']);
  const [iron, wrought] = await tags();
  expect(wrought!.parentId).toBe(iron!.id);
  await ines.post('/imports', { files: [{ path: 'Mill/Yard.md', text: 'Stacked. #TIMBER\n' }] }).expect(200);
  expect(await paths()).toHaveLength(4);
  expect(await found('timber')).toEqual(['Gate', 'Yard']);
});

test('a tag that is typed keeps the id it was given, or becomes the one of its path, in every window', async () => {
  const [here, there] = [await windowOn(page), await windowOn(page)];
  const id = newId();
  here.add(text('Leadwork '), withId('lead/flashing', id));
  const { update, mended } = await here.send();
  expect(await tagAt('lead/flashing')).toBe(id);
  for (const each of [update, mended]) Y.applyUpdate(there.document, each!);
  for (const { document, last } of [here, there]) {
    expect(typedTags(readBody(document).content)).toEqual([]);
    expect(namedIn([last()]).tags).toEqual([id]);
  }
  // Typed while both were apart.
  here.add(withId('Lead'), text(' '), withId('slate'));
  there.add(withId('slate'));
  const ofHere = await here.send();
  await there.send();
  for (const each of [ofHere.update, ofHere.mended]) Y.applyUpdate(there.document, each!);
  expect(await paths()).toEqual(['Iron', 'Iron/wrought', 'lead', 'lead/flashing', 'People', 'slate', 'timber']);
  const slate = await tagAt('slate');
  expect(namedIn([here.last()]).tags).toEqual([await tagAt('lead'), slate]);
  expect(namedIn(readBody(there.document).content.slice(-2)).tags.sort()).toEqual([await tagAt('lead'), slate].sort());
  expect(typedTags(readBody(there.document).content)).toEqual([]);
});

test('a tag is renamed by its row alone: lines show the new name, and are found by it', async () => {
  const all = () =>
    ['documents', 'updates', 'blocks', 'tagUses', 'findIndex', 'entries'].map((table) =>
      server.rows(`SELECT * FROM ${table}`),
    );
  const before = all();
  const iron = await tagAt('Iron');
  await nameTag(iron, 'ironwork');
  await act({ do: 'describeTag', id: iron, pigment: 'slate' });
  expect(all()).toEqual(before);
  expect(await lines(page)).toEqual(['Elm and oak. timber', 'Bands forged. ironwork/wrought']);
  expect(await found('ironwork ')).toEqual(['Gate', 'Smith']);
  expect(await found('iron ')).toEqual([]);
  expect(await found('wrough')).toEqual(['Gate']);
  const [finding] = ((await ines.get('/find?q=ironwork%20wrought')).body as Found).findings;
  expect(finding!.lines[0]!.pieces.filter(({ isMarked }) => isMarked).map((piece) => piece.text)).toEqual([
    'ironwork',
    'wrought',
  ]);
  // The old word is a word again.
  const here = await windowOn(page);
  here.add(typedTag('iron'));
  await here.send();
  expect(await tagAt('iron')).not.toBe(iron);
  expect(await lines(other)).toEqual(['ironwork People', 'Callum Frayne.']);
});

test('a tag is set beneath another and out again, but not beneath itself, nor where another is called so', async () => {
  const [iron, timber] = [await tagAt('Iron'), await tagAt('timber')];
  await nameTag(timber, 'Iron/timber/', 200);
  expect(await paths()).toEqual(['Iron', 'Iron/timber', 'Iron/wrought', 'People']);
  await nameTag(iron, 'Iron/timber/Iron', 400);
  await nameTag(iron, 'iron/iron', 400);
  await nameTag(timber, 'IRON/Wrought', 409);
  await nameTag(timber, ' / ', 400);
  await nameTag(timber, 'x'.repeat(201), 400);
  await nameTag(newId(), 'x', 404);
  expect(await paths()).toEqual(['Iron', 'Iron/timber', 'Iron/wrought', 'People']);
  await nameTag(timber, 'Elm and oak', 200);
  expect(await lines(page)).toEqual(['Elm and oak. Elm and oak', 'Bands forged. Iron/wrought']);
});

test('the id of another’s tag shows nothing, and is not taken for one’s own', async () => {
  const edda = await server.person('Edda');
  await edda.post('/imports', { files: [{ path: 'Yard/Rota.md', text: 'Kept. #salaries\n' }] }).expect(200);
  const [theirs] = await tags(edda);
  const here = await windowOn(page);
  here.add(tag(theirs!.id));
  await here.send();
  here.add(withId('wages', theirs!.id));
  await here.send();
  expect(await lines(page)).toEqual(expect.arrayContaining(['']));
  expect(await paths()).toContain('wages');
  expect(await tagAt('wages')).not.toBe(theirs!.id);
  expect(await found('salaries')).toEqual([]);
  await nameTag(theirs!.id, 'mine', 404);
  for (const act of [{ name: 'mine' }, { isDeleted: true }, { pigment: 'plum' }, { mergedInto: await tagAt('wages') }])
    await ines
      .post('/acts', { acts: [{ do: 'describeTag', id: theirs!.id, ...act }] })
      .expect('name' in act ? 404 : 400);
  await ines.post('/acts', { acts: [{ do: 'describeTag', id: page, name: 'x' }] }).expect(404);
  expect((await tags(edda)).map(({ path }) => path)).toEqual(['salaries']);
});

test('what describes a tag is a document like any other, and its owner’s alone', async () => {
  const iron = await tagAt('Iron');
  const here = await windowOn(iron);
  here.add(text('All that Callum forges, see '), { type: 'pageLink', attrs: { target: page } });
  await here.send();
  expect(shownWords((await windowOn(iron)).last(), () => 'Gate')).toBe('All that Callum forges, see Gate');
  const edda = await server.person('Edda');
  await expect(windowOn(iron, edda)).rejects.toThrow();
  await server.services.background.idle();
  expect(server.rows('SELECT * FROM alsoNamedDue')).toEqual([]);
});

test('a line of the Margin is written on after a tag was typed in it', async () => {
  const [line] = ((await ines.get(`/pages/${page}`)).body as Shown).body.content;
  const typed = { ...line!, content: [text('Elm '), withId('elm')] };
  await ines.post('/acts', { acts: [{ do: 'rewrite', id: page, nodes: [typed], was: [line] }] }).expect(200);
  const next = { ...line!, content: [text('Elm and ash '), withId('elm')] };
  await ines.post('/acts', { acts: [{ do: 'rewrite', id: page, nodes: [next], was: [typed] }] }).expect(200);
  expect((await lines(page))[0]).toBe('Elm and ash elm');
  expect((await paths()).filter((path) => path === 'elm')).toHaveLength(1);
});

test('the Margin is filtered by a tag, whatever it is called now', async () => {
  const asking = await windowOn(other);
  asking.add({ type: 'pageLink', attrs: { target: page } }, text(' needs '), typedTag('timber'));
  await asking.send();
  const facets = async () =>
    ((await ines.get(`/pages/${page}/margin?hasFacets=true`)).body as { facets: { tags: object[] } }).facets.tags;
  const timber = await tagAt('timber');
  expect(await facets()).toEqual([{ tag: timber, name: 'timber', count: 1 }]);
  await nameTag(timber, 'wood', 200);
  expect(await facets()).toEqual([{ tag: timber, name: 'wood', count: 1 }]);
  const { count } = (await ines.get(`/pages/${page}/margin?tag=${timber}`)).body as { count: number };
  expect(count).toBe(1);
  const of = `/pages/${page}/margin?tag=${await tagAt('Iron')}`;
  expect(((await ines.get(of)).body as { count: number }).count).toBe(0);
});

/** What an account has of its tags, and what its lines hold. */
const allOfTags = () => [
  server.rows('SELECT id, ownerId, parentId, name, folded, pigment, mergedInto, deletedAt FROM tags ORDER BY id'),
  ...['documents', 'blocks', 'tagUses', 'findIndex'].map((table) => server.rows(`SELECT * FROM ${table}`)),
];

test('merging makes two tags one, with what stands beneath both, and undo makes them two again', async () => {
  await ines
    .post('/imports', {
      files: [
        { path: 'Mill/Yard.md', text: 'Hinges. #ironwork\n\nStraps. #ironwork/Wrought\n\nNails #ironwork/cut\n' },
      ],
    })
    .expect(200);
  const yard = await idOf('Yard');
  const [iron, ironwork] = [await tagAt('Iron'), await tagAt('ironwork')];
  const before = allOfTags();
  const undo = await act({ do: 'mergeTags', id: ironwork, intoId: iron });
  expect(await paths()).toEqual(['Iron', 'Iron/cut', 'Iron/wrought', 'People', 'timber']);
  expect(await lines(yard)).toEqual(['Hinges. Iron', 'Straps. Iron/wrought', 'Nails Iron/cut']);
  expect(await found('tag:iron/wrought')).toEqual(['Gate', 'Yard']);
  expect(await found('iron')).toEqual(['Gate', 'Smith', 'Yard']);
  expect(allOfTags().slice(1)).toEqual(before.slice(1));
  // What it was called leads to what it is now.
  const here = await windowOn(page);
  here.add(typedTag('ironwork/cut'));
  await here.send();
  expect((await lines(page)).at(-1)).toBe('Iron/cut');
  expect(await paths()).toHaveLength(5);
  await act({ do: 'rewrite', id: page, nodes: [here.last()] });
  await act(...undo);
  expect(allOfTags()[0]).toEqual(before[0]);
  expect(await lines(yard)).toEqual(['Hinges. ironwork', 'Straps. ironwork/Wrought', 'Nails ironwork/cut']);
  const merge = (id: string, intoId: string) => ines.post('/acts', { acts: [{ do: 'mergeTags', id, intoId }] });
  await merge(iron, iron).expect(400);
  await merge(iron, await tagAt('Iron/wrought')).expect(400);
  // One beneath another can be taken up into it.
  await act({ do: 'mergeTags', id: await tagAt('Iron/wrought'), intoId: iron });
  expect(await lines(page)).toEqual(['Elm and oak. timber', 'Bands forged. Iron', 'ironwork/cut']);
});

test('a deleted tag leaves its name in the lines, is no tag any more, and comes back whatever was typed meanwhile', async () => {
  const iron = await tagAt('Iron');
  const undo = await act({ do: 'describeTag', id: iron, isDeleted: true });
  expect(await paths()).toEqual(['People', 'timber']);
  expect(await lines(page)).toEqual(['Elm and oak. timber', 'Bands forged. Iron/wrought']);
  const { targets } = (await ines.get(`/pages/${page}`)).body as Shown;
  expect(targets.map(({ title, state }) => [title, state])).toEqual([
    ['timber', 'written'],
    ['Iron/wrought', 'binned'],
  ]);
  expect(await found('wrought')).toEqual(['Gate']);
  const here = await windowOn(page);
  here.add(typedTag('iron'));
  await here.send();
  expect(await paths()).toEqual(['iron', 'People', 'timber']);
  await act(...undo);
  expect(await paths()).toEqual(['iron', 'iron/wrought', 'People', 'timber']);
  expect(await found('tag:iron')).toEqual(['Gate', 'Smith']);
});

interface Lines {
  count: number;
  total: number;
  pages: number;
  entries: { gloss: { pageTitle: string; blockId: string; node: NodeJson; children: NodeJson[] }; on: string }[];
  facets: { tags: { name: string; count: number }[]; notebooks: { name: string; count: number }[] };
}

const wearing = async (tag: string, asked = '') =>
  (await ines.get(`/tags/${tag}/lines?${asked}`)).body as unknown as Lines;

test('a tag’s lines come with what stands beneath them, filtered, combined, and without what is in the bin', async () => {
  const files = [
    { path: 'Yard/Rota.md', text: '- Callum #iron\n  - the anvil\n- Edda #timber\n' },
    { path: 'Journal/2026-03-09.md', text: 'The bands came. #iron/wrought\n' },
  ];
  await ines.post('/imports', { files }).expect(200);
  const iron = await tagAt('Iron');
  const all = await wearing(iron);
  expect([all.total, all.pages, all.count]).toEqual([4, 4, 4]);
  const rota = all.entries.find(({ gloss }) => gloss.pageTitle === 'Rota')!.gloss;
  expect(rota.children.map((node) => shownWords(node, () => ''))).toEqual(['the anvil']);
  expect(all.facets.tags).toEqual([
    { tag: await tagAt('timber'), name: 'timber', count: 2 },
    { tag: await tagAt('People'), name: 'People', count: 1 },
  ]);
  expect((await wearing(iron, 'order=oldest')).entries[0]!.on).toBe('2026-03-09');
  expect((await wearing(iron, 'since=2026-03-10')).count).toBe(3);
  expect((await wearing(iron, 'notebook=journal')).count).toBe(1);
  const combined = await wearing(iron, `also=${await tagAt('timber')}`);
  expect(combined.entries.map(({ gloss }) => gloss.pageTitle).sort()).toEqual(['Gate', 'Rota']);
  expect((await wearing(iron, 'from=1&limit=2')).entries).toEqual(all.entries.slice(1, 3));
  await act({ do: 'bin', id: await idOf('Yard') });
  expect((await wearing(iron)).total).toBe(3);
  const uses = (await ines.get('/tags/uses')).body as { tag: string; lines: number }[];
  expect(uses.find(({ tag: each }) => each === iron)?.lines).toBe(1);
  await ines.get(`/tags/${newId()}/lines`).expect(404);
});

test('a page is offered the tags of what it links to, and wears one by an act that is taken back', async () => {
  const here = await windowOn(page);
  here.add({ type: 'pageLink', attrs: { target: other } });
  await here.send();
  const offered = async () =>
    (await ines.get(`/pages/${page}/tags/offered`)).body as { tag: string; name: string; because: string[] }[];
  expect(await offered()).toEqual([
    { tag: await tagAt('Iron'), name: 'Iron', because: ['Smith'] },
    { tag: await tagAt('People'), name: 'People', because: ['Smith'] },
  ]);
  const before = await lines(page);
  const undo = await act({ do: 'wear', id: page, tagIds: [await tagAt('People')], lineId: newId() });
  const second = await act({
    do: 'wear',
    id: page,
    tagIds: [await tagAt('Iron'), await tagAt('People')],
    lineId: newId(),
  });
  expect(await lines(page)).toEqual(['People Iron', ...before]);
  expect(await offered()).toEqual([]);
  await act(...second, ...undo);
  expect(await lines(page)).toEqual(before);
});

test('a search by a tag’s former name finds what it is now, and a deleted tag is counted nowhere', async () => {
  const [iron, timber] = [await tagAt('Iron'), await tagAt('timber')];
  await act({ do: 'mergeTags', id: timber, intoId: iron });
  expect(await found('tag:timber')).toEqual(['Gate', 'Smith']);
  await act({ do: 'describeTag', id: await tagAt('People'), isDeleted: true });
  const { tags: counted } = (await ines.get('/find/counts?q=callum')).body as { tags: { value: string }[] };
  expect(counted.map(({ value }) => value)).toEqual(['Iron']);
});
