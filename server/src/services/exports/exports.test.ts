import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import request from 'supertest';
import { block, newId, writeBody, type BodyJson } from '@glossarion/core/document';
import { ACCOUNT_FILE, idsElsewhere, withIds, type AccountFile } from '@glossarion/core/formats/account';
import { arbitraryBody } from '@glossarion/core/formats/arbitrary';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import { periodId } from '@glossarion/core/journal';
import { times } from '@glossarion/core/testing';
import { DEMO_NAME } from '../accounts';
import { ownView } from '../../access';
import { written } from '../../testing/writtenExport';
import { makeServer, type Person, type TestedServer } from '../../testing/makeServer';
import { checkData } from '../checkData';
import { makeDemo } from '../demo';
import { readZip } from '../importZip';

let server: TestedServer;
let ines: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
});
afterEach(async () => {
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

/** An archive by the paths of its files. */
async function textsIn(archive: string): Promise<Map<string, string>> {
  const { files, account, zip, others } = await readZip(archive, new AbortController().signal);
  const texts: [string, string][] = [];
  for (const { path: each, content } of files) texts.push([each, Buffer.from(await content()).toString('utf8')]);
  zip.close();
  return new Map([
    ...texts,
    [ACCOUNT_FILE, account ?? ''],
    ...[...others.keys()].map((each): [string, string] => [each, '']),
  ]);
}

/**
 * All that there is of an account, with the ids that follow from it as another account has them; rows in an order of their
 * own, orders of siblings as numbers.
 */
async function everything(from: TestedServer, accountId: string, as: string): Promise<unknown> {
  const archive = await textsIn(await written(from, ownView(accountId)));
  const account = JSON.parse(archive.get(ACCOUNT_FILE)!) as AccountFile;
  const renamed = idsElsewhere(account, as);
  // A line that wears a tag which was merged into another wears that one (docs/formats.md).
  const merged = new Map(account.tags.flatMap(({ id, mergedInto }) => (mergedInto ? [[id, mergedInto]] : [])));
  const rows = from.rows<{ id: string; json: string; name: string }>(
    `SELECT e.id, e.kind, e.name, e.pigment, e.ornament, e.description, e.begunAt, e.changedAt, e.deletedAt, e.season,
       e.showsLeaves, d.json, e.pagesBeneath, e.sectionsBeneath, e.day, e.parentId,
       (SELECT COUNT(*) FROM entries b WHERE b.parentId IS e.parentId AND b.ownerId = e.ownerId AND b.kind = e.kind AND e.orderKey > b.orderKey AND (e.parentId IS NOT NULL OR e.kind = 'notebook')) AS place
     FROM entries e LEFT JOIN documents d ON d.id = e.id WHERE e.ownerId = ? ORDER BY e.id`,
    accountId,
  );
  const pages = rows.map(({ json, ...row }) => ({
    ...row,
    body: json === null ? null : (JSON.parse(json) as BodyJson),
  }));
  const whole = JSON.parse(
    withIds(
      JSON.stringify({
        account: { ...account, account: '' },
        pages: JSON.parse(withIds(JSON.stringify(pages), merged)) as unknown,
      }),
      renamed,
    ),
  ) as {
    account: AccountFile;
    pages: { id: string; day: string | null; place: number; parentId: string | null }[];
  };
  const sorted = <T>(list: readonly T[]) => list.map((each) => JSON.stringify(each)).sort();
  return {
    pages: [...whole.pages].sort((one, other) => (one.id < other.id ? -1 : 1)),
    account: {
      ...whole.account,
      entries: sorted(whole.account.entries),
      tags: sorted(whole.account.tags),
      kinds: sorted(whole.account.kinds),
      fields: sorted(whole.account.fields),
      happenings: sorted(whole.account.happenings),
      movedGlosses: sorted(whole.account.movedGlosses),
      unlinked: sorted(whole.account.unlinked),
      files: sorted(whole.account.files),
      savedSearches: whole.account.savedSearches.map(({ name, line }) => [name, line]),
    },
  };
}

async function takeIn(archive: string, into = server, who = ines): Promise<ImportReport> {
  const sent = request(into.url)
    .post(`/api/imports/zip?id=${newId()}`)
    .set('Cookie', who.cookie)
    .set('Origin', into.url);
  const answer = await sent.type('application/zip').send(readFileSync(archive));
  expect(answer.status).toBe(200);
  return answer.body as ImportReport;
}

/** A name as somebody might have it. */
const name = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.constantFrom(
      'Gate',
      'gate',
      'Winch',
      'Łódź',
      '水車',
      'index',
      'Journal',
      'Tray',
      'CON',
      '2026-03-09',
    ),
  },
  {
    weight: 2,
    arbitrary: fc.constantFrom(
      'a/b\\c',
      '../up',
      '.hidden',
      'ends.',
      'x.md',
      'q? "w" <e> |r| #s %41 [t] ^u',
      '-',
      'no: yes',
      "it's",
    ),
  },
  {
    weight: 2,
    arbitrary: fc.string({ unit: 'binary', maxLength: 12 }).map((text) => text.replaceAll(/[\p{Cc}\p{Cs}]/gu, '')),
  },
  { weight: 1, arbitrary: fc.constant('long '.repeat(60).trim()) },
);

