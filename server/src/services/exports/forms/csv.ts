import { fileName, FolderNames } from '@glossarion/core/formats/account';
import { writeRows, type RowOfPage } from '@glossarion/core/formats/csv';
import { besideOf, type BodyJson } from '@glossarion/core/document';
import { outOfBin } from '../entries';
import { pagesAmong, pagesOut, titlesOf, type Outgoing } from '../outgoing';
import { writeZip, type ZipEntry } from '../zip';
import type { Form } from './form';

/** The pages of each kind as a table of comma-separated values, with a column for each field. */
export const csv: Form = {
  ending: '.zip',
  media: 'application/zip',
  write: (outgoing, target) =>
    writeZip(
      target,
      tables({ ...outgoing, entries: outOfBin(outgoing.entries, outgoing.roots) }),
      outgoing.progress.signal,
    ),
};

async function* tables(outgoing: Outgoing): AsyncGenerator<ZipEntry[]> {
  const { context, viewer, progress } = outgoing;
  const titles = titlesOf(outgoing);
  const tree = await context.kinds.tree(viewer);
  const reader = context.reader(viewer);
  const rows = new Map<string, RowOfPage[]>();
  progress.total = pagesAmong(outgoing).length;
  for await (const pages of pagesOut(outgoing)) {
    progress.signal.throwIfAborted();
    for (const { entry, json } of pages) {
      // Most pages are of no kind, and are not read for it.
      if (!json.includes('"kinds":')) continue;
      const { kinds, fields } = besideOf(JSON.parse(json) as BodyJson);
      for (const id of kinds) {
        const row = { title: titles.get(entry.id)!, fields };
        const own = rows.get(id);
        if (own) own.push(row);
        else rows.set(id, [row]);
      }
    }
    progress.done += pages.length;
  }
  const names = new FolderNames();
  const titleOf = (id: string): string => titles.get(id) ?? reader.title(id);
  const at = new Date();
  for (const [id, own] of rows) {
    const kind = tree.get(id);
    if (!kind || kind.isDeleted) continue;
    const path = `${names.take('', fileName(kind.name))}.csv`;
    yield [{ path, at, text: writeRows(own, tree.fieldsOf(id), titleOf) }];
  }
}
