import type { Deed } from './deed';
import { forgetDeeds, keepDeeds, keptDeeds } from './keptDeeds';

const stored = new Map<string, string>();
beforeAll(() => {
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => stored.get(key) ?? null,
      setItem: (key: string, value: string) => void stored.set(key, value),
      removeItem: (key: string) => void stored.delete(key),
    },
  });
});
beforeEach(() => stored.clear());

const HOUR = 3_600_000;
const NOW = 1_800_000_000_000;
const deed = (words: string, ago: number): Deed => ({
  words,
  undo: [{ do: 'bin', id: 'x' }],
  bringsText: false,
  at: NOW - ago,
});
const words = (account = 'ines') => keptDeeds(account, NOW).map((each) => each.words);

test('X7 deeds can be taken back for a day, after a reload too', () => {
  keepDeeds('ines', [deed('old', 25 * HOUR), deed('moved', 20 * HOUR), deed('named', HOUR)], new Set(), NOW);
  expect(words()).toEqual(['moved', 'named']);
  expect(keptDeeds('ines', NOW + 5 * HOUR).map((each) => each.words)).toEqual(['named']);
});

test('X7 two windows keep each other’s deeds, and bring none again that was taken back', () => {
  const [one, other] = [deed('one', 2 * HOUR), deed('other', HOUR)];
  keepDeeds('ines', [one], new Set(), NOW);
  keepDeeds('ines', [other], new Set(), NOW);
  expect(words()).toEqual(['one', 'other']);
  keepDeeds('ines', [], new Set([other.at]), NOW);
  expect(words()).toEqual(['one']);
});

test('X7 S1 they are one account’s alone, and go when it leaves', () => {
  keepDeeds('ines', [deed('moved', HOUR)], new Set(), NOW);
  expect(words('tomas')).toEqual([]);
  forgetDeeds('ines');
  expect(words()).toEqual([]);
});

test('X7 what a browser has no room for is left out, the oldest first; what it holds of other make is nothing', () => {
  const long = 'x'.repeat(250_000);
  keepDeeds('ines', [deed(`first ${long}`, 2 * HOUR), deed(`second ${long}`, HOUR)], new Set(), NOW);
  expect(words().map((each) => each.slice(0, 6))).toEqual(['second']);
  stored.set('glossarion-deeds-ines', '{broken');
  expect(words()).toEqual([]);
});
