import { dayTitle, periodTitle } from '@glossarion/core/journal';
import { reviewedOf, type PeriodCounts, type ReviewedBar } from '@glossarion/core/review';

/** What can be seen by day, or by month: what it is called, and one value of it in words. */
export interface Measure {
  key: keyof PeriodCounts;
  label: string;
  words: (value: number) => string;
}

const counted = (one: string, more: string) => (value: number) =>
  `${value.toLocaleString()} ${value === 1 ? one : more}`;

/** In the order in which they are shown. */
export const MEASURES: readonly Measure[] = [
  { key: 'daysWritten', label: 'Days written', words: counted('day written', 'days written') },
  { key: 'words', label: 'Words', words: counted('word', 'words') },
  { key: 'tasksDone', label: 'Tasks done', words: counted('task done', 'tasks done') },
  { key: 'tasksPutOff', label: 'Put off', words: counted('put off', 'put off') },
  { key: 'tasksCome', label: 'Tasks come in', words: counted('task come in', 'tasks come in') },
  { key: 'pagesBegun', label: 'Pages begun', words: counted('page begun', 'pages begun') },
  { key: 'pagesChanged', label: 'Pages written on', words: counted('page written on', 'pages written on') },
];

/** “November”, “Week 48”, “2025”: with its year where that is another than this one. */
export function reviewTitle(period: string, today: string): string {
  if (reviewedOf(period) === 'year') return period;
  const title = periodTitle(period);
  const year = period.slice(0, 4);
  return year === today.slice(0, 4) ? title.replace(new RegExp(` (of )?${year}$`, 'u'), '') : title;
}

/** What a bar stands for. */
export const barTitle = ({ name }: ReviewedBar): string =>
  name.length > 7 ? dayTitle(name) : periodTitle(name).replace(/ \d{4}$/u, '');

/** The same in a word, beneath the bars. */
export const barLabel = ({ name }: ReviewedBar): string =>
  name.length > 7 ? String(Number(name.slice(8))) : periodTitle(name).slice(0, 3);

/** How much more or less than before; nothing when it is the same. */
export function changeWords(now: number, before: number): string {
  const change = now - before;
  return change === 0 ? '' : `${change > 0 ? '+' : '−'}${Math.abs(change).toLocaleString()}`;
}
