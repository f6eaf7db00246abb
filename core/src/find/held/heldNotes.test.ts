import fc from 'fast-check';
import { readQueryLine } from '../query';
import { HeldNotes, type HeldPage } from './heldNotes';

const page = (id: string, title: string, ...lines: string[]): HeldPage => ({
  id,
  title,
  lines: lines.map((words, index) => ({ id: `${id}${index}`, words })),
});

const pages = [
  page('gate', 'Sluice gate', 'The gudgeon is worn.', 'Callum looked at the paddles.'),
  page('wheel', 'Wheel', 'A gate was mentioned.', 'Café by the weir, left-handed thread.'),
  page('lime', 'Lime', 'Putty for the left wall', 'was slaked by hand.'),
  page('trust', 'Harbour Trust', 'Petra answers on the mooring.'),
];
const notes = new HeldNotes(pages);
const found = (typed: string) => notes.find(readQueryLine(typed)!, 24).findings.map(({ id }) => id);
const firstLine = (typed: string) => {
  const [finding] = notes.find(readQueryLine(typed)!, 24).findings;
  return finding?.lines[0]?.pieces.map(({ text, isMarked }) => (isMarked ? `[${text}]` : text)).join('');
};

test('F1 titles come before text, and the lines that fit are shown with the words marked', () => {
  expect(found('gate')).toEqual(['gate', 'wheel']);
  expect(firstLine('gudg')).toBe('The [gudgeon] is worn.');
  expect(found('sluice callum')).toEqual(['gate']);
});

test('F3 slips, forms, accents and hyphens are forgiven, and what was taken is said', () => {
  expect(notes.find(readQueryLine('gudgoen ')!, 24)).toMatchObject({ findings: [{ id: 'gate' }], also: ['gudgeon'] });
  expect(found('paddle ')).toEqual(['gate']);
  expect(found('cafe ')).toEqual(['wheel']);
  expect(found('left handed')[0]).toBe('wheel');
});

test('F2 phrases, alternatives and what must be missing hold; filters let everything through', () => {
  expect(found('"left wall"')).toEqual(['lime']);
  expect(found('gate -weir')).toEqual(['gate']);
  expect(found('mooring OR putty').sort()).toEqual(['lime', 'trust']);
  expect(found('tag:oak gate')).toEqual(['gate', 'wheel']);
  expect(found('thatch')).toEqual([]);
});

test('any line that is typed is answered', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (typed) => {
      const asked = readQueryLine(typed);
      if (asked) expect(notes.find(asked, 24).findings.length).toBeLessThanOrEqual(pages.length);
    }),
  );
});
