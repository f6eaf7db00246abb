import { stat } from 'node:fs/promises';
import { fileName } from '@glossarion/core/formats/account';
import type { ExportForm, Work, WorkFile } from '@glossarion/core/works';
import { accountOf, type Viewer } from '../../access';
import { notFound, Problem } from '../../problem';
import type { Habits } from '../find';
import type { Works } from '../works';
import type { ExportContext } from './context';
import { exportedEntries, exportedPages } from './entries';
import { FORMS } from './forms';
import type { Outgoing } from './outgoing';

/** What goes out: all there is, what stands in an entry, or the pages that a query line finds. */
export interface Wanted {
  of: string | null;
  find?: string;
  /** By which days in words are read. */
  habits?: Habits;
}

const STOPPED = 'It was stopped, and nothing was written.';

/** Writes all of an account's, or a part of it, in open forms. */
export class Exports {
  constructor(
    private context: ExportContext,
    private works: Works,
  ) {}

  /**
   * Begins to write what is asked for; it is fetched as what the work wrote.
   *
   * @param origin where the product is served, for what leads to it
   * @throws Problem (404) when the entry is not there
   */
  begin(viewer: Viewer, { of, find, habits }: Wanted, id: string, form: ExportForm, origin: string): Work {
    const { context } = this;
    const { database } = context;
    const isWhole = of === null && find === undefined;
    const title =
      of !== null ? context.reader(viewer).place(of).title : find === undefined ? 'Notes' : `Found: ${find}`;
    if (of !== null && accountOf(database.reader, of) !== viewer.accountId) throw notFound();
    const { ending, write } = FORMS[form];
    const called = isWhole ? 'Glossarion' : title;
    const name = `${fileName(called)} ${new Date().toISOString().slice(0, 10)}${ending}`;
    const running = this.works.run(viewer, { id, sort: 'out', name: called, stopped: STOPPED }, async (progress) => {
      const found = find === undefined ? null : await context.find(viewer, find, habits);
      const entries = found
        ? await exportedPages(database, viewer, found.ids)
        : await exportedEntries(database, viewer, of);
      if (found && entries.length === 0) throw new Problem(404, 'Nothing is found by this, so nothing was taken out.');
      const roots = new Set((found ? entries : entries.slice(0, isWhole ? 0 : 1)).map((each) => each.id));
      const outgoing: Outgoing = { context, viewer, entries, isWhole, roots, title, origin, progress };
      const target = this.works.pathOf(id);
      await write(outgoing, target);
      progress.signal.throwIfAborted();
      const { size } = await stat(target);
      // Pages are what was to be done; what was done beyond them are attachments.
      const pages = progress.total;
      const files = Math.max(0, progress.done - pages);
      const file: WorkFile = { name, form, size, pages, files, isMore: found?.isMore ?? false };
      return { file };
    });
    // What came of it is told by the work.
    running.catch(() => undefined);
    return this.works.of(viewer, id);
  }

  /**
   * What a work wrote.
   *
   * @throws Problem (404) when it has written nothing, or not yet
   */
  written(viewer: Viewer, id: string): { path: string; name: string; media: string; isOpened: boolean } {
    const { file } = this.works.of(viewer, id);
    if (!file) throw new Problem(404, 'This has not written anything yet.');
    const { media, isOpened = false } = FORMS[file.form];
    return { path: this.works.pathOf(id), name: file.name, media, isOpened };
  }
}
