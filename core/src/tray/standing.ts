import { daysBetween, localDay, type DayDate } from '../calendar';
import type { Jotting } from './jotting';

/** How a jotting stands in the Tray: it waits to be filed, comes back on a day, or is kept for good. */
export type TrayPart = 'waiting' | 'comingBack' | 'kept';

type Caught = Pick<Jotting, 'jotting' | 'comesBack'>;

/** The part of the Tray in which a jotting stands on a day. */
export function trayPartOf({ jotting, comesBack }: Caught, today: DayDate): TrayPart {
  if (jotting === 'kept') return 'kept';
  return comesBack !== null && comesBack > today ? 'comingBack' : 'waiting';
}

/** Whether a jotting stands on a day: it came back by today, or comes back on a day that is to come. */
export function standsOn({ jotting, comesBack }: Caught, day: DayDate, today: DayDate): boolean {
  if (jotting !== 'waiting' || comesBack === null || day < today) return false;
  return day === today ? comesBack <= today : comesBack === day;
}

/** After so many days a jotting is said to have waited for long. */
export const LONG_WAIT = 14;

/** For how many days a jotting has waited: since it was caught, or came back. */
export const waitedFor = ({ begunAt, comesBack }: Pick<Jotting, 'begunAt' | 'comesBack'>, today: DayDate): number =>
  Math.max(0, daysBetween(comesBack ?? localDay(new Date(begunAt)), today));

/** “3 weeks”, “2 months”: how long something has waited, from `LONG_WAIT` days on. */
export function longWaitWords(days: number): string {
  const weeks = Math.floor(days / 7);
  if (weeks < 9) return `${weeks} weeks`;
  const months = Math.floor(days / 30.44);
  return months < 24 ? `${months} months` : `${Math.floor(months / 12)} years`;
}
