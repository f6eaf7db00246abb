import { writeFile } from 'node:fs/promises';
import { pagesAmong } from '../outgoing';
import type { Form } from './form';

/** Open tasks that are due on a day, as iCalendar (RFC 5545). */
export const calendar: Form = {
  ending: '.ics',
  media: 'text/calendar; charset=utf-8',
  async write(outgoing, target) {
    const { context, viewer, origin, progress } = outgoing;
    const pages = new Set(pagesAmong(outgoing).map(({ id }) => id));
    progress.total = pages.size;
    const file = await context.calendarFiles.file(viewer, origin, (id) => pages.has(id));
    await writeFile(target, file, { signal: progress.signal });
    progress.done = pages.size;
  },
};
