import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import { nameFuzzy } from '@glossarion/core/names';
import { parseMarkdown } from '@glossarion/core/formats/markdown';
import type { Act } from '@glossarion/core/acts';
import { ownView, type Viewer } from '../access';
import { readConfig } from '../config';
import { measureExports } from '../measuring/exports';
import { measureFinding, measureKeysMeanwhile } from '../measuring/finding';
import { measureTags } from '../measuring/tags';
import { measureBackground, measureManyLinks, measureMentions, measurePicker } from '../measuring/links';
import { median, percentile, say, sum, time, timeAsync } from '../measuring/measure';
import { measureLookingBack } from '../measuring/lookingBack';
import { measureSearches } from '../measuring/searches/measure';
import { measureTasks } from '../measuring/tasks';
import { openServices, type Services } from '../services';
import { madeNotes, madeTitle } from '../services/madeNotes';

/** Measures the server's rows on made accounts of the sizes named; each is printed as a ratio to its anchor. */

const sizes = process.argv.slice(2).map(Number);
const LONG_SECTION = 5_000;
/** Accounts of more pages are not taken out: the row is of 5,000. */
const MOST_EXPORTED = 10_000;
/** Files that are parsed, and taken in, before either is measured: neither is to pay for what is compiled. */
const WARMING = 300;

/** What must cost the same however large the account is, by row: milliseconds at each size. */
const flat = new Map<string, number[]>();
const note = (row: string, milliseconds: number): void => void flat.set(row, [...(flat.get(row) ?? []), milliseconds]);

interface Measured {
  services: Services;
  viewer: Viewer;
  pages: number;
  scale: string;
}

async function measureImport({ services, viewer, pages, scale }: Measured): Promise<void> {
  const files = madeNotes({ pages });
  const warming = files.slice(0, WARMING);
  warming.forEach((file) => parseMarkdown(file.text));
  const { id: other } = await services.accounts.make('Warming', 'made for measuring');
  await services.imports.take(ownView(other), warming);
  // Parsing alone takes a third longer or shorter from one time to the next: before the import, and after it.
  const parse = () => time(() => files.forEach((file) => parseMarkdown(file.text)));
  const before = parse();
  const importing = await timeAsync(() => services.imports.take(viewer, files));
  await services.background.idle();
  const parsing = median([before, parse(), parse()]);
  say('import / parsing with remark alone', scale, importing / parsing, 2);
}

async function measureGoTo({ services: { database, find }, viewer, pages, scale }: Measured): Promise<void> {
  const names = database.reading(viewer).all<{ name: string }>('SELECT e.name FROM entries e WHERE VISIBLE(e)');
  const folded = names.map(({ name }) => foldWords(name));
  const typed = Array.from({ length: 40 }, (_each, index) => foldWords(madeTitle((index * 97) % pages))).flatMap(
    (title) => [title.slice(0, 6), title.slice(5), title],
  );
  for (const each of typed) await find.byName(viewer, each, 9);
  const bare = typed.map((each) => time(() => nameFuzzy.search(folded, each)));
  const own: number[] = [];
  for (const each of typed) own.push(await timeAsync(() => find.byName(viewer, each, 9)));
  const p95 = percentile(own, 0.95).toFixed(1);
  say('Go to / uFuzzy alone', scale, sum(own) / sum(bare), 1.5, `${names.length} names, p95 ${p95} ms`);
}

async function measureMargin({ services: { database, find, margin }, viewer, scale }: Measured): Promise<void> {
  const pageId = (await find.byName(viewer, madeTitle(0), 1))[0]!.id;
  const rows = database.reader.prepare(
    `SELECT l.documentId, l.blockId, b.node, e.name FROM links l JOIN blocks b ON b.documentId = l.documentId AND b.id = l.blockId
     JOIN entries e ON e.id = l.documentId WHERE l.target = ?`,
  );
  const repeat = async (work: () => unknown) => {
    const times: number[] = [];
    for (let turn = 0; turn < 100; turn += 1) times.push(await timeAsync(async () => work()));
    return median(times);
  };
  await repeat(() => margin.glosses(viewer, pageId));
  const prepared = await repeat(() => rows.all(pageId));
  const glosses = await repeat(() => margin.glosses(viewer, pageId));
  const { length } = (await margin.glosses(viewer, pageId)).glosses;
  say(`a page with ${length} glosses / its rows`, scale, glosses / prepared, 3);
}

