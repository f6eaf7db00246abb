import { roomFor, type Wanted } from './room';
import { measure } from './tokens';

const all: Wanted = { isTextOnly: false, contents: true, margin: true, beside: false };
const around = (width: number, wanted: Partial<Wanted> = {}) => {
  const { hasContents, hasMargin, hasBeside } = roomFor(width, { ...all, ...wanted });
  return [hasContents && 'contents', hasMargin && 'Margin', hasBeside && 'beside'].filter(Boolean).join(', ');
};

test('as room shrinks the Margin gives way, then the contents, then the rail', () => {
  expect(around(1280)).toBe('contents, Margin');
  expect(around(1180)).toBe('contents');
  expect(around(834)).toBe('');
  expect(roomFor(834, all).isWide).toBe(true);
  expect(roomFor(390, all).isWide).toBe(false);
});

test('what is put away leaves its room to the other', () => {
  expect(around(1100, { contents: false })).toBe('Margin');
  expect(around(1280, { margin: false })).toBe('contents');
  expect(around(1280, { isTextOnly: true })).toBe('');
  expect(roomFor(390, { ...all, isTextOnly: true }).isTextOnly).toBe(false);
});

test('two pages stand beside each other only where both can be read', () => {
  expect(around(834, { beside: true })).toBe('');
  expect(around(1280, { beside: true })).toBe('beside');
  expect(around(1600, { beside: true })).toBe('contents, beside');
  expect(around(1100, { beside: true, isTextOnly: true })).toBe('beside');
});

test('the text keeps its width whatever stands around it', () => {
  for (let width = measure.wide; width < 2000; width += 1) {
    for (const beside of [false, true]) {
      const room = roomFor(width, { ...all, beside });
      const taken = measure.rail + (room.hasContents ? measure.contents : 0) + (room.hasMargin ? measure.margin : 0);
      const least = room.hasBeside ? 2 * measure.besideColumn : Math.min(measure.column, width - measure.rail);
      expect(width - taken).toBeGreaterThanOrEqual(least);
    }
  }
});
