/* global window, document */
// A page that 5,000 lines point at: opening it, and scrolling the stack of all of them from its head to its end.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row, scrolledFrames } from '../tools/lib/frames.mjs';

const PAGES = 50;
const LINES = 100;
const files = [
  { path: 'Mill/Log/Centre.md', text: 'What everybody speaks of.\n\nThe leaf, the pin and the pool.\n' },
  { path: 'Mill/Log/Short.md', text: 'See [[Few]], and [[Centre]].\n' },
  { path: 'Mill/Log/Few.md', text: 'Hardly named.\n' },
  ...Array.from({ length: PAGES }, (_page, page) => ({
    path: `Mill/Days/Day ${page}.md`,
    text: Array.from(
      { length: LINES },
      (_line, line) => `Line ${line} of ${page}: the pool at sill level, see [[Centre]].`,
    ).join('\n\n'),
  })),
];

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Margin', files);
  const idOf = async (title) =>
    (await (await context.request.get(`${url}/api/names?q=${title}`)).json()).find((each) => each.title === title).id;
  const [short, few, centre] = [await idOf('Short'), await idOf('Few'), await idOf('Centre')];
  const page = await context.newPage();
  const opening = async (id) => {
    const times = [];
    for (let round = 0; round < 5; round += 1) {
      await page.goto(`${url}/p/${short}`);
      await page.locator('.writing .link').first().waitFor();
      await page.waitForTimeout(700);
      times.push(
        await page.evaluate(async (target) => {
          const start = window.performance.now();
          document.querySelector(`.writing .link[data-target='${target}']`).click();
          while (!document.querySelector('.margin-stack:not([data-state=unplaced])')) {
            await new Promise((resolve) => window.requestAnimationFrame(resolve));
          }
          return window.performance.now() - start;
        }, id),
      );
    }
    return times.sort((one, other) => one - other)[2];
  };
  const [ofFew, ofMany] = [await opening(few), await opening(centre)];
  row(
    'opening a page with 5,000 glosses',
    `${ofMany.toFixed(0)} ms, with one ${ofFew.toFixed(0)} ms`,
    ofMany <= 1000,
    '1,000 ms',
  );

  await page.waitForTimeout(1000);
  await page.locator('.stack-closed').first().click();
  await page.locator('.stack-open .gloss').first().waitFor();
  const { share, words } = await scrolledFrames(page, 6000, '.stack-open');
  await page.evaluate(() => (document.querySelector('.stack-open').scrollTop = 1e7));
  await page.waitForTimeout(1500);
  const drawn = await page.locator('.gloss').count();
  row('scrolling a Margin of 5,000', words, share >= 95, '95 %', `${drawn} glosses drawn at its end`);
});
