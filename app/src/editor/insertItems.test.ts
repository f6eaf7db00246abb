import { fittingItems } from './insertItems';

const words = (typed: string) => fittingItems(typed).map((item) => item.words);

test('items are found by name first, then by other words people use for them', () => {
  expect(words('head')[0]).toBe('Heading');
  expect(words('overview sec')).toEqual(['Overview of this section']);
  expect(words('task')).toEqual(['To-do']);
  expect(words('contents')).toHaveLength(5);
  expect(words('zebra')).toEqual([]);
});
