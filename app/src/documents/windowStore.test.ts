import 'fake-indexeddb/auto';
import { LocalStore, type KeptCopy, type KeptHere } from './localStore';
import { WindowStore } from './windowStore';

const page = (pageId: string, byte: number) => ({ pageId, epoch: 1, state: new Uint8Array([byte]) });
const item = (pageId: string, byte: number) => ({ pageId, epoch: 1, day: null, update: new Uint8Array([byte]) });
const copy = (pageId: string, text: string, reason = 'too long'): KeptCopy => ({
  ...{ pageId, text, reason },
  title: 'Gate',
  at: '2026-04-01T08:00:00Z',
});

const stores: [string, () => Promise<KeptHere>][] = [
  ['of the browser', () => LocalStore.open('ines')],
  ['of the window', async () => new WindowStore()],
];

test.each(stores)('a store %s gives back what it was given, in its order, until that is taken', async (_name, open) => {
  const store = await open();
  await store.putPage(page('gate', 1));
  await store.putPage(page('gate', 2));
  await store.putPage(page('weir', 3));
  await store.dropPage('weir');
  expect(await store.page('gate')).toEqual(page('gate', 2));
  expect(await store.page('weir')).toBeUndefined();
  expect(await store.allPages()).toEqual([page('gate', 2)]);

  const first = await store.addToOutbox(item('gate', 1));
  await store.addToOutbox(item('weir', 2));
  await store.addToOutbox(item('gate', 3));
  expect((await store.outbox('gate')).map((each) => each.item)).toEqual([item('gate', 1), item('gate', 3)]);
  await store.takeFromOutbox([first]);
  expect((await store.outbox()).map((each) => each.item)).toEqual([item('weir', 2), item('gate', 3)]);

  await store.keep(copy('gate', 'Elm.'));
  await store.keep(copy('gate', 'Oak.'));
  await store.keep(copy('gate', 'Ash.', 'gone'));
  const kept = await store.keptCopies();
  expect(kept.map(({ text, reason }) => [text, reason])).toEqual([
    ['Elm.Oak.', 'too long'],
    ['Ash.', 'gone'],
  ]);
  await store.dropKept(kept[0]!.id!);
  expect((await store.keptCopies()).map(({ text }) => text)).toEqual(['Ash.']);
  store.close();
});
