import type { DayDate } from '../calendar';
import { withoutTime } from '../dates/timeInWords';
import { shownWords } from '../document/text';
import type { NodeJson } from '../document/types';

/** A page that a line names, as far as a meeting wants to know it. */
export interface NamedPage {
  id: string;
  title: string;
  isPerson: boolean;
  isProject: boolean;
}

/** What is known of a meeting before its page is made. */
export interface Meeting {
  title: string;
  day: DayDate;
  /** As `09:30`; null when nobody has said it. */
  time: string | null;
  /** Ids of pages, in the order they are named, each once. */
  people: readonly string[];
  projects: readonly string[];
}

const MAX_TITLE_LENGTH = 80;
/** The first sign of those that mean nothing by themselves (Unicode 23.5, private use). */
const FIRST_SIGN = 0xe000;
/** Where a thought ends within a line: what follows is what was said, not what it was about. */
const END_OF_THOUGHT = /(?<=[\p{L}\p{N}\p{Co})”"’'])(?:[.!?](?=\s)|\s+[–—]\s|;\s|:\s).*$/su;
const AROUND = /^[\s,;:–—-]+|[\s,;:.–—-]+$/gu;

/** Cuts at a word’s end, never inside a character. */
function shortened(words: string): string {
  const characters = Array.from(words);
  if (characters.length <= MAX_TITLE_LENGTH) return words;
  const cut = characters.slice(0, MAX_TITLE_LENGTH).join('');
  const space = cut.lastIndexOf(' ');
  return (space > MAX_TITLE_LENGTH / 2 ? cut.slice(0, space) : cut).replace(AROUND, '');
}

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** Whether words say nothing beside these names. */
const isNamesOnly = (words: string, names: readonly string[]): boolean =>
  names.reduce((left, name) => left.replace(name, ''), words).replace(/\b(?:and|with)\b|[\s,;:&+.–—-]/giu, '') === '';

/**
 * What a line of a day says of a meeting: who is named as people, which project, the time that it begins or ends with,
 * and a title of its words. A line that only names people is titled by them.
 *
 * @param named what the line names, in reading order
 * @param now the time where the person is, as `09:30`, when the line’s day is today; null on any other
 */
export function meetingFrom(line: NodeJson, named: readonly NamedPage[], day: DayDate, now: string | null): Meeting {
  // A title is one sign until the words are cut: “Sluice gate no. 2” ends no thought.
  const signs = new Map(named.map(({ id }, index) => [id, String.fromCharCode(FIRST_SIGN + index)]));
  const titles = new Map(named.map(({ id, title }) => [signs.get(id)!, title]));
  const words = shownWords(line, (target) => signs.get(target) ?? '')
    .replace(/\s+/gu, ' ')
    .trim();
  const timed = withoutTime(words) ?? (/^\S+$/u.test(words) ? withoutTime(`${words} –`) : null);
  const about = (timed?.rest ?? words)
    .replace(END_OF_THOUGHT, '')
    .replace(AROUND, '')
    .replace(/\p{Co}/gu, (sign) => titles.get(sign) ?? sign);
  const people = named.filter(({ isPerson }) => isPerson);
  const names = people.map(({ title }) => title);
  const title = isNamesOnly(about, names) ? `Meeting${names.length > 0 ? ` with ${list.format(names)}` : ''}` : about;
  const idsOf = (pages: readonly NamedPage[]) => [...new Set(pages.map(({ id }) => id))];
  return {
    title: shortened(title),
    day,
    time: timed?.time ?? now,
    people: idsOf(people),
    projects: idsOf(named.filter(({ isProject }) => isProject)),
  };
}
