import { newId } from '@glossarion/core/document';
import type { Found } from '@glossarion/core/find';
import { PARTS_OF_INDEX, TELL_INDEX, WRITE_INDEX } from '../../entities/find.queries';
import { prepared } from '../../sqlite/prepared';
import { makeServer, type Person, type TestedServer } from '../../testing/makeServer';
import { mergeIndex } from './merging';

let server: TestedServer;
let ines: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
});
afterEach(() => server.stop());

/** Merged after each of so many, parts are left as the digits of the number say: one of each size. */
const WRITTEN = 31;
/** Of fewer words parts would be of one size: FTS5 measures them in pages. */
const WORDS = 1_500;

test('an index in parts of many sizes becomes one, and finds what it found', async () => {
  const { database, background } = server.services;
  const act = { do: 'make', id: newId(), kind: 'notebook', parentId: null, name: 'Reedbed' };
  await ines.post('/acts', { acts: [act] }).expect(200);
  await background.idle();
  const run = (statement: string, ...values: unknown[]) =>
    database.write(() => Promise.resolve(void prepared(database.writer, statement).run(...values)));
  const parts = () => (prepared(database.writer, PARTS_OF_INDEX).get() as { parts: number }).parts;
  for (let written = 0; written < WRITTEN; written += 1) {
    const words = Array.from({ length: WORDS }, (_each, index) => `w${written * WORDS + index}`).join(' ');
    await run(WRITE_INDEX, BigInt(1_000_000 + written), '', words);
    for (let turn = 0; turn < 6; turn += 1) await run(TELL_INDEX, 'merge', 64n);
  }
  expect(parts()).toBeGreaterThan(4);
  const asked: number[] = [];
  await mergeIndex(database, () => Promise.resolve(asked.push(parts()) < 100));
  expect(parts()).toBe(1);
  const { findings } = (await ines.get('/find?q=reedbed').expect(200)).body as Found;
  expect(findings[0]?.title).toBe('Reedbed');
  // Nothing is written anew where it is whole.
  const before = database.changed();
  await mergeIndex(database, () => Promise.resolve(true));
  expect(database.changed() - before).toBeLessThan(4);
});
