import fc from 'fast-check';
import { layoutStacks, SLACK, type ColumnRoom, type StackWish } from './layout';

const room: ColumnRoom = { first: 40, end: 3_000, gap: 8, highest: 600, presentKey: null };
const wish = (key: string, wanted: number, open: number, isOpened = false): StackWish => ({
  ...{ key, wanted, open, closed: 44, short: 24, isOpened },
});
const shown = (wishes: StackWish[], more: Partial<ColumnRoom> = {}): string[] =>
  layoutStacks(wishes, { ...room, ...more }).map(({ key, top, state }) => `${key} ${state} at ${top}`);

test('glosses that fit are open, each beside its line', () => {
  expect(shown([wish('a', 100, 90), wish('b', 200, 90), wish('c', 400, 90)])).toEqual([
    ...['a open at 100', 'b open at 200', 'c open at 400'],
  ]);
});

test('what does not fit before the next line is closed there, and pushes nothing away', () => {
  expect(shown([wish('a', 100, 300), wish('b', 200, 90), wish('c', 240, 90), wish('d', 270, 90)])).toEqual([
    ...['a closed at 100', 'b short at 200', 'c short at 240', 'd open at 272'],
  ]);
});

test('what is opened pushes only what is below, as far as it has to', () => {
  const wishes = [wish('a', 100, 90), wish('b', 200, 300, true), wish('c', 300, 90), wish('d', 900, 90)];
  expect(shown(wishes)).toEqual(['a open at 100', 'b open at 200', 'c open at 508', 'd open at 900']);
});

test('the present one begins at its line; one opened before it gives way', () => {
  const wishes = [wish('a', 100, 300, true), wish('b', 200, 300), wish('c', 260, 90)];
  expect(shown(wishes, { presentKey: 'b' })).toEqual(['a closed at 100', 'b open at 200', 'c open at 508']);
  expect(shown(wishes)).toEqual(['a open at 100', 'b short at 408', 'c open at 440']);
});

test('what is higher than an open stack may be is scrolled within it, and open only when it was opened', () => {
  expect(shown([wish('a', 100, Infinity), wish('b', 2_900, 90)])).toEqual(['a closed at 100', 'b open at 2900']);
  expect(layoutStacks([wish('a', 100, Infinity, true)], room)).toEqual([
    { key: 'a', top: 100, height: 600, state: 'open' },
  ]);
});

const wishes = fc
  .array(
    fc.record({
      wanted: fc.integer({ min: 0, max: 2_400 }),
      open: fc.oneof(fc.integer({ min: 40, max: 900 }), fc.constant(Infinity)),
      isOpened: fc.boolean(),
    }),
    { minLength: 1, maxLength: 30 },
  )
  .map((all) =>
    all
      .sort((one, other) => one.wanted - other.wanted)
      .map((each, index): StackWish => ({ key: `k${index}`, closed: 44, short: 24, ...each })),
  );
/** Lines of a text are never nearer to each other than a line is high. */
const spaced = wishes.map((all) => all.map((each, index) => ({ ...each, wanted: each.wanted + 33 * index })));

test('stacks keep their order, never overlap and never begin above the head of the column', () => {
  fc.assert(
    fc.property(wishes, fc.nat(29), (all, present) => {
      const places = layoutStacks(all, { ...room, presentKey: `k${present}` });
      expect(places.map(({ key }) => key)).toEqual(all.map(({ key }) => key));
      places.forEach(({ top }, index) => {
        expect(top).toBeGreaterThanOrEqual(room.first);
        const before = places[index - 1];
        if (before) expect(top).toBeGreaterThanOrEqual(before.top + before.height + room.gap);
      });
    }),
  );
});

test('where nobody opened anything each is near its line, and none is closed where it would fit', () => {
  fc.assert(
    fc.property(spaced, (all) => {
      const untouched = all.map((each) => ({ ...each, isOpened: false }));
      const places = layoutStacks(untouched, room);
      places.forEach(({ top, state }, index) => {
        const { wanted, open } = untouched[index]!;
        expect(top - Math.max(room.first, wanted)).toBeLessThanOrEqual(SLACK);
        const next = places[index + 1]?.top ?? room.end;
        if (state !== 'open') expect(open > room.highest || top + open + room.gap > next).toBe(true);
      });
    }),
  );
});

test('the present one is open and begins at its line wherever the column has room for those before it', () => {
  fc.assert(
    fc.property(spaced, fc.nat(29), (all, at) => {
      const present = at % all.length;
      const places = layoutStacks(all, { ...room, presentKey: `k${present}` });
      const least = room.first + places.slice(0, present).reduce((sum, { height }) => sum + height + room.gap, 0);
      expect(places[present]!.state).toBe('open');
      expect(places[present]!.top).toBe(
        Math.max(room.first, all[present]!.wanted, Math.min(least, places[present]!.top)),
      );
      if (present > 0) expect(least - all[present]!.wanted).toBeLessThanOrEqual(room.first + SLACK);
    }),
  );
});
