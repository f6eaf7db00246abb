import { meetingFrom, type NamedPage } from '.';
import type { NodeJson } from '../document/types';

const person = (id: string, title: string): NamedPage => ({ id, title, isPerson: true, isProject: false });
const tomas = person('t', 'Tomas Wren');
const callum = person('c', 'Callum Frayne');
const gate: NamedPage = { id: 'g', title: 'Sluice gate', isPerson: false, isProject: true };
const mortar: NamedPage = { id: 'm', title: 'Hot lime', isPerson: false, isProject: false };
const link = (target: string): NodeJson => ({ type: 'pageLink', attrs: { target } });
const text = (words: string): NodeJson => ({ type: 'text', text: words });
const from = (content: NodeJson[], named: NamedPage[], now: string | null = '11:05') =>
  meetingFrom({ type: 'block', attrs: { kind: 'paragraph', depth: 0 }, content }, named, '2026-05-06', now);

test('J5 a line gives a meeting its people, its project, its time and a title of its words', () => {
  const meeting = from(
    [
      text('9:30 Rang '),
      link('t'),
      text(' and '),
      link('c'),
      text(' about the '),
      link('g'),
      text('. He wants '),
      link('m'),
    ],
    [tomas, callum, gate, mortar],
  );
  expect(meeting).toEqual({
    title: 'Rang Tomas Wren and Callum Frayne about the Sluice gate',
    day: '2026-05-06',
    time: '09:30',
    people: ['t', 'c'],
    projects: ['g'],
  });
});

test.each<[string, NodeJson[], NamedPage[], string]>([
  ['only names', [link('t'), text(', '), link('c')], [tomas, callum], 'Meeting with Tomas Wren and Callum Frayne'],
  ['names and a time', [text('14:00 '), link('t')], [tomas], 'Meeting with Tomas Wren'],
  ['nothing', [], [], 'Meeting'],
  ['only a time', [text('14:00')], [], 'Meeting'],
  ['what it was about, and what was said', [text('Site visit: the sill is rotten')], [], 'Site visit'],
  ['a figure with a point', [text('Beam at 4.12 m, with Joss')], [], 'Beam at 4.12 m, with Joss'],
  ['a script without spaces', [text('水車の打ち合わせ')], [], '水車の打ち合わせ'],
])('J5 a line of %s is titled', (_what, content, named, title) => {
  expect(from(content, named).title).toBe(title);
});

test('J5 what stands in a title ends no thought', () => {
  const second = { ...gate, title: 'Sluice gate no. 2: leaf' };
  const about = (...rest: NodeJson[]) =>
    from([link('c'), text(' rang about '), link('g'), ...rest], [callum, second]).title;
  expect(about()).toBe('Callum Frayne rang about Sluice gate no. 2: leaf');
  expect(about(text('. He wants the bore'))).toBe('Callum Frayne rang about Sluice gate no. 2: leaf');
});

test('J5 without a time of its own it is now today, and not said on another day', () => {
  expect(from([text('Rang Tomas')], []).time).toBe('11:05');
  expect(from([text('Rang Tomas')], [], null).time).toBeNull();
  expect(from([text('Rang Tomas at 3pm')], [], null).time).toBe('15:00');
});

test('J5 somebody named twice comes once; a long line is cut at a word', () => {
  expect(from([link('t'), text(' rang, then '), link('t')], [tomas, tomas]).people).toEqual(['t']);
  const { title } = from([text('long words '.repeat(40))], []);
  expect(title.length).toBeLessThanOrEqual(80);
  expect(title).toMatch(/^(?:long words )*long(?: words)?$/u);
});