interface RandomEntry {
  kind: 'section' | 'page';
  name: string;
  within: number;
  body: BodyJson;
  season: 'now' | 'later' | 'aside';
  others: string[];
  isBinned: boolean;
  isKind: boolean;
  words: string;
  links: number;
}

const entry: fc.Arbitrary<RandomEntry> = fc.record({
  kind: fc.constantFrom('section', 'page', 'page'),
  name,
  within: fc.nat(40),
  body: arbitraryBody,
  season: fc.constantFrom('now', 'now', 'later', 'aside'),
  others: fc.array(
    name.filter((each) => each.trim() !== ''),
    { maxLength: 2 },
  ),
  isBinned: fc.nat(6).map((number) => number === 0),
  isKind: fc.boolean(),
  words: fc.constantFrom('Millwright', '12', '[[Gate]]', 'a: b', '# c', ' 1934-05 '),
  links: fc.nat(40),
});

/** Makes an account as it is said, through what people do. */
async function make(who: Person, entries: readonly RandomEntry[]): Promise<void> {
  const { acts, documents } = server.services;
  const notebook = newId();
  const kindId = newId();
  const fields = [newId(), newId()];
  await acts.perform(who.viewer, [
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' },
    { do: 'describeKind', id: kindId, name: 'smith', pigment: 'ochre' },
    { do: 'setField', id: fields[0]!, kindId, name: 'Trade', type: 'text' },
    { do: 'setField', id: fields[1]!, kindId, name: 'Works with', type: 'pages' },
  ]);
  const made: { id: string; kind: string }[] = [{ id: notebook, kind: 'notebook' }];
  for (const { kind, name: wanted, within, body, season, others, isKind, words, links } of entries) {
    const holders = made.filter((each) => kind === 'page' || each.kind !== 'page');
    const id = newId();
    const { id: parentId } = holders[within % holders.length]!;
    await acts.perform(who.viewer, [
      { do: 'make', id, kind, parentId, name: kind === 'page' ? wanted : wanted.trim() || 'Part' },
    ]);
    made.push({ id, kind });
    if (season !== 'now') await acts.perform(who.viewer, [{ do: 'season', id, season }]);
    if (kind !== 'page') continue;
    const led = made[links % made.length]!.id;
    const leading = { type: 'block', attrs: { id: newId() }, content: [{ type: 'pageLink', attrs: { target: led } }] };
    await documents.edit(who.viewer, id, (document) =>
      writeBody(document, { type: 'doc', content: [...body.content, leading] }),
    );
    if (others.length > 0) await acts.perform(who.viewer, [{ do: 'otherNames', id, names: [...new Set(others)] }]);
    if (!isKind) continue;
    await acts.perform(who.viewer, [
      { do: 'setKinds', id, add: [kindId] },
      {
        do: 'setFields',
        id,
        fields: [
          { field: fields[0]!, text: words },
          { field: fields[1]!, pages: [led] },
        ],
      },
    ]);
  }
  const binned = entries.flatMap(({ isBinned }, index) => (isBinned ? [made[index + 1]!.id] : []));
  for (const id of binned) await acts.perform(who.viewer, [{ do: 'bin', id }]);
}

