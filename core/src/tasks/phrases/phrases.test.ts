import { LABELLED, NO_PHRASES } from '../phrases.labelled';
import { whenAtEnd, whenTyped, type When } from './index';

const told = (when: When | null): string | null => {
  if (!when) return null;
  const { day, time, repeat, isFromDone } = when;
  return [time ? `${day}T${time}` : day, ...(repeat ? [repeat] : []), ...(isFromDone ? ['from done'] : [])].join(' ');
};

describe.each(
  LABELLED.map((set) => [`${set.today}, ${set.weekBegins}${set.isField ? ', in a field' : ''}`, set] as const),
)('T4 phrases read on %s', (_name, { phrases, isField, ...reading }) => {
  test.each(phrases)('%s: %s', (typed, expected) => {
    const when = isField ? whenTyped(typed, reading) : whenAtEnd(typed, reading);
    expect(told(when)).toBe(expected);
  });
});

test.each(NO_PHRASES)('T4 no day: %s', (typed) => {
  expect(told(whenAtEnd(typed, { today: '2026-11-26', weekBegins: 1, order: 'day first' }))).toBeNull();
});
