/**
 * The rule of a repeat as RFC 5545 (3.3.10) writes it: `FREQ=WEEKLY;BYDAY=MO`. Here it is taken apart and put together
 * again in one order, so that the same repeat is always the same text; occurrences.ts computes the days.
 */
export type Rule = Readonly<Record<string, string>>;

/** Repeats are daily or coarser. */
export const FREQUENCIES = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'] as const;

/** As RFC 5545 writes weekdays, from Sunday. */
export const WEEKDAYS = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'] as const;

const ORDER = [
  ...['FREQ', 'INTERVAL', 'BYMONTH', 'BYWEEKNO', 'BYYEARDAY', 'BYMONTHDAY', 'BYDAY', 'BYSETPOS'],
  ...['COUNT', 'UNTIL', 'WKST'],
];
const FINER = ['BYHOUR', 'BYMINUTE', 'BYSECOND'];
const MOST = { INTERVAL: 1000, COUNT: 10_000 };

export const partsOfRule = (text: string): Rule =>
  Object.fromEntries(text.split(';').map((part) => part.split('=') as [string, string]));

const mondayFirst = (weekday: string): number => (WEEKDAYS.indexOf(weekday.slice(-2) as 'SU') + 6) % 7;

/** Puts a rule together; what says nothing is left out. */
export function ruleText(rule: Readonly<Record<string, string | null | undefined>>): string {
  const said = ORDER.flatMap((name) => {
    const value = rule[name];
    if (!value || (name === 'INTERVAL' && value === '1')) return [];
    if (name !== 'BYDAY') return [`${name}=${value}`];
    const days = value.split(',').sort((one, other) => mondayFirst(one) - mondayFirst(other));
    return [`BYDAY=${days.join(',')}`];
  });
  return said.join(';');
}

/** The sentence that says why this can't be the rule of a repeat; null when it can. */
export function refusalOf(text: string): string | null {
  const rule = partsOfRule(text);
  const { FREQ = '', INTERVAL = '1', COUNT = '1', UNTIL } = rule;
  if (['HOURLY', 'MINUTELY', 'SECONDLY'].includes(FREQ) || FINER.some((name) => name in rule)) {
    return 'A task repeats daily at most; several times a day, it is several tasks.';
  }
  const isWhole = (value: string, most: number) => /^\d+$/u.test(value) && Number(value) >= 1 && Number(value) <= most;
  const isKnown = Object.keys(rule).every((name) => ORDER.includes(name));
  if (!(FREQUENCIES as readonly string[]).includes(FREQ) || !isKnown) return 'This is no repeat that is understood.';
  if (!isWhole(INTERVAL, MOST.INTERVAL)) return `A task repeats every ${MOST.INTERVAL} days, weeks or months at most.`;
  if (!isWhole(COUNT, MOST.COUNT)) return `A repeat ends after ${MOST.COUNT} times at most.`;
  if (UNTIL !== undefined && !/^\d{8}(?:T\d{6}Z?)?$/u.test(UNTIL)) return 'The day on which it ends is none.';
  return null;
}
