import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { inflateRawSync } from 'node:zlib';
import AxeBuilder from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { extractText, getDocumentProxy } from 'unpdf';
import { Hands } from './support/handwork';
import { expect, openPage, test, textOf } from './support/test';

/** Notes in and out: what is taken out comes in again, and folders of others come in with their links. */

const open = async (page: Page): Promise<void> => {
  await page.goto(new URL('/in-and-out', page.url()).href);
  await expect(page.getByRole('heading', { name: 'In and out' })).toBeVisible();
};
const works = (page: Page): Locator => page.getByRole('list', { name: 'Under way, and done' }).getByRole('listitem');

/** Fetches what was written, and gives where it is. */
async function fetched(page: Page, within: Page | Locator): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    within.getByRole('link', { name: /^Fetch/u }).click(),
  ]);
  return download.path();
}

/** The files in an archive as texts, by their names. */
const filesIn = (archive: string): Map<string, string> =>
  new Map([...bytesIn(archive)].map(([name, bytes]) => [name, bytes.toString('utf8')]));

/** The names of all files under a folder. */
const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)));

/** The files in an archive, read by its directory (APPNOTE 4.3.12). */
function bytesIn(archive: string): Map<string, Buffer> {
  const bytes = readFileSync(archive);
  const texts = new Map<string, Buffer>();
  for (let at = bytes.indexOf('PK\u0001\u0002'); at >= 0; at = bytes.indexOf('PK\u0001\u0002', at + 4)) {
    const [method, packed, length, local] = [
      bytes.readUInt16LE(at + 10),
      bytes.readUInt32LE(at + 20),
      bytes.readUInt16LE(at + 28),
      bytes.readUInt32LE(at + 42),
    ];
    const begin = local + 30 + bytes.readUInt16LE(local + 26) + bytes.readUInt16LE(local + 28);
    const content = bytes.subarray(begin, begin + packed);
    const name = bytes.subarray(at + 46, at + 46 + length).toString('utf8');
    texts.set(name, method === 8 ? inflateRawSync(content) : content);
  }
  return texts;
}

/** Lets files be taken in: what they would make is listed. */
async function choose(page: Page, ...files: string[]): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose files' }).click(),
  ]);
  await chooser.setFiles(files);
}

/** A new folder for files of a test. */
const folderFor = (): string => mkdtempSync(path.join(os.tmpdir(), 'glossarion-'));

test('O1 everything is taken out as files, listed in every window and after loading anew, and fetched', async ({
  mill,
}) => {
  await open(mill);
  const other = await mill.context().newPage();
  await other.goto(mill.url());
  await open(other);
  await mill.getByRole('button', { name: 'Take out everything' }).click();
  for (const window of [mill, other]) await expect(works(window)).toContainText('Fetch Glossarion');
  await mill.reload();
  const files = filesIn(await fetched(mill, works(mill)));
  const gate = files.get('Saltmere Tide Mill/Waterworks/Sluice gate no. 2.md')!;
  expect(gate).toContain('title: Sluice gate no. 2');
  expect(gate).toContain(
    '[Callum Frayne](../../People%20&%20Firms/Smiths/Callum%20Frayne.md) thinks the pintle is worn.',
  );
  expect([...files.keys()]).toEqual(expect.arrayContaining(['account.json', 'index.md', 'People & Firms/index.md']));
  await works(mill).getByRole('button', { name: 'Take from this list' }).click();
  for (const window of [mill, other]) await expect(works(window)).toHaveCount(0);
});

