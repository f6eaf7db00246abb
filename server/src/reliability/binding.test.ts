import BetterSqlite3 from 'better-sqlite3';
import fc from 'fast-check';
import * as Y from 'yjs';
import { block, newId, readBody, seedDocument, writeBody, type BodyJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { times } from '@glossarion/core/testing';
import { Documents } from '../services/documents';
import { HappeningWriter } from '../services/happenings';
import { Zones } from '../services/zones';
import { FactWriter } from '../services/facts';
import { Tags } from '../services/tags';
import { checkData } from '../services/checkData';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

/**
 * A database that fails at any one of its statements, within any act and any update. What is in memory afterwards must
 * be what a server that starts anew would read.
 */

type Method = 'run' | 'all' | 'get';
const statement = new BetterSqlite3(':memory:').prepare('SELECT 1');
const prototype = Object.getPrototypeOf(statement) as Record<Method, (...values: unknown[]) => unknown>;
const whole = { run: prototype.run, all: prototype.all, get: prototype.get };

/** Counts down with each statement within a transaction of the writing connection, and fails at its end. */
let left = Infinity;
let isRolledBack = false;
for (const method of ['run', 'all', 'get'] as const) {
  prototype[method] = function (this: BetterSqlite3.Statement, ...values: unknown[]) {
    const { database } = this as unknown as { database: BetterSqlite3.Database };
    if (left !== Infinity && database.inTransaction && !database.readonly) {
      left -= 1;
      if (left <= 0) {
        left = Infinity;
        // A full disk makes SQLite roll back by itself.
        if (isRolledBack) database.exec('ROLLBACK');
        throw Object.assign(new Error('the disk failed'), { code: 'SQLITE_FULL' });
      }
    }
    return whole[method].apply(this, values);
  };
}
afterAll(() => Object.assign(prototype, whole));

let server: TestedServer;
let ines: Person;
let pages: string[];
let lines: string[];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  const files = ['Gate', 'Race', 'Wheel'].map((name) => ({
    path: `Mill/Water/${name}.md`,
    text: `One of the ${name}. See [[Race]].\n\nTwo.\n\n## Three\n\nFour.\n`,
  }));
  await ines.post('/imports', { files }).expect(200);
  const rows = server.rows<{ id: string }>("SELECT id FROM entries WHERE kind = 'page' ORDER BY row");
  pages = rows.map(({ id }) => id);
  lines = server.rows<{ id: string }>('SELECT id FROM blocks ORDER BY documentId, position').map(({ id }) => id);
});
afterEach(async () => {
  left = Infinity;
  await server.stop();
});

const arbitraryStep = fc.record({
  kind: fc.nat(8),
  one: fc.nat(2),
  other: fc.nat(2),
  line: fc.nat(30),
  failsAt: fc.integer({ min: 1, max: 60 }),
  isRolledBack: fc.boolean(),
});
type Step = typeof arbitraryStep extends fc.Arbitrary<infer T> ? T : never;

let words = 0;
const addLine = (body: BodyJson): BodyJson => ({
  ...body,
  content: [...body.content, block('paragraph', `line ${(words += 1)}`)],
});

function doing({ kind, one, other, line }: Step): Promise<unknown> {
  const { documents, acts } = server.services;
  const [id, second] = [pages[one % pages.length]!, pages[(other + 1) % pages.length]!];
  if (kind < 3) return documents.edit(ines.viewer, id, (document) => writeBody(document, addLine(readBody(document))));
  const mine = server.rows<{ id: string }>('SELECT id FROM blocks WHERE documentId = ?', id);
  const blockIds = [mine[line % mine.length]?.id ?? lines[0]!];
  const list: Act[] = [
    { do: 'name', id, name: `Renamed ${(words += 1)}` },
    { do: 'putBlocks', id, afterId: null, nodes: [block('paragraph', `put ${(words += 1)}`)] },
    { do: 'send', id, toId: second, blockIds, at: 'end', form: 'move', seed: newId() },
    { do: 'lift', id, blockIds, pageId: newId(), parentId: id },
    { do: 'split', id, parentId: id, seed: newId() },
    { do: 'dropBlocks', id, blockIds },
  ];
  return acts.perform(ines.viewer, [list[kind - 3]!]);
}

/** A page as a window gets it, from a server's memory. */
async function shown(documents: Documents, id: string): Promise<string> {
  const { update } = await documents.open(ines.viewer, id, null, null);
  const document = new Y.Doc({ gc: false });
  Y.applyUpdate(document, update);
  return JSON.stringify([document.getText('title').toString(), readBody(document)]);
}

test(
  '2 whatever fails halfway leaves nothing in memory that is not stored, and nothing stored twice',
  async () => {
    let failed = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(arbitraryStep, { minLength: 20, maxLength: 20 }), async (steps) => {
        const { database, documents } = server.services;
        for (const step of steps) {
          left = step.failsAt;
          isRolledBack = step.isRolledBack;
          const isDone = await doing(step).then(
            () => true,
            () => false,
          );
          left = Infinity;
          if (!isDone) failed += 1;
        }
        expect(database.writer.inTransaction).toBe(false);
        // As a server that starts anew reads it.
        const facts = new FactWriter(database);
        const anew = new Documents(
          database,
          facts,
          new Tags(database, facts),
          new HappeningWriter(new Zones(database)),
        );
        const all = server.rows<{ id: string }>("SELECT id FROM entries WHERE kind = 'page'").map(({ id }) => id);
        for (const id of all) expect(await shown(documents, id)).toBe(await shown(anew, id));
        expect(await checkData(database)).toEqual([]);
      }),
      { numRuns: times(100) },
    );
    expect(failed).toBeGreaterThan(200);
    // And the next change is stored as if nothing had been.
    await server.services.documents.edit(ines.viewer, pages[0]!, (document) =>
      writeBody(document, addLine(readBody(document))),
    );
    expect(seedDocument(newId(), '', { type: 'doc', content: [block('paragraph', 'x')] }).length).toBeGreaterThan(0);
  },
  times(240_000),
);
