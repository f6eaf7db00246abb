import { partsOf, type DayDate } from '../../calendar';
import { dayInWords, NUMBER, numberNamed, WEEKDAY, weekdayNamed, type Reading } from '../../dates/inWords';
import { completeRule, firstFrom } from '../changes/occurrences';
import { partsOfRule, ruleText, WEEKDAYS } from '../rule';

/** A repeat as it was said: the rule, and the first day on which it falls. */
export interface SpokenRepeat {
  day: DayDate;
  rule: string;
  isFromDone: boolean;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'];
const ORDINAL = `(?:${ORDINALS.join('|')}|last|1st|2nd|3rd|4th|5th)`;
const ordinalNamed = (name: string): number =>
  name === 'last' ? -1 : /^\d/u.test(name) ? Number(name[0]) : ORDINALS.indexOf(name) + 1;

const FREQ = { day: 'DAILY', week: 'WEEKLY', fortnight: 'WEEKLY', month: 'MONTHLY', year: 'YEARLY' } as const;
const UNIT = '(day|week|fortnight|month|year)s?';
const EACH = '(?:every|each)';
const DATE = '(?:the )?(\\d{1,2})(?:st|nd|rd|th)';

type Said = Readonly<Record<string, string>>;

const each = (unit: string, count = 1): Said => {
  const interval = unit === 'fortnight' ? count * 2 : count;
  return { FREQ: FREQ[unit as keyof typeof FREQ], INTERVAL: String(interval) };
};

const onDays = (names: string): string =>
  [...new Set([...names.matchAll(new RegExp(WEEKDAY, 'giu'))].map(([name]) => WEEKDAYS[weekdayNamed(name)]!))].join(
    ',',
  );

/** “every”, “every other”, “every 3”: how many, of the words before a unit. */
const countOf = (words: string | undefined): number =>
  words === undefined ? 1 : words === 'other' || words === 'second' ? 2 : numberNamed(words);

const COUNT = `(?: (other|second|${NUMBER}))?`;
const LIST = `${WEEKDAY}(?:(?:, and |, | and | & )${WEEKDAY})*`;

/** The ways in which a repeat is said, each with the parts of its rule. */
const WAYS: readonly (readonly [pattern: string, read: (match: RegExpExecArray) => Said | null])[] = [
  ['(daily|weekly|fortnightly|monthly|yearly|annually|quarterly)', ([, word]) => ADVERBS[word!] ?? null],
  [`${EACH}${COUNT} ${UNIT}`, ([, count, unit]) => each(unit!, countOf(count))],
  [`${EACH}${COUNT} ${UNIT} on (${LIST})`, ([, count, unit, names]) => ofWeek(unit!, countOf(count), names!)],
  [`${EACH} weekday`, () => ({ FREQ: 'WEEKLY', BYDAY: 'MO,TU,WE,TH,FR' })],
  [`${EACH} weekend`, () => ({ FREQ: 'WEEKLY', BYDAY: 'SA,SU' })],
  [`${EACH}(?: (other))? (${LIST})s?`, ([, other, names]) => ofWeek('week', countOf(other), names!)],
  ['on ((?:sun|mon|tues|wednes|thurs|fri|satur)day)s', ([, name]) => ofWeek('week', 1, name!)],
  [`${EACH}${COUNT} months? on ${DATE}`, ([, count, date]) => ofMonth(countOf(count), { BYMONTHDAY: date! })],
  [`(?:on )?${DATE} of ${EACH}${COUNT} months?`, ([, date, count]) => ofMonth(countOf(count), { BYMONTHDAY: date! })],
  [`${EACH} ${DATE}(?: of the month)?`, ([, date]) => ofMonth(1, { BYMONTHDAY: date! })],
  [`${EACH} last day of (?:the|${EACH}) month`, () => ofMonth(1, { BYMONTHDAY: '-1' })],
  [`(?:on )?the last day of ${EACH} month`, () => ofMonth(1, { BYMONTHDAY: '-1' })],
  [`${EACH}${COUNT} months? on the last day`, ([, count]) => ofMonth(countOf(count), { BYMONTHDAY: '-1' })],
  [`${EACH} (${ORDINAL}) (${WEEKDAY})(?: of (?:the|${EACH}) month)?`, ([, nth, name]) => nthOfMonth(nth!, name!)],
  [`(?:on )?the (${ORDINAL}) (${WEEKDAY}) of (?:the|${EACH}) month`, ([, nth, name]) => nthOfMonth(nth!, name!)],
  [
    `${EACH}${COUNT} months? on the (${ORDINAL}) (${WEEKDAY})`,
    ([, count, nth, name]) => nthOfMonth(nth!, name!, countOf(count)),
  ],
];

const ADVERBS: Readonly<Record<string, Said>> = {
  daily: each('day'),
  weekly: each('week'),
  fortnightly: each('fortnight'),
  monthly: each('month'),
  quarterly: each('month', 3),
  yearly: each('year'),
  annually: each('year'),
};

const ofWeek = (unit: string, count: number, names: string): Said | null =>
  unit === 'week' || unit === 'fortnight' ? { ...each(unit, count), BYDAY: onDays(names) } : null;

function ofMonth(count: number, on: Said): Said | null {
  const date = Number(on.BYMONTHDAY ?? 1);
  return date === -1 || (date >= 1 && date <= 31) ? { ...each('month', count), ...on } : null;
}

const nthOfMonth = (nth: string, name: string, count = 1): Said => ({
  ...each('month', count),
  BYDAY: `${ordinalNamed(nth)}${onDays(name)}`,
});

const compiled = WAYS.map(([pattern, read]) => [new RegExp(`^${pattern}$`, 'iu'), read] as const);

const plainRule = (words: string, { today, order, weekBegins }: Reading): Said | null => {
  for (const [pattern, read] of compiled) {
    const match = pattern.exec(words);
    if (match) return read(match.map((part) => part?.toLowerCase()) as unknown as RegExpExecArray);
  }
  // “every 3 March”, “every 2 years on 3 March”
  const yearly = new RegExp(`^${EACH}(?:${COUNT} years? on)? (.*\\p{L}.*)$`, 'iu').exec(words);
  if (!yearly || !/\d/u.test(yearly[2]!)) return null;
  if (/^29(?:th)? feb|^feb\w* 29/iu.test(yearly[2]!)) {
    return { ...each('year', countOf(yearly[1])), BYMONTH: '2', BYMONTHDAY: '29' };
  }
  const day = dayInWords(yearly[2]!, { today, order, weekBegins });
  if (day === null || /\d{4}/u.test(yearly[2]!) || !/^(?:\d|\p{L}+ \d)/u.test(yearly[2]!)) return null;
  const [, month, date] = partsOf(day);
  return { ...each('year', countOf(yearly[1])), BYMONTH: String(month), BYMONTHDAY: String(date) };
};

/** What is said of a repeat's end and beginning, taken off its words one after the other. */
const TAILS: readonly (readonly [pattern: RegExp, take: (said: string, reading: Reading) => Said | null])[] = [
  [
    /^(?<rest>.+?),? (?:until|till) (?<said>.+)$/iu,
    (said, reading) => {
      const day = dayInWords(said, reading);
      return day === null ? null : { UNTIL: day.replaceAll('-', '') };
    },
  ],
  [/^(?<rest>.+?),? (?:for )?(?<said>\d{1,4}) times$/iu, (said) => ({ COUNT: String(Number(said)) })],
  [
    /^(?<rest>.+?),? (?:from|starting) (?<said>.+)$/iu,
    (said, reading) => {
      const from = dayInWords(said, reading);
      return from === null ? null : { from };
    },
  ],
];

/** The repeat that words name as a whole; null when they name none. */
export function repeatInWords(words: string, reading: Reading): SpokenRepeat | null {
  const done = /^(?<rest>.+?) (?:after|once|when)(?: it(?: is|’s|'s| was)?)? done$/iu.exec(words)?.groups?.rest;
  if (done !== undefined) return fromDone(done, reading);
  for (const [pattern, take] of TAILS) {
    const groups = pattern.exec(words)?.groups;
    const taken = groups ? take(groups.said!, reading) : null;
    if (!groups || !taken) continue;
    const { from, ...ends } = taken;
    const repeat = repeatInWords(groups.rest!, from ? { ...reading, today: from } : reading);
    return repeat && { ...repeat, rule: ruleText({ ...partsOfRule(repeat.rule), ...ends }) };
  }
  const said = plainRule(words, reading);
  if (!said) return null;
  const isWeeks = said.FREQ === 'WEEKLY' && said.INTERVAL !== undefined && said.INTERVAL !== '1';
  const WKST = isWeeks && reading.weekBegins !== 1 ? WEEKDAYS[reading.weekBegins]! : null;
  const rule = completeRule(ruleText({ ...said, WKST }), reading.today);
  // The first time within a period may have gone by: then it is the next.
  const day = firstFrom(ruleText({ ...partsOfRule(rule), INTERVAL: null, WKST: null }), reading.today);
  return day === null ? null : { day, rule, isFromDone: false };
}

/** “every 3 days after done”, “a month after done”: counted from the day it was done. */
function fromDone(words: string, { today }: Reading): SpokenRepeat | null {
  const pattern = new RegExp(`^(?:${EACH}${COUNT}|(${NUMBER})) ${UNIT}$`, 'iu');
  const match = pattern.exec(words)?.map((part) => part?.toLowerCase());
  if (!match) return null;
  const [, count, number, unit] = match as [string, string?, string?, string?];
  return { day: today, rule: ruleText(each(unit!, countOf(count ?? number))), isFromDone: true };
}
