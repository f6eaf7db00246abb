import { takeTypedAhead, typeAhead } from './typedAhead';

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
  expect(takeTypedAhead(6_000)).toBe('');
  press('a', 10_000);
  press('b', 16_000);
  expect(takeTypedAhead(16_100)).toBe('b');
});
