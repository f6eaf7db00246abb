import { ACCOUNT_FILE, type NamedInFile } from '@glossarion/core/formats/account';
import type { FilesToWrite, FilesToWriteAs } from '../../../threads/writeFiles';
import { allOtherNames } from '../../otherNames';
import { AttachedFiles } from '../attached';
import { frontOf, ordersOf } from '../front';
import { namedIn } from '../named';
import {
  ahead,
  atOnceFor,
  lotsOf,
  pagesAmong,
  pagesOut,
  placesOf,
  titlesOf,
  type Outgoing,
  type PageOut,
} from '../outgoing';
import { restOfAccount } from '../rest';
import { writeZip, type ZipEntry } from '../zip';
import type { Form } from './form';

/** How long writing one piece may take, in milliseconds. */
const WITHIN = 120_000;

/** What files of one form are called, and how the head of one without a text is written. */
export interface PagedForm {
  as: FilesToWriteAs;
  ending: string;
  writeIndex: (front: Readonly<Record<string, unknown>>) => string;
}

/** A file for each page, in folders, with all that is known of an account beside them. */
export const paged = (form: PagedForm): Form => ({
  ending: '.zip',
  media: 'application/zip',
  write: (outgoing, target) => writeZip(target, pieces(outgoing, form), outgoing.progress.signal),
});

async function* pieces(outgoing: Outgoing, { as, ending, writeIndex }: PagedForm): AsyncGenerator<ZipEntry[]> {
  const { context, viewer, entries, isWhole, progress } = outgoing;
  const { database, threads, kinds, reader: readerOf } = context;
  const placed = await placesOf(outgoing, ending);
  const titles = titlesOf(outgoing);
  const names = await allOtherNames(database, viewer);
  const { kinds: allKinds, fields } = (await kinds.tree(viewer)).everything();
  const orders = ordersOf(outgoing, placed);
  const attached = new AttachedFiles(context, viewer);
  const named = new Set<string>();
  progress.total = pagesAmong(outgoing).length;

  yield [{ path: `index${ending}`, at: new Date(), text: writeIndex({ order: orders.get('') ?? [] }) }];
  for (const some of lotsOf(entries)) {
    yield some.flatMap((entry): ZipEntry[] => {
      const order = orders.get(entry.id);
      const { path, folder } = placed.get(entry.id)!;
      const at = new Date(entry.changedAt);
      if (entry.kind !== 'page') return [{ path, at, text: writeIndex(frontOf(entry, undefined, order)) }];
      return order ? [{ path: `${folder}/index${ending}`, at, text: writeIndex({ order }) }] : [];
    });
  }
  const write = async (pages: PageOut[]): Promise<ZipEntry[]> => {
    const all = new Set(pages.flatMap(({ ids }) => [...ids]));
    for (const id of all) named.add(id);
    await attached.look([...all].filter((id) => !titles.has(id)));
    const reader = readerOf(viewer);
    const files = pages.map(({ entry, json, ids }): FilesToWrite['files'][number] => {
      const own: Record<string, NamedInFile> = namedIn(ids, reader, placed, titles);
      const front = frontOf(entry, names.get(entry.id));
      return { path: placed.get(entry.id)!.path, front, json, named: own, files: attached.of(ids) };
    });
    const options = { within: WITHIN, signal: progress.signal };
    const written = await threads.run('archiveFiles', { as, files, kinds: allKinds, fields }, options);
    return written.map((archived, index) => ({
      path: files[index]!.path,
      at: new Date(pages[index]!.entry.changedAt),
      archived,
    }));
  };
  // The next is written while the last is packed.
  for await (const written of ahead(pagesOut(outgoing), write, atOnceFor(outgoing))) {
    yield written;
    progress.done += written.length;
  }
  yield* attached.contents(progress);
  const rest = await restOfAccount(database, viewer, entries, named, attached.all(), isWhole);
  yield [{ path: ACCOUNT_FILE, at: new Date(), text: `${JSON.stringify(rest, null, 1)}\n` }];
}