test('O1 a section is taken out from its menu, with what stands in it alone', async ({ mill }) => {
  await openPage(mill, 'Stop logs');
  await mill.getByRole('button', { name: 'Page', exact: true }).click();
  const dialog = mill.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Take out as files…' }).click();
  await expect(dialog).toContainText('Take out “Stop logs”');
  await dialog.getByRole('button', { name: 'Take out this page' }).click();
  const files = filesIn(await fetched(mill, dialog));
  expect([...files.keys()].sort()).toEqual(['Stop logs.md', 'account.json', 'index.md']);
  expect(files.get('Stop logs.md')).toMatch(/Eleven logs for \[Sluice gate no\. 2\]\(#[\da-f-]{36}\)/u);
});

test('O2 what was taken out comes in again, is left where it is here already, and is taken back as one', async ({
  mill,
  signIn,
  browser,
}) => {
  await open(mill);
  await mill.getByRole('button', { name: 'Take out everything' }).click();
  const archive = await fetched(mill, works(mill));
  const named = path.join(folderFor(), 'Mill.zip');
  writeFileSync(named, readFileSync(archive));
  await choose(mill, named);
  await expect(works(mill).first()).toContainText(/\d+ pages here already with the same words\./u);
  await expect(works(mill).first()).toContainText('There is nothing in it that is not here already.');
  await works(mill).first().getByRole('button', { name: 'Leave it' }).click();

  // In an account that has nothing it is all there, links and tasks too.
  const context = await browser.newContext();
  await signIn(context, new URL(mill.url()).origin, []);
  const fresh = await context.newPage();
  await fresh.goto(new URL('/in-and-out', mill.url()).href);
  await choose(fresh, named);
  await expect(works(fresh).first()).toContainText('Would be made: 2 notebooks');
  await expect(works(fresh).first().getByRole('list', { name: 'Where it would come' })).toContainText(
    'Saltmere Tide Mill',
  );
  await works(fresh).first().getByRole('button', { name: 'Take it in' }).click();
  await expect(works(fresh).first()).toContainText('Made: 2 notebooks');
  const other = await context.newPage();
  await other.goto(new URL('/notebooks', mill.url()).href);
  await expect(other.getByRole('link', { name: /Saltmere Tide Mill/u }).first()).toBeVisible();
  await openPage(fresh, 'Sluice gate no. 2');
  await expect(textOf(fresh)).toContainText('Callum Frayne thinks the pintle is worn.');
  await expect(textOf(fresh).getByRole('checkbox')).toHaveCount(2);

  await open(fresh);
  await works(fresh).first().getByRole('button', { name: 'Take it back' }).click();
  await expect(fresh.getByText('What came in with “Mill.zip” is in the bin.')).toBeVisible();
  await expect(other.getByRole('link', { name: /Saltmere Tide Mill/u })).toHaveCount(0);
  await fresh.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByRole('link', { name: /Saltmere Tide Mill/u }).first()).toBeVisible();
  await context.close();
});

test('O2 a folder of 800 files is taken over with its links, in three actions', async ({ mill }) => {
  const folder = path.join(folderFor(), 'Old notes');
  for (let index = 0; index < 800; index += 1) {
    const within = path.join(folder, `Yard ${index % 8}`, `Part ${index % 40}`);
    mkdirSync(within, { recursive: true });
    const next = (index + 1) % 800;
    const link = `[on](../../Yard%20${next % 8}/Part%20${next % 40}/Note%20${next}.md)`;
    writeFileSync(path.join(within, `Note ${index}.md`), `# Note ${index}\n\nElm and oak, go ${link}.\n`);
  }
  writeFileSync(path.join(folder, 'Read me.md'), 'What stands in no folder.\n');
  await mill.goto(new URL('/notebooks', mill.url()).href);
  const hands = new Hands(mill);
  const [chooser] = await Promise.all([
    mill.waitForEvent('filechooser'),
    hands.tap(mill.getByRole('button', { name: 'Take in a folder' })),
  ]);
  hands.count += 1;
  await chooser.setFiles(folder);
  await expect(works(mill).first()).toContainText('Would be made: 9 notebooks, 40 sections, 801 pages', {
    timeout: 60_000,
  });
  await hands.tap(works(mill).first().getByRole('button', { name: 'Take it in' }));
  await expect(works(mill).first()).toContainText('Made: 9 notebooks, 40 sections, 801 pages, 0 days, 800 links.', {
    timeout: 60_000,
  });
  hands.atMost('take over a folder of 800 Markdown files, links working', 3);
  await openPage(mill, 'Read me');
  await expect(mill.getByRole('navigation', { name: 'Trail' })).toContainText('Old notes');
  await openPage(mill, 'Note 41');
  await textOf(mill).getByRole('link', { name: 'on' }).click();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Note 42');
});

test('O2 a broken zip is refused in a sentence, and nothing is taken in', { tag: '@once' }, async ({ mill }) => {
  const broken = path.join(folderFor(), 'broken.zip');
  writeFileSync(broken, 'no zip at all');
  await open(mill);
  await choose(mill, broken);
  await expect(mill.getByRole('alert').first()).toContainText(
    'This is no zip file, or it is broken. Nothing was taken in.',
  );
});

test('O2 pages that are here already are left, renewed or kept beside, as it is chosen, and taken back', async ({
  mill,
}) => {
  const file = path.join(folderFor(), 'Stop logs.md');
  await open(mill);
  await mill.getByRole('radio', { name: 'Markdown' }).click();
  await mill.getByRole('button', { name: 'Take out everything' }).click();
  const stop = [...filesIn(await fetched(mill, works(mill)))].find(([name]) => name.endsWith('Stop logs.md'))!;
  writeFileSync(file, stop[1].replace('Eleven logs', 'Twelve logs').replace(/^changed: .*$/mu, ''));
  const take = async (choice: string) => {
    await choose(mill, file);
    await expect(works(mill).first()).toContainText('1 page here already with other words:');
    await works(mill).first().getByRole('radio', { name: choice }).click();
    await works(mill).first().getByRole('button', { name: 'Take it in' }).click();
  };
  const shows = async (words: string) => {
    await openPage(mill, 'Stop logs');
    await expect(textOf(mill)).toContainText(words);
    await open(mill);
  };
  await take('Leave them as they are');
  await expect(works(mill).first()).toContainText('1 were here already, and were left as they are.');
  await shows('Eleven logs');
  await take('Renew them');
  await expect(works(mill).first()).toContainText('Renewed: 1 page.');
  await shows('Twelve logs');
  await works(mill).first().getByRole('button', { name: 'Take it back' }).click();
  await expect(works(mill).first()).not.toContainText('Renewed');
  await shows('Eleven logs');
  await take('Keep both');
  await expect(works(mill).first()).toContainText('1 page, 0 days');
  for (const words of ['Eleven logs', 'Twelve logs']) {
    await mill.goto(new URL(`/find?q=${encodeURIComponent(words)}`, mill.url()).href);
    await expect(mill.locator('.finding')).toHaveCount(1);
    await expect(mill.locator('.finding')).toContainText('Stop logs');
  }
});

test('O2 what others wrote in comes in: HTML, text, an outline, a table, cards, a head in TOML', async ({ mill }) => {
  const folder = folderFor();
  const write = (name: string, text: string): string => {
    writeFileSync(path.join(folder, name), text);
    return path.join(folder, name);
  };
  await open(mill);
  await choose(
    mill,
    write(
      'visit.html',
      '<title>Visit</title><h1>Visit to the weir</h1><p>Silt to the knee, see <a href="plan.txt">the plan</a>.</p>',
    ),
    write('plan.txt', 'Drain the pool.\n\tLift the boards first.\n'),
    write(
      'list.opml',
      '<opml version="2.0"><head><title>Spares</title></head><body><outline text="Bolts"><outline text="M20"/></outline></body></opml>',
    ),
    write('supplier.csv', 'Name,Town\nHolm Ironworks,Saltmere\n'),
    write('joan.vcf', 'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Joan Ebbing\r\nTEL:+44 1632 960123\r\nEND:VCARD\r\n'),
    write('old.md', '+++\ntitle = "From the old yard"\ntags = ["timber"]\n+++\nElm in the lean-to.\n'),
  );
  await expect(works(mill).first()).toContainText('6 pages');
  await works(mill).first().getByRole('button', { name: 'Take it in' }).click();
  await expect(works(mill).first()).toContainText(/Made: .*6 pages/u);
  await openPage(mill, 'Visit to the weir');
  await textOf(mill).getByRole('link', { name: 'the plan' }).click();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('plan');
  await expect(textOf(mill)).toContainText('Lift the boards first.');
  for (const [title, words] of [
    ['Spares', 'M20'],
    ['Holm Ironworks', 'Saltmere'],
    ['Joan Ebbing', '1632'],
    ['From the old yard', 'Elm in the lean-to.'],
  ] as const) {
    await openPage(mill, title);
    await expect(mill.getByRole('main')).toContainText(words);
  }
});

test('O1 a site is read from a disk: by its contents, by what leads to a line, and by what it finds', async ({
  mill,
  browser,
  isMobile,
}, info) => {
  await open(mill);
  await mill.getByRole('radio', { name: 'Web site' }).click();
  await mill.getByRole('button', { name: 'Take out everything' }).click();
  const folder = folderFor();
  for (const [name, bytes] of bytesIn(await fetched(mill, works(mill)))) {
    mkdirSync(path.dirname(path.join(folder, name)), { recursive: true });
    writeFileSync(path.join(folder, name), bytes);
  }
  const context = await browser.newContext({ viewport: mill.viewportSize(), offline: true, isMobile });
  const page = await context.newPage();
  const broken: string[] = [];
  page.on('pageerror', (error) => broken.push(String(error)));
  await page.goto(pathToFileURL(path.join(folder, 'index.html')).href);
  await expect(page.getByRole('heading', { name: 'Notes', level: 1 })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Find' }).fill('pintle worn');
  const found = page.getByRole('region', { name: 'What was found' });
  await expect(found.getByRole('status')).toHaveText('1 page');
  await found.getByRole('link', { name: 'Sluice gate no. 2' }).click();
  await expect(page.getByRole('heading', { name: 'Sluice gate no. 2' })).toBeVisible();
  await expect(page.locator('p', { hasText: 'the pintle is worn' })).toBeInViewport();
  const glosses = page.locator('details.glosses', { hasText: 'Stop logs' });
  if (info.project.name === 'phone') await glosses.getByText(/leads? here/u).click();
  await glosses.getByRole('link', { name: 'Stop logs' }).click();
  await expect(page.getByRole('heading', { name: 'Stop logs' })).toBeVisible();
  await page.getByRole('link', { name: 'Sluice gate no. 2' }).first().click();
  await expect(page.getByRole('heading', { name: 'Sluice gate no. 2' })).toBeVisible();
  const names = [...filesUnder(folder)].filter((name) => name.endsWith('.html'));
  for (const name of names.filter((_name, index) => index % Math.ceil(names.length / 10) === 0)) {
    await page.goto(pathToFileURL(path.join(folder, name)).href);
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => [name, id, nodes[0]?.html])).toEqual([]);
  }
  expect(broken).toEqual([]);
  await context.close();
});

