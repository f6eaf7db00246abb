import { newId } from '@glossarion/core/document';
import { PARTS_OF_INDEX } from '../entities/find.queries';
import { prepared } from '../sqlite/prepared';
import { makeServer, type TestedServer } from '../testing/makeServer';
import { WordIndex } from './wordIndex';

let server: TestedServer;
let index: WordIndex;

beforeEach(async () => {
  server = await makeServer();
  index = new WordIndex(server.services.database);
});
afterEach(() => server.stop());

const found = (word: string): number[] =>
  server.services.database.writer
    .prepare('SELECT rowid FROM findIndex WHERE findIndex MATCH ? ORDER BY rowid')
    .pluck()
    .all(word) as number[];
const parts = () => (prepared(server.services.database.writer, PARTS_OF_INDEX).get() as { parts: number }).parts;

test('what is written at once is known before it is written, and found when all of it is done', async () => {
  const { database } = server.services;
  await database.write(async () => {
    index.write(7, { title: 'gate', body: 'oak' });
    await index.atOnce(() => {
      index.write(9, { title: 'weir', body: 'elm' });
      index.write(7, { title: 'gate', body: 'ash' });
      index.write(8, { title: 'gone', body: 'elm' });
      index.drop(8);
      expect(index.of(9)).toEqual({ title: 'weir', body: 'elm' });
      expect(index.of(7)).toEqual({ title: 'gate', body: 'ash' });
      expect(index.of(8)).toBeUndefined();
    });
  });
  expect([found('elm'), found('ash'), found('oak'), found('gone')]).toEqual([[9], [7], [], []]);
});

test('what was dropped stays gone, also where it was written before', async () => {
  await server.services.database.write(async () => {
    index.write(7, { title: 'gate', body: 'oak' });
    await index.atOnce(() => {
      index.write(7, { title: 'gate', body: 'ash' });
      index.drop(7);
      expect(index.of(7)).toBeUndefined();
    });
  });
  expect([...found('oak'), ...found('ash')]).toEqual([]);
});

test('of work that fails nothing is written, and what comes after it is written at once', async () => {
  const { database } = server.services;
  const failing = database.write(() =>
    index.atOnce(() => {
      index.write(7, { title: 'gate', body: 'oak' });
      throw new Error('no room');
    }),
  );
  await expect(failing).rejects.toThrow('no room');
  await database.write(async () => index.write(8, { title: 'weir', body: 'elm' }));
  expect([found('oak'), found('elm')]).toEqual([[], [8]]);
});

test('many rows come to the index as one part, whatever else is written between them', async () => {
  const { database } = server.services;
  // A statement that can be taken back by itself, as each that replaces rows others refer to.
  const other = () =>
    database.writer
      .prepare("INSERT OR REPLACE INTO documents (id, holder, json) SELECT value, 'page', '{}' FROM json_each(?)")
      .run(JSON.stringify([newId(), newId()]));
  const writeRows = (rows: readonly number[]) => {
    for (const row of rows) {
      index.write(row, { title: `gate ${row}`, body: 'oak and elm' });
      other();
    }
  };
  const before = parts();
  await database.write(async () => writeRows([3, 1, 2]));
  expect(parts() - before).toBe(3);
  await database.write(() => index.atOnce(() => writeRows([13, 11, 12])));
  expect(parts() - before).toBe(4);
  expect(found('elm')).toEqual([1, 2, 3, 11, 12, 13]);
});
