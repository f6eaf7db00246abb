import request from 'supertest';
import { makeServer, type TestedServer } from '../testing/makeServer';
import { declaredRoutes } from './route';

interface Operation {
  summary: string;
  security?: unknown[];
  parameters: { name: string; in: string; required: boolean; schema: { type: string } }[];
  requestBody?: { content: { 'application/json': { schema: { required?: string[]; properties?: object } } } };
}

let server: TestedServer;
let described: { openapi: string; paths: Record<string, Record<string, Operation>> };

beforeAll(async () => {
  server = await makeServer();
  described = (await request(server.url).get('/api/description').expect(200)).body as typeof described;
});
afterAll(() => server.stop());

test('every route is described, with a sentence and its parameters', () => {
  expect(described.openapi).toMatch(/^3\.1/u);
  const operations = Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  );
  expect(operations).toHaveLength(declaredRoutes.size);
  for (const { path, method, operation } of operations) {
    expect([path, method, operation.summary]).toEqual([path, method, expect.stringMatching(/^[A-Z].*\.$/u)]);
    const inPath = [...path.matchAll(/\{(\w+)\}/gu)].map((match) => match[1]);
    const named = operation.parameters.filter((each) => each.in === 'path').map((each) => each.name);
    expect([path, named]).toEqual([path, inPath]);
    expect(path).not.toContain(':');
  }
});

test('what must be said is told apart from what may be, and what is open from what asks for a session', () => {
  const acts = described.paths['/api/acts']!.post!;
  expect(acts.requestBody!.content['application/json'].schema.required).toEqual(['acts']);
  expect(acts.security).toBeUndefined();
  expect(described.paths['/api/session']!.post!.security).toEqual([]);
  const margin = described.paths['/api/pages/{id}/margin']!.get!.parameters;
  expect(margin.find((each) => each.name === 'id')!.required).toBe(true);
  expect(margin.filter((each) => each.in === 'query').every((each) => !each.required)).toBe(true);
});
