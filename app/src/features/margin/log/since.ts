import { dayInText, isDay, weekOf } from '@glossarion/core/journal';
import { LOG_SPANS, type LogSpan } from '@glossarion/core/log';

export const SPAN_WORDS: Record<LogSpan, string> = { week: 'This week', month: 'This month', year: 'This year' };

const isSpan = (since: string): since is LogSpan => (LOG_SPANS as readonly string[]).includes(since);

/** The first day that counts; null for all. */
export function firstDay(since: string | null, today: string, weekBegins: number): string | null {
  if (since === null || isDay(since)) return since;
  if (since === 'week') return weekOf(today, weekBegins);
  return since === 'month' ? `${today.slice(0, 7)}-01` : `${today.slice(0, 4)}-01-01`;
}

/** The same in words, to stand after others; null for all. */
export function sinceWords(since: string | null, today: string): string | null {
  if (since === null) return null;
  return isSpan(since) ? SPAN_WORDS[since].toLowerCase() : `since ${dayInText(since, today)}`;
}
