import type { Act } from '@glossarion/core/acts';
import { block, newId } from '@glossarion/core/document';
import type { Found } from '@glossarion/core/find';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { piecesOf } from '../testing/pieces';
import { checkData } from './checkData';

/** People may say which languages they write: in these words are counted then, and found in their forms. */

let server: TestedServer;
let ines: Person;
beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
});
afterEach(() => server.stop());

const act = (...acts: Act[]) => ines.post('/acts', { acts }).expect(200);

async function pages(count: number): Promise<string[]> {
  const notebook = newId();
  await act({ do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Saltmere' });
  const ids = Array.from({ length: count }, () => newId());
  for (const [index, id] of ids.entries()) {
    const nodes = [block('paragraph', index === 0 ? 'Kindern' : `Rad ${index}`)];
    await act({ do: 'make', id, kind: 'page', parentId: notebook, name: `Seite ${index}` });
    await act({ do: 'putBlocks', id, afterId: null, nodes });
  }
  return ids;
}

const write = (languages: string[], status = 204) =>
  ines.put('/settings', { key: 'languages', value: languages }).expect(status);

const finds = async (line: string): Promise<string[]> =>
  ((await ines.get(`/find?q=${encodeURIComponent(line)}`).expect(200)).body as Found).findings.map(
    ({ title }) => title,
  );

const wrong = () => checkData(server.services.database);

test('a word is found in its forms in the languages that somebody says they write, and as before once they take that back', async () => {
  await pages(2);
  expect(await finds('kind ')).toEqual([]);
  await write(['de']);
  await server.services.background.idle();
  expect(await finds('kind ')).toEqual(['Seite 0']);
  expect(await wrong()).toEqual([]);
  await write([]);
  await server.services.background.idle();
  expect(await finds('kind ')).toEqual([]);
  expect(await wrong()).toEqual([]);
});

test('others are heard between two pieces of what is counted anew', async () => {
  const files = Array.from({ length: 220 }, (_each, index) => ({
    path: `In/Page ${index}.md`,
    text: `Das Rad ${index}`,
  }));
  await ines.post('/imports', { files }).expect(200);
  await server.services.background.idle();
  const { pieces, atOnce } = await piecesOf(server.services, () => write(['de']));
  expect(pieces).toBeGreaterThan(3);
  expect(atOnce).toBeLessThan(3);
});

test('what is written while words are counted anew is counted once, however the setting changes meanwhile', async () => {
  const ids = await pages(170);
  await write(['de', 'fr']);
  const edit = (id: string, words: string) =>
    act({ do: 'putBlocks', id, afterId: null, nodes: [block('paragraph', words)] });
  await Promise.all([
    edit(ids[3]!, 'Die Räder der Mühle'),
    edit(ids[160]!, 'Les roues du moulin'),
    write(['pl']),
    act({ do: 'bin', id: ids[100]! }),
    edit(ids[90]!, 'Koła młyna'),
  ]);
  expect(await wrong()).toEqual([]);
  await server.services.background.idle();
  await write(['de']);
  await server.services.background.idle();
  expect(await wrong()).toEqual([]);
  const languages = server.rows<{ language: string }>('SELECT DISTINCT language FROM vocabulary');
  expect(languages.map(({ language }) => language).sort()).toEqual(['', 'de']);
}, 300_000);

test('what comes in meanwhile is counted in them once it is whole, and nothing is left of what is stopped', async () => {
  const { imports, works, background } = server.services;
  await pages(2);
  const files = Array.from({ length: 300 }, (_each, index) => ({
    path: `Hof/Rad ${index}.md`,
    text: `Kindern ${index}\n`,
  }));
  const words = () => server.rows('SELECT * FROM vocabulary ORDER BY word, language');
  const isComing = () => server.row("SELECT 1 FROM entries WHERE name = 'Rad 40'") !== undefined;
  const id = newId();
  const refused = expect(imports.take(ines.viewer, files, { id })).rejects.toThrow(/stopped/u);
  while (!isComing()) await new Promise((resolve) => setImmediate(resolve));
  await write(['de']);
  await works.stop(ines.viewer, id);
  await refused;
  await background.idle();
  expect(await wrong()).toEqual([]);
  expect(await finds('kind ')).toEqual(['Seite 0']);
  const before = words();
  await write([]);
  await background.idle();
  const taking = imports.take(ines.viewer, files);
  while (!isComing()) await new Promise((resolve) => setImmediate(resolve));
  await write(['de']);
  await taking;
  await background.idle();
  expect(await wrong()).toEqual([]);
  expect(await finds('kind seite')).toEqual(['Seite 0']);
  expect((await finds('kind ')).length).toBeGreaterThan(20);
  expect(words().length).toBeGreaterThan(before.length);
}, 120_000);

test('a language that nobody knows can’t be set', async () => {
  await write(['xx'], 400);
  await write(['de', 'de'], 400);
});
