import { arrangementFor, DESK_PARTS, movePart } from './arrangement';

const parts = (...args: Parameters<typeof arrangementFor>) => arrangementFor(...args).map(({ part }) => part);

test('a screen without an arrangement of its own takes the other’s, and no part is ever missing', () => {
  const wide = [{ part: 'tasks', size: 'many', isHidden: false }] as const;
  expect(parts('phone', undefined)).toEqual([...DESK_PARTS]);
  expect(parts('phone', { phone: null, wide })[0]).toBe('tasks');
  expect(parts('wide', { phone: null, wide }).sort()).toEqual([...DESK_PARTS].sort());
});

test('a part moves one place and stops at the ends', () => {
  const shipped = arrangementFor('wide', undefined);
  expect(
    movePart(shipped, 'due', -1)
      .map(({ part }) => part)
      .slice(0, 2),
  ).toEqual(['due', 'pins']);
  expect(movePart(shipped, 'pins', -1)).toEqual(shipped);
  expect(movePart(shipped, 'unwritten', 1)).toEqual(shipped);
});
