import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request, { type Test } from 'supertest';
import { ownView, type Viewer } from '../access';
import { readConfig } from '../config';
import { prepared } from '../sqlite/prepared';
import { answerChecks } from '../routes/route';
import { start, type Running } from '../start';

export interface Person {
  id: string;
  viewer: Viewer;
  cookie: string;
  get: (path: string) => Test;
  post: (path: string, body?: object) => Test;
  delete: (path: string) => Test;
  put: (path: string, body: object) => Test;
  patch: (path: string, body: object) => Test;
}

export interface TestedServer extends Running {
  url: string;
  folder: string;
  person: (name?: string) => Promise<Person>;
  /** What is stored, as it is. */
  rows: <T>(sql: string, ...values: unknown[]) => T[];
  row: <T>(sql: string, ...values: unknown[]) => T | undefined;
}

/** A real server on a real database file, for one test file. */
export async function makeServer(
  folder = mkdtempSync(path.join(os.tmpdir(), 'glossarion-')),
  settings: NodeJS.ProcessEnv = {},
): Promise<TestedServer> {
  const config = readConfig({
    PORT: '0',
    GLOSSARION_DATA: folder,
    GLOSSARION_LOG: 'silent',
    GLOSSARION_APP: folder,
    ...settings,
  });
  answerChecks.areOn = true;
  const running = await start({ ...config, port: 0 });
  const url = `http://127.0.0.1:${running.port}`;
  let made = 0;
  const person = async (name = `Person ${(made += 1)}`): Promise<Person> => {
    const response = await request(url)
      .post('/api/accounts')
      .set('Origin', url)
      .send({ name, passphrase: 'tide and timber' });
    const cookie = String(response.headers['set-cookie']).split(';')[0]!;
    const dressed = (test: Test) => test.set('Cookie', cookie).set('Origin', url);
    const { id } = (response.body as { account: { id: string } }).account;
    return {
      id,
      viewer: ownView(id),
      cookie,
      get: (address) => dressed(request(url).get(`/api${address}`)),
      post: (address, body = {}) => dressed(request(url).post(`/api${address}`)).send(body),
      put: (address, body) => dressed(request(url).put(`/api${address}`)).send(body),
      patch: (address, body) => dressed(request(url).patch(`/api${address}`)).send(body),
      delete: (address) => dressed(request(url).delete(`/api${address}`)),
    };
  };
  const stored = (sql: string) => prepared(running.services.database.reader, sql);
  return {
    ...running,
    url,
    folder,
    person,
    rows: <T>(sql: string, ...values: unknown[]) => stored(sql).all(...values) as T[],
    row: <T>(sql: string, ...values: unknown[]) => stored(sql).get(...values) as T | undefined,
  };
}

export const notes = [
  { path: 'Mill/index.md', text: '---\npigment: plum\norder: [Waterworks, Money]\n---\n' },
  {
    path: 'Mill/Waterworks/Sluice gate.md',
    text: 'The leaf has dropped. See [[Budget]] and [[Lift plan]]. #iron\n\n- [ ] Measure\n  - [x] twice\n',
  },
  { path: 'Mill/Waterworks/Sluice gate/Pintle.md', text: 'Worn, not bent.\n' },
  { path: 'Mill/Money/Budget.md', text: 'Oak for the [[Sluice gate|gate]].\n' },
  { path: 'Journal/2026-03-09.md', text: 'Rang about the [[Sluice gate]]. Yesterday is [[2026-03-08]].\n' },
];
