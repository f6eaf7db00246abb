import type { ImportReport } from '@glossarion/core/formats/markdown';
import { newId } from '@glossarion/core/document';
import type { Work } from '@glossarion/core/works';
import { madeNotes } from '../madeNotes';
import { readZip } from '../importZip';
import { ended } from '../../testing/writtenExport';
import { makeServer, type Person, type TestedServer } from '../../testing/makeServer';

/** What a query line finds is taken out: as Find shows it, and no more than can be taken out at once. */

let server: TestedServer;
let ines: Person;
beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
});
afterEach(() => server.stop());

async function takenOut(find: string, wish: object = {}): Promise<Work> {
  const id = newId();
  await ines.post('/exports', { id, of: null, find, form: 'json', ...wish }).expect(200);
  return ended(() => server.services.works.of(ines.viewer, id));
}

const take = async (files: { path: string; text: string }[]): Promise<ImportReport> =>
  server.services.imports.take(ines.viewer, files);

test('where nothing is found it is said so, and there is nothing to fetch', async () => {
  await take([{ path: 'Mill/Gate.md', text: 'Elm and oak.\n' }]);
  const work = await takenOut('saltworks');
  expect(work).toMatchObject({ state: 'failed', file: null });
  expect(work.problem).toMatch(/nothing was taken out/u);
  await ines.get(`/works/${work.id}/file`).expect(404);
});

test('days in words are read as whoever asks reads them', async () => {
  await take(['2026-03-04', '2026-04-03'].map((day) => ({ path: `Journal/${day}.md`, text: 'Rain.\n' })));
  const daysIn = async (order: string) => {
    const { id } = await takenOut('written:3/4/2026', { order });
    const { zip, files } = await readZip(server.services.works.pathOf(id), new AbortController().signal);
    zip.close();
    return files.map(({ path }) => path).filter((path) => path.startsWith('Journal'));
  };
  expect(await daysIn('day first')).toEqual(['Journal/2026-04-03.page.json']);
  expect(await daysIn('month first')).toEqual(['Journal/2026-03-04.page.json']);
});

test('of more than goes out at once it is said that there is more', async () => {
  await take(madeNotes({ pages: 1_003 }).map((file) => ({ ...file, text: `${file.text}\n\nsaltworks\n` })));
  const { file } = await takenOut('saltworks');
  expect(file).toMatchObject({ pages: 1_000, isMore: true });
  expect((await takenOut('saltworks "Page 7"')).file).toMatchObject({ isMore: false });
}, 120_000);