test.each(['markdown', 'json'] as const)(
  'any account is the same after it was taken out as %s and into an empty one',
  async (form) => {
    const other = await makeServer();
    await fc.assert(
      fc.asyncProperty(fc.array(entry, { minLength: 1, maxLength: 12 }), async (entries) => {
        const [who, into] = [await server.person(newId()), await other.person(newId())];
        await make(who, entries);
        const report = await takeIn(await written(server, who.viewer, null, form), other, into);
        expect(report.remarks).toEqual([]);
        expect(await everything(other, into.id, into.id)).toEqual(await everything(server, who.id, into.id));
      }),
      { numRuns: times(8) },
    );
    await other.services.background.idle();
    expect(await checkData(other.services.database)).toEqual([]);
    await other.stop();
  },
  300_000,
);

test('what is known beside the pages comes too: templates, merged pages and tags, the Tray, weeks, moved glosses, names left unlinked', async () => {
  const { acts } = server.services;
  await ines.post('/imports', {
    files: [
      { path: 'Mill/Gate.md', text: '# Leaf\n\nElm.\n' },
      { path: 'Mill/Old gate.md', text: 'Oak. #ironwork' },
      { path: 'Mill/Visit.md', text: 'Weather: #iron' },
      { path: 'Mill/Winch.md', text: 'On the [[Gate]] and the Visit. #iron/wrought' },
    ],
  });
  const { reader } = server.services.database;
  const idOf = (title: string) =>
    (reader.prepare('SELECT id FROM entries WHERE name = ?').get(title) as { id: string }).id;
  const lineOf = (title: string) =>
    (
      reader
        .prepare("SELECT id FROM blocks WHERE documentId = ? AND words != '' ORDER BY position")
        .get(idOf(title)) as { id: string }
    ).id;
  const tagOf = (tag: string) => (reader.prepare('SELECT id FROM tags WHERE name = ?').get(tag) as { id: string }).id;
  const visit = idOf('Visit');
  await acts.perform(ines.viewer, [
    { do: 'describe', id: visit, isTemplate: true },
    { do: 'describe', id: idOf('Mill'), templateId: visit },
    { do: 'merge', id: idOf('Old gate'), intoId: idOf('Gate') },
    { do: 'mergeTags', id: tagOf('ironwork'), intoId: tagOf('iron') },
    { do: 'describeTag', id: tagOf('wrought'), pigment: 'slate' },
    { do: 'moveGloss', id: idOf('Gate'), blockId: lineOf('Winch'), lineId: lineOf('Gate'), isMoved: true },
    { do: 'leaveUnlinked', id: visit, pageId: idOf('Winch'), blockId: lineOf('Winch'), isLeft: true },
    { do: 'saveSearch', id: newId(), saved: { name: 'Elm', line: 'elm' }, afterId: null },
    { do: 'pin', id: idOf('Winch') },
    { do: 'beginPeriod', id: periodId(ines.id, '2026-W11'), period: '2026-W11' },
    { do: 'jot', id: newId(), nodes: [block('paragraph', 'Ask for the winch rating')], at: '2026-03-09T08:00:00.000Z' },
  ]);
  await ines.put('/settings', { letters: false } as object);
  const archive = await written(server, ines.viewer);
  const other = await makeServer();
  const tomas = await other.person('Tomas');
  expect((await takeIn(archive, other, tomas)).remarks).toEqual([]);
  const before = await everything(server, ines.id, tomas.id);
  const { account } = before as { account: Record<string, unknown[]> };
  for (const part of ['movedGlosses', 'unlinked', 'pins', 'savedSearches', 'tags'])
    expect(account[part]).not.toEqual([]);
  expect(await everything(other, tomas.id, tomas.id)).toEqual(before);
  await takeIn(archive, other, tomas);
  expect(await everything(other, tomas.id, tomas.id)).toEqual(before);
  await other.services.background.idle();
  expect(await checkData(other.services.database)).toEqual([]);
  await other.stop();
});

