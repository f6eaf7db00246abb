import { OPML_END, opmlHead, outline } from '@glossarion/core/formats/opml';
import { shownTitle } from '@glossarion/core/outline';
import { outOfBin, type ExportedEntry } from '../entries';
import { namedIn } from '../named';
import { ahead, atOnceFor, pagesAmong, pagesOut, titlesOf, type Outgoing, type PageOut } from '../outgoing';
import { writeText } from '../text';
import type { Form } from './form';

/** How long writing one piece may take, in milliseconds. */
const WITHIN = 120_000;

/** One outline of all that stands in each other, down to the lines. */
export const opml: Form = {
  ending: '.opml',
  media: 'text/x-opml; charset=utf-8',
  write: (outgoing, target) =>
    writeText(
      target,
      outlines({ ...outgoing, entries: outOfBin(outgoing.entries, outgoing.roots) }),
      outgoing.progress.signal,
    ),
};

async function* outlines(outgoing: Outgoing): AsyncGenerator<string> {
  const { context, viewer, entries, progress } = outgoing;
  const { threads, reader: readerOf } = context;
  const titles = titlesOf(outgoing);
  const { roots } = outgoing;
  progress.total = pagesAmong(outgoing).length;
  const open: { id: string; closing: string }[] = [];
  let next = 0;
  /** What comes up to a page, and the page with its lines. */
  const upTo = (last: number, lines: string): string => {
    let written = '';
    for (; next <= last; next += 1) {
      const entry = entries[next]!;
      const parent = roots.has(entry.id) ? null : entry.parentId;
      while (open.length > 0 && open.at(-1)!.id !== parent) written += `${open.pop()!.closing}\n`;
      const [opening, closing] = outline(saysOf(entry));
      written += opening;
      open.push({ id: entry.id, closing });
    }
    return written + lines;
  };
  const write = async (pages: PageOut[]): Promise<{ pages: PageOut[]; lines: string[] }> => {
    const reader = readerOf(viewer);
    const files = pages.map(({ json, ids }) => ({
      ...{ path: '', front: {}, json, files: {} },
      named: namedIn(ids, reader, new Map(), titles),
    }));
    const options = { within: WITHIN, signal: progress.signal };
    return { pages, lines: await threads.run('writeFiles', { as: 'opml', files, kinds: [], fields: [] }, options) };
  };
  yield opmlHead(outgoing.title, new Date().toISOString());
  const places = new Map(entries.map(({ id }, index) => [id, index]));
  for await (const { pages, lines } of ahead(pagesOut(outgoing), write, atOnceFor(outgoing))) {
    yield pages.map(({ entry }, index) => upTo(places.get(entry.id)!, lines[index]!)).join('');
    progress.done += pages.length;
  }
  yield upTo(entries.length - 1, '');
  yield `${open
    .reverse()
    .map(({ closing }) => closing)
    .join('')}\n${OPML_END}`;
}

const saysOf = ({ id, kind, name, firstWords, day, period, begunAt, description }: ExportedEntry) => ({
  text: day ?? period ?? shownTitle(name, firstWords),
  ...{ id, kind, begunAt, note: description },
});
