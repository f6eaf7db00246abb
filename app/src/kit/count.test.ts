import { count } from './count';

test('one is one, and none and many are more', () => {
  expect(count(1, 'page')).toBe('1 page');
  expect(count(0, 'page')).toBe('0 pages');
  expect(count(12, 'more step')).toBe('12 more steps');
});
