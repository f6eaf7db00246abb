import { pino } from 'pino';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ownView, type Viewer } from '../../access';
import { readConfig } from '../../config';
import { BlockEntity, EntryEntity } from '../../entities';
import { openServices, type Services } from '../../services';
import { DEMO_NAME } from '../../services/accounts';
import { makeDemo } from '../../services/demo';
import { PAGES_ELSEWHERE } from './elsewhere';
import { SEARCHES_IN_DEMO } from './inDemo';
import { SEARCHES_IN_MANY } from './inMany';
import { lineAsRead } from './judge';
import type { LabelledSearch } from './labelled';

const data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-searches-'));
let services: Services;
beforeAll(async () => {
  services = await openServices(readConfig({ GLOSSARION_DATA: data }), pino({ level: 'silent' }));
});
afterAll(async () => {
  await services.background.close();
  await services.database.close();
  rmSync(data, { recursive: true, force: true });
});

/** The searches whose page or line nobody has written. */
async function unwritten(viewer: Viewer, groups: Record<string, readonly LabelledSearch[]>): Promise<string[]> {
  const { manager } = services.database;
  const titles = new Set((await manager.findBy(EntryEntity, { ownerId: viewer.accountId })).map(({ name }) => name));
  const lines = (await manager.find(BlockEntity)).map(({ node }) => lineAsRead(services, viewer, node));
  const isWritten = ({ find }: LabelledSearch) =>
    'page' in find ? titles.has(find.page) : lines.some((line) => line.includes(find.line));
  return Object.values(groups)
    .flat()
    .filter((search) => !isWritten(search))
    .map(({ typed }) => typed);
}

test('what the labelled searches look for is in the demo’s notes, and in those of many languages', async () => {
  await makeDemo(services, path.resolve('demo/notes'), '2026-11-26', false);
  const demo = ownView((await services.accounts.byName(DEMO_NAME))!.id);
  expect(await unwritten(demo, SEARCHES_IN_DEMO)).toEqual([]);
  const other = ownView((await services.accounts.make('Many', 'many languages and scripts')).id);
  await services.imports.take(other, PAGES_ELSEWHERE);
  expect(await unwritten(other, SEARCHES_IN_MANY)).toEqual([]);
  const all = [...Object.values(SEARCHES_IN_DEMO), ...Object.values(SEARCHES_IN_MANY)].flat();
  expect(all.length).toBeGreaterThan(200);
}, 120_000);
