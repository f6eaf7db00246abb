import SwaggerParser from '@apidevtools/swagger-parser';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import request from 'supertest';
import { ACT_KINDS } from '@glossarion/core/acts';
import { newId } from '@glossarion/core/document';
import { MAX_ACTS } from '@glossarion/core/outline';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { declaredRoutes } from './route';

interface Content {
  content?: Record<string, { schema: Record<string, unknown> }>;
}

interface Operation {
  operationId: string;
  summary: string;
  security?: unknown[];
  parameters: { name: string; in: string; required: boolean; schema: Record<string, unknown> }[];
  requestBody?: Content;
  responses: Record<string, Content & { $ref?: string }>;
}

interface Description {
  openapi: string;
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, Record<string, unknown>> };
}

let server: TestedServer;
let described: Description;
let ines: Person;

beforeAll(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  described = (await request(server.url).get('/api/description').expect(200)).body as Description;
});
afterAll(() => server.stop());

const operations = () =>
  Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method, ...operation })),
  );

test('the description is valid OpenAPI 3.1, as a public validator has it', async () => {
  expect(described.openapi).toBe('3.1.0');
  await SwaggerParser.validate(structuredClone(described) as never);
});

test('every route is described once, with a sentence, a name of its own and its parameters', () => {
  expect(operations()).toHaveLength(declaredRoutes.size);
  expect(new Set(operations().map(({ operationId }) => operationId)).size).toBe(declaredRoutes.size);
  for (const { path, method, summary, operationId, parameters } of operations()) {
    expect([path, method, summary]).toEqual([path, method, expect.stringMatching(/^[A-Z].*\.$/u)]);
    expect(operationId).toMatch(/^[a-z]+[A-Za-z]+$/u);
    const inPath = [...path.matchAll(/\{(\w+)\}/gu)].map((match) => match[1]);
    expect([path, parameters.filter((each) => each.in === 'path').map((each) => each.name)]).toEqual([path, inPath]);
  }
});

test('what is asked for is described as it is checked: what must be said, limits, choices, files', () => {
  const acts = described.paths['/api/acts']!.post!;
  const { required, properties } = acts.requestBody!.content!['application/json']!.schema as {
    required: string[];
    properties: { acts: { maxItems: number; items: { anyOf: { properties: { do: { const: string } } }[] } } };
  };
  expect([required, properties.acts.maxItems]).toEqual([['acts'], MAX_ACTS]);
  const { anyOf } = properties.acts.items;
  expect(anyOf.map((each) => each.properties.do.const).sort()).toEqual([...ACT_KINDS].sort());
  expect(acts.security).toBeUndefined();
  expect(described.paths['/api/session']!.post!.security).toEqual([]);
  const margin = described.paths['/api/pages/{id}/margin']!.get!.parameters;
  expect(margin.find(({ name }) => name === 'id')).toMatchObject({ required: true, schema: { format: 'uuid' } });
  expect(margin.find(({ name }) => name === 'limit')).toMatchObject({ required: false, schema: { maximum: 500 } });
  expect(described.paths['/api/files']!.post!.requestBody!.content).toHaveProperty(['application/octet-stream']);
  expect(described.paths['/api/files/{id}']!.get!.responses[200]!.content).toHaveProperty(['application/octet-stream']);
});

/** Holds an answer against what is described of a route. */
function fits(path: string, method: string, status: number, body: unknown): string[] {
  const ajv = new Ajv2020({ strict: false, allErrors: true });
  addFormats(ajv);
  ajv.addSchema({ $id: 'description', ...described });
  const pointer = (name: string) => name.replaceAll('~', '~0').replaceAll('/', '~1');
  const own = described.paths[path]![method]!.responses[status]!;
  const at = own.$ref
    ? `#/components/responses/${status}/content/application~1problem+json/schema`
    : `#/paths/${pointer(path)}/${method}/responses/${status}/content/application~1json/schema`;
  const validate = ajv.getSchema(`description${at.replaceAll('{', '%7B').replaceAll('}', '%7D')}`);
  if (!validate) return ['There is no schema.'];
  return validate(body) ? [] : validate.errors!.map(({ instancePath, message }) => `${instancePath} ${message}`);
}

test('answers and errors are as they are described', async () => {
  await ines.post('/imports', { files: [{ path: 'Mill/Gate.md', text: 'Elm, see [[Pin]]. #iron/wrought\n' }] });
  const [gate] = (await ines.get('/names?q=Gate')).body as { id: string }[];
  const tried: [string, string][] = [
    ['/api/pages/{id}', `/pages/${gate!.id}`],
    ['/api/entries/{id}', `/entries/${gate!.id}`],
    ['/api/find', '/find?q=elm'],
    ['/api/desk', '/desk'],
    ['/api/tags', '/tags'],
    ['/api/notebooks', '/notebooks'],
    ['/api/pickables', '/pickables'],
    ['/api/entries/{id}', `/entries/${newId()}`],
    ['/api/pages/{id}/margin', `/pages/${gate!.id}/margin?limit=0`],
  ];
  for (const [path, address] of tried) {
    const { status, body } = await ines.get(address);
    expect([address, status, fits(path, 'get', status, body)]).toEqual([address, status, []]);
  }
  // The check finds what is otherwise.
  expect(fits('/api/find', 'get', 200, { findings: [{ id: 'no id' }] })).not.toEqual([]);
});

test('what is private is asked for again each time, and sent once while it stays the same', async () => {
  const first = await ines.get('/notebooks').expect(200);
  expect(first.headers['cache-control']).toBe('private, no-cache');
  expect(first.headers.vary).toMatch(/cookie/iu);
  const again = () => ines.get('/notebooks').set('If-None-Match', first.headers.etag as string);
  await again().expect(304);
  await ines.post('/acts', { acts: [{ do: 'make', id: newId(), kind: 'notebook', parentId: null, name: 'Yard' }] });
  await again().expect(200);
  const answer = await ines.post('/acts', { acts: [] }).expect(400);
  expect(answer.headers['cache-control']).toBe('no-store');
  const left = await ines.delete('/session').expect(204);
  expect(left.headers['clear-site-data']).toBe('"cache"');
});
