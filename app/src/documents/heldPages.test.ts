import 'fake-indexeddb/auto';
import * as Y from 'yjs';
import { block, newId, seedDocument } from '@glossarion/core/document';
import { heldTexts, linesOfText } from './heldPages';
import { LocalStore } from './localStore';
import { PageDocument } from './pageDocument';

const seeded = (title: string, ...lines: string[]): Uint8Array =>
  seedDocument('page', title, { type: 'doc', content: lines.map((line) => block('paragraph', line)) });

/** What somebody types at the beginning of the first line, as an update of its own. */
function typed(state: Uint8Array, words: string): Uint8Array {
  const document = new Y.Doc();
  Y.applyUpdate(document, state);
  let update: Uint8Array = new Uint8Array();
  document.on('update', (each: Uint8Array) => (update = each));
  const line = document.getXmlFragment('body').get(0) as Y.XmlElement;
  (line.get(0) as Y.XmlText).insert(0, words);
  return update;
}

const shown = async (store: LocalStore, open: PageDocument | null = null): Promise<string[]> => {
  const texts = await heldTexts(store, { atHand: (id) => (open?.pageId === id ? open : null) });
  return texts.map((text) => {
    const lines = linesOfText(text, (id) => `→${id}`);
    return `${text.title}: ${lines.map(({ words }) => words).join(' / ')}`;
  });
};

test('F1 the pages that a browser keeps are read with what was typed and not sent yet', async () => {
  const store = await LocalStore.open(newId());
  const state = seeded('Sluice gate', 'The gudgeon is worn.', 'Elm.');
  await store.putPage({ pageId: 'gate', epoch: 1, state });
  await store.addToOutbox({ pageId: 'gate', epoch: 1, day: null, update: typed(state, 'Today: ') });
  expect(await shown(store)).toEqual(['Sluice gate: Today: The gudgeon is worn. / Elm.']);
});

test('F1 a page that is open is read as it stands, one that was begun offline too, and one that is broken hides no other', async () => {
  const store = await LocalStore.open(newId());
  await store.putPage({ pageId: 'gate', epoch: 1, state: seeded('Gate', 'An older copy.') });
  await store.addToOutbox({ pageId: 'new', epoch: 1, day: '2026-03-09', update: seeded('', 'Begun offline.') });
  const broken = new Y.Doc();
  broken.getXmlFragment('body').insert(0, [new Y.XmlElement('nonsense')]);
  await store.putPage({ pageId: 'broken', epoch: 1, state: Y.encodeStateAsUpdate(broken) });
  const open = new PageDocument('gate', null);
  Y.applyUpdate(open.document, seeded('Gate', 'As it stands.'));
  open.setReady();
  expect(await shown(store, open)).toEqual(['Gate: As it stands.', ': Begun offline.']);
  // It is somebody's still.
  expect(open.document.isDestroyed).toBe(false);
});
