import { shownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import { checkData } from '../services/checkData';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

/** Every word of every file is in the account afterwards, or the file is refused by its name. */

let server: TestedServer;
let ines: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

interface SentFile {
  path: string;
  text?: string;
  bytes?: string;
}

const take = async (...files: SentFile[]): Promise<ImportReport> =>
  (await ines.post('/imports', { files }).expect(200)).body as ImportReport;

const lines = (node: NodeJson): NodeJson[] =>
  /^table/u.test(node.type) ? (node.content ?? []).flatMap(lines) : [node];

/** All that can be read in the account: names, other names, and what every line shows. */
function written(): string {
  const names = server.rows<{ id: string; name: string }>('SELECT id, name FROM entries');
  const titles = new Map(names.map(({ id, name }) => [id, name]));
  const bodies = server.rows<{ json: string }>('SELECT json FROM documents');
  const words = bodies.flatMap(({ json }) =>
    (JSON.parse(json) as BodyJson).content.flatMap(lines).map((line) => shownWords(line, (id) => titles.get(id) ?? '')),
  );
  return [...titles.values(), ...words].join('\n');
}

test('5 files called alike, indexes with words, and whatever stands in the journal come in', async () => {
  await take(
    { path: 'Mill/a.md', text: 'alder' },
    { path: 'Mill/a.markdown', text: 'beech' },
    { path: 'Mill/a.MD', text: 'cedar' },
    { path: 'guide/index.md', text: '---\npigment: plum\n---\ndogwood' },
    { path: 'guide/guide.md', text: 'elder' },
    { path: 'index.md', text: 'fir' },
    { path: 'Journal/2026-03-09.md', text: 'gorse' },
    { path: 'Journal/2026/03/2026-03-10.md', text: 'hazel' },
    { path: 'Journal/2026/notes.md', text: 'ivy' },
    { path: 'Journal/ideas.md', text: 'juniper' },
    { path: 'Journal/index.md', text: 'kapok' },
  );
  const all = written();
  for (const word of 'alder beech cedar dogwood elder fir gorse hazel ivy juniper kapok'.split(' '))
    expect(all).toContain(word);
  const day = (await ines.get('/journal/days/2026-03-10')).body as { isStored: boolean };
  expect(day.isStored).toBe(true);
});

test('5 a day that is written already gets the lines it lacks, once', async () => {
  await take({ path: 'Journal/2026-03-09.md', text: 'Rang about the gate.' });
  await server.services.documents.edit(ines.viewer, dayId(ines.id, '2026-03-09'), () => undefined);
  const again = { path: 'Journal/2026-03-09.md', text: 'Rang about the gate.\n\nOak came.' };
  expect((await take(again)).remarks[0]!.what).toContain('added at the end');
  expect((await take(again)).remarks[0]!.what).toContain('with the same words');
  expect(written().match(/Oak came/gu)).toHaveLength(1);
  expect(written().match(/Rang about/gu)).toHaveLength(1);
});

test('5 what the head of a file says is kept, whether it is understood or not', async () => {
  const { remarks } = await take({
    path: 'Mill/Gate.md',
    text: '---\ntitle: Sluice gate\nmood: wary\nlist:\n  - lichen\n  - moss\npigment: plum\n---\nElm.\n',
  });
  const all = written();
  for (const word of ['Sluice gate', 'mood: wary', 'lichen', 'moss', 'plum', 'Elm.']) expect(all).toContain(word);
  expect(remarks.map(({ what }) => what).join()).toContain('mood');
  await take({ path: 'Mill/Bad.md', text: '---\ntitle: [unclosed\n---\nnettle\n' });
  expect(written()).toContain('title: [unclosed');
});

test('5 one bad file costs itself alone, and says why', async () => {
  const nested = `${'>'.repeat(1_900)} nested words`;
  const { remarks } = await take(
    { path: 'Mill/large.md', text: 'large '.repeat(5_000_000) },
    { path: 'Mill/line.md', text: `${'long'.repeat(60_000)} end-of-line` },
    { path: 'Mill/lines.md', text: Array.from({ length: 21_000 }, (_line, index) => `line ${index}`).join('\n\n') },
    { path: 'Mill/tag.md', text: `---\ntags: [${'t'.repeat(240)}]\n---\n#${'u'.repeat(240)}` },
    { path: 'Mill/nested.md', text: nested },
    { path: 'Mill/latin.md', bytes: Buffer.from('caf\u00e9 cr\u00e8me', 'latin1').toString('base64') },
    { path: 'Mill/wide.md', bytes: Buffer.from('\uFEFFwide \u0142\u00f3d\u017a', 'utf16le').toString('base64') },
    { path: 'Mill/good.md', text: 'good' },
  );
  expect(remarks.find(({ path }) => path === 'Mill/large.md')!.what).toMatch(/larger than 4 MB/u);
  const all = written();
  for (const words of [
    'end-of-line',
    'line 20999',
    't'.repeat(240),
    'u'.repeat(61),
    'nested words',
    'caf\u00e9 cr\u00e8me',
    'wide \u0142\u00f3d\u017a',
    'good',
  ])
    expect(all).toContain(words);
  expect(all).not.toContain('large large');
}, 300_000);

test('5 ids in capitals or in use, and titles too long, make pages that can be opened and renamed', async () => {
  const id = '01890A5D-AC96-774B-BCCE-B302099A8057';
  const title = 'Very long '.repeat(3_000).trim();
  await take(
    { path: 'Mill/One.md', text: `---\nid: ${id}\n---\nfirst` },
    { path: 'Mill/Two.md', text: `---\nid: ${id}\n---\nsecond` },
    { path: 'Mill/Three.md', text: `---\ntitle: ${title}\n---\nthird` },
  );
  await ines.get(`/pages/${id}`).expect(200);
  const all = written();
  for (const words of ['first', 'second', 'third', title]) expect(all).toContain(words);
  for (const page of server.rows<{ id: string; name: string }>("SELECT id, name FROM entries WHERE kind = 'page'")) {
    await server.services.documents.open(ines.viewer, page.id, null, null);
    await ines
      .post('/acts', { acts: [{ do: 'name', id: page.id, name: `${page.name} renamed`.slice(-200) }] })
      .expect(200);
  }
});

test('5 links lead to headings, keep their addresses and titles, and are links whatever their words look like', async () => {
  await take(
    {
      path: 'Mill/Gate.md',
      text: '[wear](Race.md#what-wears) [below](#repair) [[Race#What wears]] [plan](plan.pdf) [scan](file:///scan.pdf) [#123](https://mill.example/123) [t](https://mill.example "the title")\n\n> [!WARNING]\n> Slippery.\n\n## Repair\n',
    },
    { path: 'Mill/Race.md', text: '## What wears\n\nSilt.\n' },
  );
  const heading = (words: string) =>
    server.row<{ id: string }>("SELECT id FROM blocks WHERE words = ? AND kind = 'heading'", words)!.id;
  const targets = server
    .rows<{ target: string }>('SELECT target FROM links ORDER BY position')
    .map(({ target }) => target);
  expect(targets).toEqual([heading('What wears'), heading('Repair'), heading('What wears')]);
  const all = written();
  for (const words of ['plan (plan.pdf)', 'scan (file:///scan.pdf)', '#123', '(the title)', 'WARNING', 'Slippery.'])
    expect(all).toContain(words);
  expect(server.rows('SELECT * FROM tagUses')).toEqual([]);
  expect(JSON.stringify(server.rows('SELECT json FROM documents'))).toContain('https://mill.example/123');
});

test('5 what is said of a heading that is not there, and behind the language of code, is kept', async () => {
  const report = await take(
    {
      path: 'Mill/Gate.md',
      text: 'See [[Race#Old repair]], [[Nowhere#Sill]], [[#Missing]] and [the race](Race.md#gone).\n\n```js title="lift.js" {1,3}\nlift()\n```\n',
    },
    { path: 'Mill/Race.md', text: 'Silt.\n' },
  );
  const all = `${written()} ${JSON.stringify(server.rows('SELECT json FROM documents'))}`;
  for (const words of ['Race#Old repair', 'Nowhere#Sill', '#Missing', 'the race', 'title=', 'lift.js', '{1,3}']) {
    expect(all).toContain(words);
  }
  expect(JSON.stringify(report)).toContain('Race.md#gone');
});
