/** A time of day as it is written with a day: `9:30`, `5pm`, `noon`; a bare hour only after “at”. */
const TIME =
  '(?:(?<hours>\\d{1,2}):(?<minutes>\\d{2})|(?<half>\\d{1,2})(?:[.:](?<past>\\d{2}))? ?(?<part>[ap])\\.?m\\.?|(?<named>noon|midnight))';
const AT_END = new RegExp(`^(?:(?<rest>.*?)(?:,? |^))??(?:(?:at )?${TIME}|at (?<bare>\\d{1,2}))$`, 'iu');
const AT_START = new RegExp(`^(?:at )?${TIME},? (?<rest>.+)$`, 'iu');

const two = (value: number): string => String(value).padStart(2, '0');

/** The time that a match names, as `09:30`; null when no clock shows it. */
function timeOf(groups: Readonly<Record<string, string | undefined>>): string | null {
  const { hours, minutes = '00', half, past = '00', part, named, bare } = groups;
  if (named) return named.toLowerCase() === 'noon' ? '12:00' : '00:00';
  const hour = Number(hours ?? half ?? bare);
  const minute = Number(half === undefined ? minutes : past);
  if (half !== undefined && (hour < 1 || hour > 12)) return null;
  const ofDay = half === undefined ? hour : (hour % 12) + (part!.toLowerCase() === 'p' ? 12 : 0);
  return ofDay < 24 && minute < 60 ? `${two(ofDay)}:${two(minute)}` : null;
}

/** Parts a time of day off words: what is left, and the time as `09:30`; null when they name none. */
export function withoutTime(words: string): { rest: string; time: string } | null {
  for (const pattern of [AT_END, AT_START]) {
    const groups = pattern.exec(words)?.groups;
    const time = groups ? timeOf(groups) : null;
    if (groups && time !== null) return { rest: (groups.rest ?? '').trim(), time };
  }
  return null;
}