describe('the demo', () => {
  let archive: string;
  let demoId: string;
  beforeEach(async () => {
    await makeDemo(server.services, path.resolve(__dirname, '../../../../demo/notes'), '2026-03-09', false);
    demoId = (await server.services.accounts.byName(DEMO_NAME))!.id;
    archive = await written(server, ownView(demoId));
  });

  test('taken out and into an empty account it is the same, and twice is as once', async () => {
    const other = await makeServer();
    const tomas = await other.person('Tomas');
    const report = await takeIn(archive, other, tomas);
    expect(report.remarks).toEqual([]);
    const before = await everything(server, demoId, tomas.id);
    expect(await everything(other, tomas.id, tomas.id)).toEqual(before);
    const again = await takeIn(archive, other, tomas);
    expect(again).toMatchObject({ pages: 0, notebooks: 0, sections: 0 });
    expect(again.left).toBeGreaterThan(50);
    expect(await everything(other, tomas.id, tomas.id)).toEqual(before);
    await other.services.background.idle();
    expect(await checkData(other.services.database)).toEqual([]);
    await other.stop();
  });

  test('in another account of the same server it is all there under other ids, with what is known beside the pages', async () => {
    const again = await server.services.imports.takeZip(ownView(demoId), archive);
    expect(again).toMatchObject({ notebooks: 0, sections: 0, pages: 0, days: 0, remarks: [] });
    const report = await takeIn(archive);
    expect(report.remarks).toEqual([]);
    const counts = (id: string) =>
      ['entries', 'tags', 'kinds', 'fields', 'pins', 'savedSearches', 'happenings', 'attachments'].map(
        (table) => server.row<{ count: number }>(`SELECT COUNT(*) AS count FROM ${table} WHERE ownerId = ?`, id)!.count,
      );
    expect(counts(ines.id)).toEqual(counts(demoId));
    const shown = (id: string) =>
      server.rows(
        `SELECT e.name, e.kind, e.day, e.period, e.jotting, e.deletedAt, e.season, e.isTemplate, e.wordCount, e.firstWords,
           (SELECT COUNT(*) FROM links l WHERE l.documentId = e.id) AS links,
           (SELECT COUNT(*) FROM links l JOIN entries t ON t.id = l.target WHERE l.documentId = e.id AND t.ownerId = e.ownerId) AS led,
           (SELECT COUNT(*) FROM tagUses u JOIN tags t ON t.id = u.tag WHERE u.documentId = e.id AND t.ownerId = e.ownerId) AS tags,
           (SELECT COUNT(*) FROM fieldValues v JOIN fields f ON f.id = v.field WHERE v.documentId = e.id AND f.ownerId = e.ownerId) AS fields,
           (SELECT COUNT(*) FROM fileUses u JOIN attachments a ON a.id = u.fileId WHERE u.documentId = e.id AND a.ownerId = e.ownerId) AS files
         FROM entries e WHERE e.ownerId = ? ORDER BY e.name, e.day, e.firstWords, e.begunAt`,
        id,
      );
    expect(shown(ines.id)).toEqual(shown(demoId));
  });
});
