import { moveAhead, takeMovesAhead, takeTypedAhead, typeAhead } from './typedAhead';

const press = (key: string, at = 0, ctrlKey = false) => typeAhead({ key, ctrlKey, metaKey: false, altKey: false }, at);

test('what is typed while a sheet comes is the sheet’s, once', () => {
  for (const key of 'slux') press(key);
  press('Backspace');
  expect(press('i')).toBe(true);
  expect(takeTypedAhead(100)).toBe('slui');
  expect(takeTypedAhead(100)).toBe('');
});

test('keys that type nothing are left to others', () => {
  expect(press('Enter')).toBe(false);
  expect(press('z', 0, true)).toBe(false);
  expect(takeTypedAhead(0)).toBe('');
});

test('what was typed long ago was meant for something else', () => {
  press('a', 0);
  expect(takeTypedAhead(21_000)).toBe('');
  press('a', 30_000);
  press('b', 51_000);
  expect(takeTypedAhead(51_100)).toBe('b');
  press('c', 60_000);
  expect(takeTypedAhead(72_000)).toBe('c');
});

test('moves on the way to a sheet are that sheet’s, once, while they are new', () => {
  const move = (key: string, at: number, shiftKey = false) =>
    moveAhead('calendar', { key, shiftKey, ctrlKey: false, metaKey: false, altKey: false }, at);
  move('PageUp', 0, true);
  expect(move('Enter', 50)).toBe(true);
  expect(move('a', 60)).toBe(false);
  expect(takeMovesAhead('calendar', 100)).toEqual([
    { key: 'PageUp', shiftKey: true },
    { key: 'Enter', shiftKey: false },
  ]);
  expect(takeMovesAhead('calendar', 100)).toEqual([]);
  move('ArrowUp', 200);
  expect(takeMovesAhead('keys', 300)).toEqual([]);
  move('ArrowUp', 400);
  expect(takeMovesAhead('calendar', 21_000)).toEqual([]);
});
