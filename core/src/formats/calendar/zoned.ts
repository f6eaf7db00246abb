const formats = new Map<string, Intl.DateTimeFormat | null>();

function formatOf(timeZone: string): Intl.DateTimeFormat | null {
  let format = formats.get(timeZone);
  if (format === undefined) {
    const parts = { year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit' } as const;
    try {
      format = new Intl.DateTimeFormat('en-u-ca-gregory-nu-latn', { timeZone, hourCycle: 'h23', ...parts });
    } catch {
      format = null;
    }
    formats.set(timeZone, format);
  }
  return format;
}

/** What clocks show in a time zone (an IANA name) at a moment: `2026-11-28T16:10`; null for a zone that is not known. */
export function shownIn(timeZone: string, moment: number): string | null {
  const format = formatOf(timeZone);
  if (!format) return null;
  const parts = Object.fromEntries(format.formatToParts(moment).map(({ type, value }) => [type, value]));
  return `${parts.year!.padStart(4, '0')}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}`;
}

/**
 * The moment at which clocks in a time zone show this, in milliseconds; null for a zone that is not known. Where clocks
 * show it twice it is the first; where they never do, as much later as they were put forward.
 */
export function momentIn(timeZone: string, shown: string): number | null {
  const wanted = Date.parse(`${shown}Z`);
  const offsetAt = (moment: number): number | null => {
    const there = shownIn(timeZone, moment);
    return there === null ? null : Date.parse(`${there}Z`) - moment;
  };
  const day = 86_400_000;
  const [before, after] = [offsetAt(wanted - day), offsetAt(wanted + day)];
  if (before === null || after === null) return null;
  const fitting = [wanted - Math.max(before, after), wanted - Math.min(before, after)];
  return fitting.find((moment) => shownIn(timeZone, moment) === shown) ?? wanted - before;
}
