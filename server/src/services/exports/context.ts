import type { Viewer } from '../../access';
import type { Database } from '../../database/database';
import type { Threads } from '../../threads/threads';
import type { Attachments } from '../attachments';
import type { CalendarFiles } from '../calendarFiles';
import type { EntryReader } from '../entries';
import type { Habits } from '../find';
import type { Kinds } from '../kinds';
import type { Margin } from '../margin';

/** What writing an export needs of the server. */
export interface ExportContext {
  database: Database;
  threads: Threads;
  kinds: Kinds;
  attachments: Attachments;
  calendarFiles: CalendarFiles;
  margin: Margin;
  reader: (viewer: Viewer) => EntryReader;
  /** The ids of what a query line finds, the best first, and whether there is more. */
  find: (viewer: Viewer, line: string, habits?: Habits) => Promise<{ ids: string[]; isMore: boolean }>;
  /** The folder of what a site is made with beside its pages: its script, its letters. */
  siteFiles: URL;
}