/** The contents of a notebook as it opens, and a move of a section with 5,000 pages. */
async function measureOutline({ services, viewer, scale }: Measured): Promise<void> {
  const { acts, imports, outline } = services;
  const long = Array.from({ length: LONG_SECTION }, (_each, index) => ({
    path: `Long/Here/Long section/Leaf ${index}.md`,
    text: 'Written.\n',
  }));
  await imports.take(viewer, [...long, { path: 'Long/There/One.md', text: 'Written.\n' }]);
  const notebooks = outline.notebooks(viewer);
  const first = notebooks.find((notebook) => notebook.name === 'Notebook 1')!;
  const repeat = async (work: () => Promise<unknown>) => {
    const times: number[] = [];
    for (let turn = 0; turn < 40; turn += 1) times.push(await timeAsync(work));
    return times.slice(8);
  };
  note('opening the contents of 1,000 pages', median(await repeat(() => outline.contents(viewer, first.id))));

  const notebook = notebooks.find((each) => each.name === 'Long')!;
  const { entries } = await outline.contents(viewer, notebook.id);
  const idOf = (name: string) => entries.find((entry) => entry.name === name)!.id;
  const small = newId();
  await acts.perform(viewer, [{ do: 'make', id: small, kind: 'section', parentId: idOf('Here'), name: 'Small' }]);
  const moving = async (id: string): Promise<number> => {
    const times: number[] = [];
    for (let turn = 0; turn < 24; turn += 1) {
      const move: Act = { do: 'place', id, parentId: idOf(turn % 2 === 0 ? 'There' : 'Here') };
      times.push(await timeAsync(() => acts.perform(viewer, [move])));
    }
    return median(times.slice(4));
  };
  const [ofSmall, ofLong] = [await moving(small), await moving(idOf('Long section'))];
  say('a move of 5,000 pages / of none', scale, ofLong / ofSmall, 1.3);
  note('a move of a section with 5,000 pages', ofLong);

  const long50 = await outline.contents(viewer, notebook.id);
  if (long50.entries.length > LONG_SECTION) throw new Error('A long section is open before anybody opened it.');
  await outline.fold(viewer, idOf('Long section'), true);
  note('opening a contents with 5,000 lines', median(await repeat(() => outline.contents(viewer, notebook.id))));
}

for (const pages of sizes) {
  const data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-bench-'));
  const services = await openServices(readConfig({ GLOSSARION_DATA: data }), pino({ level: 'silent' }));
  const account = await services.accounts.make('Measured', 'made for measuring');
  const viewer = ownView(account.id);
  const measured: Measured = { services, viewer, pages, scale: `${pages} pages` };
  await measureImport(measured);
  await services.background.idle();
  await measureFinding(services, viewer, measured.scale);
  await measureKeysMeanwhile(services, viewer, measured.scale);
  await measureGoTo(measured);
  await measureMargin(measured);
  await measurePicker(measured);
  measureMentions(measured);
  await measureBackground(measured);
  await measureManyLinks(measured);
  await measureOutline(measured);
  await measureTags(services, viewer, measured.scale);
  if (pages <= MOST_EXPORTED) await measureExports(services, viewer, measured.scale);
  if (pages === sizes[0]) {
    await measureTasks(services);
    await measureLookingBack(services);
    await measureSearches(services);
  }
  await services.background.close();
  await services.database.close();
  rmSync(data, { recursive: true, force: true });
}
if (sizes.length > 1) {
  const [small, large] = [sizes[0]!, sizes[sizes.length - 1]!];
  for (const [row, times] of flat) {
    const [least, most] = [times[0]!, times[times.length - 1]!];
    say(row, `${large}/${small}`, most / least, 1.3, `${most.toFixed(2)} ms`);
  }
}
