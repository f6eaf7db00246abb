/** @jest-environment jsdom */
import { indexByKey, walkMenu } from './menuKeys';

const names = ['new page beneath', 'new page beside', 'move to…', 'copy link', 'merge…'];
let now = 0;
const type = (from: number, keys: string) => {
  now += 10_000;
  return [...keys].reduce((at, key) => indexByKey(names, at, key, (now += 50)) ?? -9, from);
};

test('S4 letters lead to what begins with them, and the same letter on among those', () => {
  expect(type(-1, 'n')).toBe(0);
  expect(type(-1, 'nn')).toBe(1);
  expect(type(-1, 'nnn')).toBe(0);
  expect(type(-1, 'me')).toBe(4);
  expect(type(-1, 'mo')).toBe(2);
  expect(type(3, 'x')).toBe(-9);
});

test('S4 arrows go round, Home and End to the ends', () => {
  expect(indexByKey(names, -1, 'ArrowDown')).toBe(0);
  expect(indexByKey(names, 4, 'ArrowDown')).toBe(0);
  expect(indexByKey(names, 0, 'ArrowUp')).toBe(4);
  expect(indexByKey(names, 2, 'End')).toBe(4);
  expect(indexByKey([], 0, 'Home')).toBeNull();
});

test('S4 arrows pass over what waits', () => {
  document.body.innerHTML = `<div role="group"><button>Rename</button><button disabled>Pin</button><button>Move</button></div>`;
  const [first, , last] = document.querySelectorAll('button');
  first!.focus();
  const key = { key: 'ArrowDown', target: first!, ctrlKey: false, metaKey: false, altKey: false };
  expect(walkMenu(document.body, key)).toBe(true);
  expect(document.activeElement).toBe(last);
});
