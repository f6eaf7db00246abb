/* global window, document */
// How near the glosses of a Margin stand to the lines they speak to: over all pages of the demo, and on one that 800
// lines point at.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row } from '../tools/lib/frames.mjs';

const WIDTHS = [1280, 1600];
/** As far as a gloss may begin from where its line begins, in pixels. */
const NEAR = 60;

const LINES = 800;
const THINGS = [
  'leaf',
  'pintle',
  'winch',
  'culvert',
  'apron',
  'tailrace',
  'staff',
  'oak',
  'grant',
  'ledger',
  'eel',
  'silt',
];
const hub = [
  {
    path: 'Mill/Centre.md',
    text: THINGS.map((thing) => `What is known of the ${thing}, and who keeps the ${thing} in order now.`).join('\n\n'),
  },
  ...Array.from({ length: LINES / 20 }, (_page, page) => ({
    path: `Mill/Days/Day ${page}.md`,
    text: Array.from({ length: 20 }, (_line, line) => {
      const at = page * 20 + line;
      // A page speaks of one thing, now and then of another.
      const thing = at % 5 === 0 ? 'pool' : THINGS[page % THINGS.length];
      return `Looked at the ${thing} again, number ${at}, see [[Centre]].`;
    }).join('\n\n'),
  })),
];

/** Every stack of the page as it is shown: how many it holds, how far from its line it begins, and whether it is closed. */
const shownStacks = (page) =>
  page.evaluate(() => {
    const top = (element) => element.getBoundingClientRect().top;
    const all = [...document.querySelectorAll('.margin-stack')];
    const title = document.querySelector('[aria-label="Title"]');
    const end = document.querySelector('.page-column').getBoundingClientRect().bottom;
    return all.map((stack, index) => {
      const line = document.getElementById(`b-${stack.dataset.stack}`) ?? title;
      const next = all[index + 1];
      return {
        key: stack.dataset.stack,
        count: Number(/^\d+/u.exec(stack.getAttribute('aria-label'))[0]),
        off: Math.round(Math.abs(top(stack) - top(line))),
        isClosed: stack.dataset.state !== 'open',
        room: (next ? top(next) : end) - top(stack),
        open: stack.querySelector('[data-measured]')?.offsetHeight ?? null,
      };
    });
  });

/** How high a closed stack is when it is opened. */
async function heightOpened(page, key) {
  const stack = page.locator(`.margin-stack[data-stack="${key}"]`);
  await stack.locator('.stack-closed').click();
  const height = await stack.locator('.stack-open').evaluate((element) => element.scrollHeight);
  await stack.locator('.stack-head').click();
  await page.mouse.move(2, 2);
  await page.waitForTimeout(600);
  return height;
}

async function settled(page) {
  await page.locator('.margin-stack[data-state]:not([data-state=unplaced])').first().waitFor();
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(500);
}

/** Adds what a page shows to the count of all. */
async function add(page, sum, title) {
  for (const { key, count, off, isClosed, room, open } of await shownStacks(page)) {
    sum.glosses += count;
    if (off <= NEAR) sum.near += count;
    else sum.far.push(`${title}: ${count} are ${off} px away`);
    if (!isClosed) continue;
    sum.closed += 1;
    // One with more glosses than lines of the room is not opened to be measured.
    if (open === null && count * 40 > room) continue;
    const height = open ?? (await heightOpened(page, key));
    if (height + 10 <= room)
      sum.fitting.push(`${title}: ${count} of ${height} px are closed in ${Math.round(room)} px`);
  }
}

const nothing = () => ({ glosses: 0, near: 0, closed: 0, far: [], fitting: [] });

function print(name, { glosses, near, closed, far, fitting }) {
  const share = (100 * near) / glosses;
  row(`${name}: beside their line`, `${share.toFixed(1)} % of ${glosses}`, share >= 95, '95 % within 60 px');
  for (const each of far.slice(0, 8)) console.log(`  ${each}`);
  row(`${name}: closed though they fit`, `${fitting.length} of ${closed} closed`, fitting.length === 0, '0');
  for (const each of fitting.slice(0, 8)) console.log(`  ${each}`);
}

await withServer('demo', { GLOSSARION_DEMO: 'true' }, async ({ url, browser }) => {
  const context = await browser.newContext({ viewport: { width: WIDTHS[0], height: 800 } });
  const page = await context.newPage();
  await page.goto(url);
  await page.locator('.writing').first().waitFor();
  const get = async (path) => (await context.request.get(`${url}/api${path}`)).json();
  const { entries } = await get('/pickables');
  const sums = new Map(WIDTHS.map((width) => [width, nothing()]));
  let pages = 0;
  for (const { id, kind, title, day } of entries) {
    if (kind !== 'page' || day) continue;
    if ((await get(`/pages/${id}/margin?limit=1`)).total === 0) continue;
    pages += 1;
    await page.setViewportSize({ width: WIDTHS[0], height: 800 });
    await page.goto(`${url}/p/${id}`);
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 800 });
      await settled(page);
      await add(page, sums.get(width), title);
    }
  }
  for (const width of WIDTHS) print(`demo, ${pages} pages at ${width}`, sums.get(width));
});

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Hub', hub);
  const names = await (await context.request.get(`${url}/api/names?q=Centre`)).json();
  const page = await context.newPage();
  await page.goto(`${url}/p/${names.find(({ title }) => title === 'Centre').id}`);
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 800 });
    await settled(page);
    const sum = nothing();
    await add(page, sum, 'Centre');
    print(`a hub of ${LINES} at ${width}`, sum);
    const { over, screen } = await page.evaluate(() => ({
      over: document.querySelector('.margin').scrollHeight - document.querySelector('.page-column').offsetHeight,
      screen: window.innerHeight,
    }));
    row(`a hub of ${LINES} at ${width}: higher than its text`, `${Math.max(0, over)} px`, over <= screen, 'one screen');
  }
});
