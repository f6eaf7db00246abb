import * as Y from 'yjs';
import { newId, ownWords, readBody, writeBody, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { checkData } from '../services/checkData';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

/** Words on their way to a line that an act moved to another page meanwhile. */

let server: TestedServer;
let ines: Person;
let ids: Record<string, string>;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  const files = [
    { path: 'Mill/Gate.md', text: 'before\n\n## Pintles\n\nThe leaf has dropped.\n\nafter\n' },
    { path: 'Mill/Race.md', text: 'race\n' },
  ];
  await ines.post('/imports', { files }).expect(200);
  const rows = server.rows<{ id: string; name: string }>('SELECT id, name FROM entries');
  ids = Object.fromEntries(rows.map(({ id, name }) => [name, id]));
});
afterEach(() => server.stop());

/** A window on a page. */
async function open(pageId: string): Promise<{ document: Y.Doc; epoch: number }> {
  const { update, epoch } = await server.services.documents.open(ines.viewer, pageId, null, null);
  const document = new Y.Doc({ gc: false });
  Y.applyUpdate(document, update);
  return { document, epoch };
}

const linesOf = async (pageId: string) => readBody((await open(pageId)).document).content.map(ownWords);

/** Writes in the line about the leaf; the server does not hear of it before `act` is done. Gives the act's inverse. */
async function writeWhile(words: string, becomes: string, act: (line: string) => Act): Promise<Act[]> {
  const { database, documents, acts } = server.services;
  const gate = ids.Gate!;
  const { document, epoch } = await open(gate);
  const before = Y.encodeStateVector(document);
  const body = readBody(document);
  const index = body.content.findIndex((node) => ownWords(node) === words);
  const line = body.content[index]!;
  writeBody(document, {
    ...body,
    content: body.content.with(index, { ...line, content: [{ type: 'text', text: becomes }] }),
  });
  const { undo } = await acts.perform(ines.viewer, [act(String(line.attrs!.id))]);
  await documents.receive(ines.viewer, gate, epoch, Y.encodeStateAsUpdate(document, before), null);
  expect(await checkData(database)).toEqual([]);
  return undo;
}

const LEAF = 'The leaf has dropped.';
const seed = newId();
const page = newId();
const moves: [string, (line: string) => Act, () => string][] = [
  [
    'sent',
    (line) => ({ do: 'send', id: ids.Gate!, toId: ids.Race!, blockIds: [line], at: 'end', form: 'move', seed }),
    () => ids.Race!,
  ],
  [
    'lifted',
    (line) => ({ do: 'lift', id: ids.Gate!, blockIds: [line], pageId: page, parentId: ids.Gate! }),
    () => page,
  ],
  ['merged', () => ({ do: 'merge', id: ids.Gate!, intoId: ids.Race!, seed }), () => ids.Race!],
];

test.each(moves)('0 words typed in a line that is %s elsewhere meanwhile stand in it there', async (_name, act, to) => {
  const becomes = 'The lower leaf has dropped again.';
  const inverse = await writeWhile(LEAF, becomes, act);
  expect((await linesOf(to())).filter((each) => /leaf/u.test(each))).toEqual([becomes]);
  expect((await linesOf(ids.Gate!)).filter((each) => /lower|again|dropped\./u.test(each))).toEqual([]);
  await server.services.acts.perform(ines.viewer, inverse);
  expect(await linesOf(ids.Gate!)).toEqual(['before', 'Pintles', becomes, 'after']);
});

test('0 a line that an act takes out while somebody writes in it is kept, whole', async () => {
  await writeWhile(LEAF, 'The lower leaf has dropped again.', (line) => ({
    do: 'dropBlocks',
    id: ids.Gate!,
    blockIds: [line],
  }));
  expect(await linesOf(ids.Gate!)).toEqual(['before', 'Pintles', 'The lower leaf has dropped again.', 'after']);
});

test('0 words typed between links in a line that was lifted meanwhile stand between them', async () => {
  const { documents, acts } = server.services;
  await ines.post('/imports', { files: [{ path: 'Mill/Log.md', text: 'See [[Race]] and [[Gate]] today.\n' }] });
  const [log] = server.rows<{ id: string }>("SELECT id FROM entries WHERE name = 'Log'");
  const { document, epoch } = await open(log!.id);
  const before = Y.encodeStateVector(document);
  const [line] = readBody(document).content;
  const words = (document.getXmlFragment('body').get(0) as Y.XmlElement)
    .toArray()
    .find((each) => String(each) === ' and ');
  (words as Y.XmlText | undefined)?.insert(5, 'then ');
  expect(readBody(document).content[0]).not.toEqual(line);
  await acts.perform(ines.viewer, [
    { do: 'lift', id: log!.id, blockIds: [String(line!.attrs!.id)], pageId: page, parentId: log!.id },
  ]);
  await documents.receive(ines.viewer, log!.id, epoch, Y.encodeStateAsUpdate(document, before), null);
  const lifted = readBody((await open(page)).document).content[0]!.content!;
  expect(lifted.map(({ type, text }) => text ?? type)).toEqual([
    'See ',
    'pageLink',
    ' and then ',
    'pageLink',
    ' today.',
  ]);
});

test.each(['typed first', 'deleted first'])(
  '0 a line that another window deletes is kept where it stood: %s',
  async (order) => {
    const { database, documents } = server.services;
    const gate = ids.Gate!;
    const windows = [await open(gate), await open(gate)];
    const before = Y.encodeStateVector(windows[0]!.document);
    const changes = [
      (content: NodeJson[], at: number) =>
        content.with(at, { ...content[at]!, content: [{ type: 'text', text: `${LEAF} Again.` }] }),
      (content: NodeJson[], at: number) => content.toSpliced(at, 1),
    ];
    const updates = windows.map(({ document }, index) => {
      const body = readBody(document);
      const at = body.content.findIndex((node) => ownWords(node) === LEAF);
      writeBody(document, { ...body, content: changes[index]!(body.content, at) });
      return Y.encodeStateAsUpdate(document, before);
    });
    for (const update of order === 'typed first' ? updates : updates.reverse()) {
      await documents.receive(ines.viewer, gate, windows[0]!.epoch, update, null);
    }
    expect(await linesOf(gate)).toEqual(['before', 'Pintles', `${LEAF} Again.`, 'after']);
    expect(await checkData(database)).toEqual([]);
  },
);
