import type { Deed } from './deed';
import {
  besideOpened,
  chose,
  contentsToggled,
  done,
  doneAgain,
  sheetOpened,
  stripOpened,
  takenBack,
  toggledChosen,
  viewReducer,
} from './view';
import { keepView, keptView } from './keptView';

/** A browser's storage, in memory. */
class Kept implements Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> {
  items = new Map<string, string>();
  getItem = (key: string) => this.items.get(key) ?? null;
  setItem = (key: string, value: string) => void this.items.set(key, value);
  removeItem = (key: string) => void this.items.delete(key);
}

const start = () => viewReducer(undefined, { type: 'begin' });
const deed = (words: string): Deed => ({ words, undo: [{ do: 'bin', id: words }], bringsText: false, at: 0 });
const entry = (id: string) => ({ id, kind: 'page' as const, parentId: null, title: id });

test('deeds are taken back latest first and done again in turn, until something new is done', () => {
  let view = [done(deed('one')), done(deed('two')), takenBack(deed('two'))].reduce(viewReducer, start());
  expect([view.deeds, view.undone].map((list) => list.map((each) => each.words))).toEqual([['one'], ['two']]);
  view = viewReducer(view, doneAgain(deed('two')));
  expect(view.deeds.map((each) => each.words)).toEqual(['one', 'two']);
  view = [takenBack(deed('two')), takenBack(deed('one')), done(deed('three'))].reduce(viewReducer, view);
  expect(view.deeds.map((each) => each.words)).toEqual(['three']);
  expect(view.undone).toEqual([]);
});

test('entries are chosen and let go of one by one, in the order they were chosen', () => {
  let view = [toggledChosen(entry('a')), toggledChosen(entry('b')), toggledChosen(entry('a'))].reduce(
    viewReducer,
    start(),
  );
  expect(view.chosen!.map((each) => each.id)).toEqual(['b']);
  view = viewReducer(view, toggledChosen(entry('b')));
  expect(view.chosen).toEqual([]);
  expect(viewReducer(view, chose(null)).chosen).toBeNull();
});

test('a sheet that opens takes the strip of keys away', () => {
  const view = [stripOpened(true), sheetOpened({ for: 'go' })].reduce(viewReducer, start());
  expect([view.sheet, view.isStripOpen]).toEqual([{ for: 'go' }, false]);
});

describe('what outlives a reload', () => {
  const browser = globalThis as { localStorage?: unknown; sessionStorage?: unknown };
  beforeEach(() => {
    browser.localStorage = new Kept();
    browser.sessionStorage = new Kept();
  });
  afterEach(() => {
    delete browser.localStorage;
    delete browser.sessionStorage;
  });

  test('what was put away stays so in this browser, the page beside in this window alone', () => {
    keepView([contentsToggled(), besideOpened('a page')].reduce(viewReducer, start()));
    expect(keptView()).toEqual({ besideId: 'a page', isContentsAway: true, isMarginAway: false });
    browser.sessionStorage = new Kept();
    expect(keptView()).toEqual({ besideId: null, isContentsAway: true, isMarginAway: false });
  });

  test('what was brought back is not kept', () => {
    keepView({ besideId: 'a page', isContentsAway: true, isMarginAway: true });
    keepView({ besideId: null, isContentsAway: false, isMarginAway: false });
    expect((browser.localStorage as Kept).items.size + (browser.sessionStorage as Kept).items.size).toBe(0);
  });

  test('a browser that keeps nothing shows all there is', () => {
    browser.localStorage = undefined;
    expect(keptView()).toEqual({ besideId: null, isContentsAway: false, isMarginAway: false });
    expect(() => keepView({ besideId: 'x', isContentsAway: true, isMarginAway: true })).not.toThrow();
  });
});
