import { letterOf } from './useKeys';

test('S4 a letter counts by what it is, and by its place where the layout has no Latin letters', () => {
  expect(letterOf({ key: 'f', code: 'KeyF' })).toBe('f');
  // A Latin layout of another order says what it means itself.
  expect(letterOf({ key: 'a', code: 'KeyQ' })).toBe('a');
  expect(letterOf({ key: 'é', code: 'Digit2' })).toBe('é');
  expect(letterOf({ key: 'а', code: 'KeyF' })).toBe('f');
  expect(letterOf({ key: 'Α', code: 'KeyA' })).toBe('a');
  expect(letterOf({ key: 'Escape', code: 'Escape' })).toBe('Escape');
  expect(letterOf({ key: ',', code: 'Comma' })).toBe(',');
});
