import fc from 'fast-check';
import { stringify } from 'yaml';
import { times } from '../../testing';
import { writeFront } from './front';

const words = fc
  .array(
    fc.constantFrom('Oak', 'gate', 'no', '1', '2e3', 'é', '水', 'null', 'True', '-', ':', '#', ' ', '  ', '\n', '"'),
  )
  .map((pieces) => pieces.join(''));
const text = fc.oneof(
  words,
  fc.array(fc.constantFrom('Oak', 'x', '7', 'null', '水'), { maxLength: 4 }).map((pieces) => pieces.join(' ')),
  fc.string(),
  fc.uuid(),
  fc.date({ noInvalidDate: true, min: new Date(0), max: new Date(4e12) }).map((date) => date.toISOString()),
  fc.constantFrom('null', 'NULL', 'true', 'False', 'yes', '~', '', '.inf', '0x1f', '1e5', '2026-03-09'),
);
const value = fc.oneof(
  { weight: 4, arbitrary: text },
  { weight: 2, arbitrary: fc.array(text, { maxLength: 4 }) },
  fc.oneof(fc.integer(), fc.boolean(), fc.constant(null), fc.dictionary(text, text, { maxKeys: 2 })),
  fc.array(fc.array(text, { maxLength: 2 }), { maxLength: 2 }),
);

test('a head is written as the library writes it', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(text, value), { maxLength: 5 }), (entries) => {
      const front = Object.fromEntries(entries);
      const whole = Object.keys(front).length === 0 ? '' : `---\n${stringify(front, { lineWidth: 0 })}---\n`;
      expect(writeFront(front)).toBe(whole);
    }),
    { numRuns: times(1_000) },
  );
});

test('what is undefined goes unsaid', () => {
  expect(writeFront({ title: undefined })).toBe('');
  expect(writeFront({ id: undefined, title: 'Oak: the gate' })).toBe('---\ntitle: "Oak: the gate"\n---\n');
});
