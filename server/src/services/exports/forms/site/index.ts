import { siteSheet, SITE_SHEET, type SiteGloss } from '@glossarion/core/formats/site';
import { shownWords } from '@glossarion/core/document';
import type { SiteToWrite } from '../../../../threads/writeSite';
import { allOtherNames } from '../../../otherNames';
import type { LineGloss } from '../../../glosses';
import { AttachedFiles } from '../../attached';
import { outOfBin, type ExportedEntry } from '../../entries';
import { frontOf } from '../../front';
import { namedIn } from '../../named';
import { ahead, atOnceFor, pagesAmong, pagesOut, placesOf, type Outgoing, type PageOut } from '../../outgoing';
import { writeZip, type ZipEntry } from '../../zip';
import type { Form } from '../form';
import { FoundFiles } from './foundFiles';
import { SitePlaces } from './places';
import { filesIn, lettersSheet } from './shipped';

/** How long writing one piece may take, in milliseconds. */
const WITHIN = 120_000;
/** Of what leads to a page so much is shown. */
const GLOSSES = 400;

/** Pages that open from a disk in any browser, with contents, what leads to each line beside it, and a search. */
export const site: Form = {
  ending: '.zip',
  media: 'application/zip',
  write: (outgoing, target) =>
    writeZip(
      target,
      pieces({ ...outgoing, entries: outOfBin(outgoing.entries, outgoing.roots) }),
      outgoing.progress.signal,
    ),
};

async function* pieces(outgoing: Outgoing): AsyncGenerator<ZipEntry[]> {
  const { context, viewer, progress } = outgoing;
  const { database, threads, kinds, reader: readerOf, margin } = context;
  const site = new SitePlaces(outgoing, await placesOf(outgoing, '.html'), readerOf(viewer));
  const names = await allOtherNames(database, viewer);
  const { kinds: allKinds, fields } = (await kinds.tree(viewer)).everything();
  const attached = new AttachedFiles(context, viewer);
  const found = new FoundFiles(threads, progress.signal);
  const at = new Date();
  progress.total = pagesAmong(outgoing).length;

  yield [{ path: SITE_SHEET, at, text: `${await lettersSheet(context.siteFiles)}${siteSheet()}` }];
  for (const { path, from } of await filesIn(context.siteFiles)) yield [{ path: `site/${path}`, from, at }];
  for (const [path, text] of site.indexes()) yield [{ path, text, at }];
  site.holders().forEach((each) => found.add(each));

  const write = async (pages: PageOut[]): Promise<ZipEntry[]> => {
    const reader = readerOf(viewer);
    const all = new Set(pages.flatMap(({ ids }) => [...ids]));
    await attached.look([...all].filter((id) => !site.titles.has(id)));
    const glosses = await margin.newestGlosses(
      viewer,
      pages.map(({ entry }) => entry.id),
      GLOSSES,
    );
    const written: SiteToWrite['pages'] = [];
    for (const { entry, json, ids } of pages) {
      written.push({
        ...site.frameOf(entry),
        front: frontOf(entry, names.get(entry.id)),
        json,
        named: namedIn(ids, reader, site.placed, site.titles, () => null),
        files: attached.of(ids),
        otherNames: names.get(entry.id) ?? [],
        note: noteOf(entry),
        glosses: (glosses.get(entry.id) ?? []).flatMap(shownOf),
        beneath: site.linesBeneath(entry.id),
        ...site.beside(entry.id),
      });
    }
    const options = { within: WITHIN, signal: progress.signal };
    const done = await threads.run('writeSite', { pages: written, kinds: allKinds, fields }, options);
    return done.map(({ archived, found: words }, index) => {
      found.add(words);
      return { path: written[index]!.path, at: new Date(pages[index]!.entry.changedAt), archived };
    });
  };
  const shownOf = ({ lineId, pageId, blockId, trail, pigment, node }: LineGloss): SiteGloss[] => {
    const path = site.placed.get(pageId)?.path;
    if (path === undefined) return [];
    return [
      {
        lineId,
        path,
        anchor: blockId,
        title: site.titleOf(pageId),
        trail: trail.map(({ name }) => name).join(' / '),
        pigment,
        words: shownWords(node, (id) => site.titleOf(id)),
      },
    ];
  };
  for await (const written of ahead(pagesOut(outgoing), write, atOnceFor(outgoing))) {
    yield [...written, ...(await found.full())];
    progress.done += written.length;
  }
  yield* attached.contents(progress);
  yield await found.rest();
}

const noteOf = ({ season }: ExportedEntry): string =>
  season === 'aside' ? 'Laid aside' : season === 'later' ? 'For later' : '';
