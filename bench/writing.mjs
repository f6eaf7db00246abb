/* global window, document */
// A page of 2,000 blocks: opening it, scrolling it and dragging a line in it.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row, scrolledFrames } from '../tools/lib/frames.mjs';

const BLOCKS = 2000;
const kinds = [(words) => words, (words) => `- ${words}`, (words) => `- [ ] ${words}`, (words) => `## ${words}`];
const lines = Array.from({ length: BLOCKS }, (_each, index) =>
  kinds[index % 17 === 0 ? 3 : index % 3](
    `Line ${index}: the pool at sill level holds nine thousand and the leaf weeps.`,
  ),
);
const files = [
  { path: 'Mill/Log/Long.md', text: lines.join('\n\n') },
  { path: 'Mill/Log/Short.md', text: 'See [[Long]].\n' },
];
await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Writing', files);
  const [{ id }] = await (await context.request.get(`${url}/api/names?q=Short`)).json();
  const page = await context.newPage();
  const openings = [];
  for (let round = 0; round < 5; round += 1) {
    await page.goto(`${url}/p/${id}`);
    await page.locator('.writing .link').waitFor();
    await page.waitForTimeout(800);
    openings.push(
      await page.evaluate(async (wanted) => {
        const start = window.performance.now();
        document.querySelector('.writing .link').click();
        while (document.querySelectorAll('.writing[contenteditable=true] > .block').length < wanted) {
          await new Promise((resolve) => window.requestAnimationFrame(resolve));
        }
        return window.performance.now() - start;
      }, BLOCKS),
    );
  }
  const opening = openings.sort((one, other) => one - other)[2];
  row('opening 2,000 blocks', `${opening.toFixed(0)} ms in the middle of 5`, opening <= 1000, '1,000 ms');

  await page.waitForTimeout(1500);
  const scrolled = await scrolledFrames(page);
  row('scrolling 2,000 blocks', scrolled.words, scrolled.share >= 95, '95 %');

  await page.evaluate(() => (document.getElementById('main').scrollTop = 0));
  await page.locator('.writing .words').nth(3).hover();
  const handle = await page.locator('.block-handle').boundingBox();
  const target = await page.locator('.writing .words').nth(8).boundingBox();
  const words = await page.locator('.writing .words').nth(3).textContent();
  await page.mouse.move(handle.x + 12, handle.y + 12);
  await page.mouse.down();
  const start = Date.now();
  const steps = 20;
  for (let step = 1; step <= steps; step += 1) {
    await page.mouse.move(handle.x + 12, handle.y + 12 + ((target.y + 20 - handle.y) * step) / steps);
  }
  await page.mouse.up();
  const took = (Date.now() - start) / steps;
  const at = await page.locator('.writing .words').allTextContents();
  row(
    'dragging a line over 5',
    `${took.toFixed(0)} ms a step, it stands at ${at.indexOf(words)}`,
    at.indexOf(words) > 3,
    'moved',
  );
});
