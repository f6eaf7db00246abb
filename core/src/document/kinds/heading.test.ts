import { toldLevels } from './heading';

test('S4 headings are told by levels that follow each other, those of different size never alike', () => {
  expect([...toldLevels([2, 2])]).toEqual([[2, 2]]);
  expect([...toldLevels([1, 2, 1])]).toEqual([
    [1, 2],
    [2, 3],
  ]);
  expect([...toldLevels([4, 1])]).toEqual([
    [1, 2],
    [4, 3],
  ]);
  expect(toldLevels([]).size).toBe(0);
});
