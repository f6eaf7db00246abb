import AhoCorasick from 'ahocorasick';
import { NameFinder, searchedText, textBlocks } from '@glossarion/core/alsoNamed';
import type { BodyJson } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import { nameFuzzy } from '@glossarion/core/names';
import { Pickables, type PickContext } from '@glossarion/core/pickables';
import { Text as SharedText } from 'yjs';
import type { Viewer } from '../access';
import { prepared } from '../sqlite/prepared';
import { MAKE_DUE } from '../entities/alsoNamed.queries';
import type { Services } from '../services';
import { madeTitle } from '../services/madeNotes';
import { median, percentile, say, sum, time, timeAsync } from './measure';

interface Measured {
  services: Services;
  viewer: Viewer;
  pages: number;
  scale: string;
}

const LINES = 100;
const RENAMED = 10_000;
const GLOSSES = 5_000;

/** Pages of many lines that all link to one. */
const pointingAt = (title: string, links: number) =>
  Array.from({ length: links / LINES }, (_each, page) => ({
    path: `Many/${title}/${title} from ${page}.md`,
    text: Array.from({ length: LINES }, (_line, line) => `Line ${line} of ${page} speaks of [[${title}]].`).join(
      '\n\n',
    ),
  }));

/** A page many lines point at: its Margin, and a new name for it. */
export async function measureManyLinks({ services, viewer, scale }: Measured): Promise<void> {
  const { acts, background, database, find, imports, margin } = services;
  await imports.take(viewer, [
    { path: 'Many/Centre.md', text: 'Named often.\n' },
    { path: 'Many/Lone.md', text: 'Named never.\n' },
    { path: 'Many/Middle.md', text: 'Named too.\n' },
    ...pointingAt('Centre', RENAMED),
    ...pointingAt('Middle', GLOSSES),
  ]);
  await background.idle();
  const idOf = async (title: string) => (await find.byName(viewer, title, 5)).find((each) => each.title === title)!.id;
  const middle = await idOf('Middle');
  const rows = database.reader.prepare(
    `SELECT l.documentId, l.blockId, b.node, e.name FROM links l JOIN blocks b ON b.documentId = l.documentId AND b.id = l.blockId
     JOIN entries e ON e.id = l.documentId WHERE l.target = ?`,
  );
  const repeat = async (work: () => unknown) => {
    const times: number[] = [];
    for (let turn = 0; turn < 12; turn += 1) times.push(await timeAsync(async () => work()));
    return times.slice(2);
  };
  const opened = await repeat(() => margin.glosses(viewer, middle));
  const prepared = await repeat(() => rows.all(middle));
  const { count } = await margin.glosses(viewer, middle);
  const milliseconds = `${median(opened).toFixed(0)} ms for the first 200`;
  say(`a page with ${count} glosses / its rows`, scale, sum(opened) / sum(prepared), 6, milliseconds);

  const renaming = async (title: string): Promise<number> => {
    const id = await idOf(title);
    const times: number[] = [];
    for (let turn = 0; turn < 24; turn += 1) {
      const name = `${title}${turn % 2 === 0 ? ' again' : ''}`;
      times.push(await timeAsync(() => acts.perform(viewer, [{ do: 'name', id, name }])));
    }
    return median(times.slice(4));
  };
  const [lone, centre] = [await renaming('Lone'), await renaming('Centre')];
  say(`rename, ${RENAMED} links here / none`, scale, centre / lone, 1.2, `${centre.toFixed(2)} ms`);
  await background.idle();
}

/** Choosing what to link to, as a window does it in its worker. */
export async function measurePicker({ services: { pickables }, viewer, pages, scale }: Measured): Promise<void> {
  const { entries } = await pickables.since(viewer, null);
  const held = new Pickables();
  entries.forEach((entry) => held.set(entry));
  const folded = entries.map(({ title }) => foldWords(title));
  const context: PickContext = { pageId: entries[0]!.id, trail: [], recent: [], selected: null };
  const typed = Array.from({ length: 40 }, (_each, index) => madeTitle((index * 97) % pages)).flatMap((title) => [
    title.slice(0, 6),
    title.slice(5),
    title,
  ]);
  typed.forEach((each) => held.offers(each, context, 8));
  const bare = typed.map((each) => time(() => nameFuzzy.search(folded, foldWords(each))));
  const own = typed.map((each) => time(() => held.offers(each, context, 8)));
  const p95 = percentile(own, 0.95).toFixed(1);
  say('picker / uFuzzy alone', scale, sum(own) / sum(bare), 1.5, `${held.size} names, p95 ${p95} ms in the worker`);
}

/** Names found in all text, against a plain search for many patterns over the same text. */
export function measureMentions({ services: { database }, viewer, scale }: Measured): void {
  const connection = database.reading(viewer);
  const names = connection
    .all<{ name: string }>("SELECT e.name FROM entries e WHERE e.kind = 'page' AND e.name != '' AND VISIBLE(e)")
    .map(({ name }) => name);
  const texts = connection
    .all<{ json: string }>('SELECT d.json FROM documents d JOIN entries e ON e.id = d.id WHERE VISIBLE(e) LIMIT 10000')
    .flatMap(({ json }) => (JSON.parse(json) as BodyJson).content.flatMap(textBlocks).map(searchedText));
  const finder = new NameFinder();
  names.forEach((name) => finder.add(name));
  const plain = new AhoCorasick(names.map((name) => name.toLowerCase()));
  const run = (find: (text: string) => unknown) => time(() => texts.forEach(find));
  const own = [1, 2, 3].map(() => run((text) => finder.find(text)));
  const anchor = [1, 2, 3].map(() => run((text) => plain.search(text.toLowerCase())));
  const size = sum(texts.map(({ length }) => length)) / 1e6;
  const rate = `${names.length} names, ${(size / (median(own) / 1000)).toFixed(1)} million characters a second`;
  say('names in texts / plain multi-pattern', scale, median(own) / median(anchor), 3, rate);
}

/** What is written while the whole account is looked through in the background. */
export async function measureBackground({ services, viewer, scale }: Measured): Promise<void> {
  const { background, database, documents, find } = services;
  const pageId = (await find.byName(viewer, madeTitle(1), 1))[0]!.id;
  const key = () => documents.edit(viewer, pageId, (document) => document.get('title', SharedText).insert(0, 'x'));
  await background.idle();
  const atRest: number[] = [];
  for (let turn = 0; turn < 60; turn += 1) atRest.push(await timeAsync(key));
  await background.idle();
  await database.write(() => {
    const pages = database
      .writing(viewer)
      .all<{ id: string }>("SELECT e.id FROM entries e WHERE e.kind = 'page' AND VISIBLE(e)");
    for (const { id } of pages) prepared(database.writer, MAKE_DUE).run(id);
  });
  const start = performance.now();
  let isOver = false;
  const looking = background.idle().then(() => (isOver = true));
  const meanwhile: number[] = [];
  while (!isOver && meanwhile.length < 600) {
    meanwhile.push(await timeAsync(key));
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  await looking;
  const seconds = `the whole account in ${((performance.now() - start) / 1000).toFixed(1)} s`;
  say('a key stored meanwhile / at rest', scale, median(meanwhile) / median(atRest), 1.5, seconds);
}
