import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { block, newId, solidBlock, type NodeJson } from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/words';
import { ownView } from '../access';
import { temporaryFolder } from '../testing/builtServer';
import { makeServer, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

/** A table of kinds with one that nobody has heard of, and with an attribute more in each of the others. */
jest.mock('../../../core/src/document/kinds/all', () => {
  const { TEXT_KINDS, SOLID_KINDS } = jest.requireActual<typeof import('../../../core/src/document/kinds/all')>(
    '../../../core/src/document/kinds/all',
  );
  const { textOf } = jest.requireActual<typeof import('../../../core/src/document/attributes')>(
    '../../../core/src/document/attributes',
  );
  const { measure } = jest.requireActual<typeof import('../../../core/src/testing/kinds/measure')>(
    '../../../core/src/testing/kinds/measure',
  );
  const more = <T extends { name: string; attributes?: object }>(kind: T) => ({
    ...kind,
    attributes: { ...kind.attributes, [`${kind.name}Sort`]: textOf(20, 'plain') },
  });
  return { TEXT_KINDS: TEXT_KINDS.map(more), SOLID_KINDS: [...SOLID_KINDS.map(more), measure] };
});

const nodesOf = (server: TestedServer) =>
  server.rows<{ id: string; node: string }>('SELECT id, node FROM blocks ORDER BY documentId, id');

test('an attribute more changes no stored row, neither at once nor when something else is written', async () => {
  const data = temporaryFolder();
  mkdirSync(data, { recursive: true });
  const packed = readFileSync(path.join(__dirname, '../migrations/databases/places.sqlite.gz'));
  writeFileSync(path.join(data, 'glossarion.sqlite'), gunzipSync(packed));
  const server = await makeServer(data);
  const { services } = server;
  const before = nodesOf(server);
  expect(before.length).toBeGreaterThan(400);
  expect(before.filter(({ node }) => node.includes('Sort'))).toEqual([]);
  // All that is known of bodies, made anew with the attribute, is what is stored.
  expect(await checkData(services.database)).toEqual([]);
  const page = server.row<{ id: string; accountId: string }>(
    `SELECT e.id, e.ownerId AS accountId FROM entries e JOIN blocks b ON b.documentId = e.id
     WHERE e.kind = 'page' AND e.day IS NULL AND e.deletedAt IS NULL GROUP BY e.id ORDER BY count(*) DESC LIMIT 1`,
  )!;
  const line = block('paragraph', 'One line more.');
  await services.acts.perform(ownView(page.accountId), [
    { do: 'putBlocks', id: page.id, afterId: null, nodes: [line] },
  ]);
  const known = new Set(before.map(({ id, node }) => `${id} ${node}`));
  const changed = nodesOf(server).filter(({ id, node }) => !known.has(`${id} ${node}`));
  expect(changed.map(({ id }) => id)).toEqual([line.attrs!.id]);
  await server.stop();
});

test('a made-up kind is stored, found by its words, and read as it was written', async () => {
  const server = await makeServer();
  const ines = await server.person();
  const notebook = newId();
  const id = newId();
  const measure: NodeJson = solidBlock('measure', { value: 38.5, unit: 'mm' });
  await server.services.acts.perform(ines.viewer, [
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Works' },
    { do: 'make', id, kind: 'page', parentId: notebook, name: 'Bore' },
    { do: 'putBlocks', id, afterId: null, nodes: [measure] },
  ]);
  expect((await ines.get(`/pages/${id}`)).body.body.content[0]).toEqual(measure);
  expect(indexedWords('38.5 mm')).toContain('38');
  expect((await ines.get('/find?q=38.5')).body.findings).toMatchObject([{ title: 'Bore' }]);
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});