test('O1 notes are taken out as JSON, an outline, tables and a calendar', { tag: '@once' }, async ({ mill }) => {
  await open(mill);
  const taken = async (form: string): Promise<string> => {
    await mill.getByRole('radio', { name: form }).click();
    await mill.getByRole('button', { name: 'Take out everything' }).click();
    const archive = await fetched(mill, works(mill).first());
    await works(mill).first().getByRole('button', { name: 'Take from this list' }).click();
    await expect(works(mill)).toHaveCount(0);
    return archive;
  };
  const json = filesIn(await taken('JSON'));
  const gate = JSON.parse(json.get('Saltmere Tide Mill/Waterworks/Sluice gate no. 2.page.json')!) as object;
  expect(gate).toMatchObject({ format: 'glossarion page', front: { title: 'Sluice gate no. 2' } });
  expect(readFileSync(await taken('Outline'), 'utf8')).toContain('<outline text="Sluice gate no. 2"');
  expect([...filesIn(await taken('Tables')).keys()].every((name) => name.endsWith('.csv'))).toBe(true);
  expect(readFileSync(await taken('Calendar'), 'utf8')).toMatch(/^BEGIN:VCALENDAR/u);
});

test(
  'O1 a notebook is printed as a book: contents, numbers of what links lead to, an index, numbered leaves',
  {
    tag: '@once',
  },
  async ({ mill, context }) => {
    await open(mill);
    await mill.getByRole('radio', { name: 'Print' }).click();
    await mill.getByRole('button', { name: 'Take out everything' }).click();
    const [book] = await Promise.all([
      context.waitForEvent('page'),
      works(mill).first().getByRole('link', { name: 'Open it to be printed' }).click(),
    ]);
    await expect(book.getByRole('heading', { name: 'Contents' })).toBeVisible();
    await expect(book.getByRole('navigation', { name: 'Contents' })).toContainText('Sluice gate no. 2');
    const { numPages, texts } = await pagesOf(await book.pdf({ preferCSSPageSize: true }));
    expect(numPages).toBeGreaterThan(4);
    expect(texts[1]).toContain('Contents');
    expect(texts[1]).toContain('Sluice gate no. 2');
    expect(texts.join('\n')).toMatch(/Callum Frayne \(A\sI\s1\) thinks the pintle is worn/u);
    const index = texts.at(-1)!;
    expect(index).toContain('Index');
    expect(index).toMatch(/Callum Frayne · B\sI\s1/u);
    // Each leaf but the first has its number at the foot.
    texts.forEach((text, index) => index > 0 && expect(text.split('\n')).toContain(String(index + 1)));
  },
);

/** The texts of a PDF, leaf by leaf. */
async function pagesOf(pdf: Buffer): Promise<{ numPages: number; texts: string[] }> {
  const document = await getDocumentProxy(new Uint8Array(pdf));
  const { text } = await extractText(document, { mergePages: false });
  return { numPages: document.numPages, texts: text };
}

test('O1 what Find shows is taken out from there, each page by itself', async ({ mill }) => {
  await mill.goto(new URL('/find?q=pintle', mill.url()).href);
  await expect(mill.locator('.finding').first()).toBeVisible();
  await mill.getByRole('button', { name: 'Take out…' }).click();
  const dialog = mill.getByRole('dialog');
  await expect(dialog).toContainText('Take out what is found by “pintle”');
  await dialog.getByRole('button', { name: 'Take these pages out' }).click();
  const files = filesIn(await fetched(mill, dialog));
  expect([...files.keys()].sort()).toEqual(['Sluice gate no. 2.md', 'account.json', 'index.md']);
});
