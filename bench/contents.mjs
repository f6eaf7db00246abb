/* global window, document */
// Scrolling a contents of 5,000 lines: how many frames come late.
import { signedIn, withServer } from '../tools/lib/browser.mjs';

const PAGES = 5000;
const LATE = 33.4;
const files = Array.from({ length: PAGES }, (_each, index) => ({
  path: `Long/Here/Leaf ${index}.md`,
  text: 'Written.\n',
}));

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Contents', files);
  const [notebook] = await (await context.request.get(`${url}/api/notebooks`)).json();
  const page = await context.newPage();
  await page.goto(`${url}/n/${notebook.id}`);
  await page.getByRole('button', { name: 'Open Here' }).click();
  await page.getByRole('treeitem', { name: 'Leaf 10', exact: true }).waitFor();
  await page.waitForTimeout(500);
  const frames = await page.evaluate(async () => {
    const main = document.getElementById('main');
    const times = [];
    let last = window.performance.now();
    const end = last + 4000;
    while (last < end) {
      main.scrollTop += 90;
      await new Promise((resolve) => window.requestAnimationFrame(resolve));
      const now = window.performance.now();
      times.push(now - last);
      last = now;
    }
    return times;
  });
  const late = frames.filter((frame) => frame > LATE).length;
  const share = (100 * (frames.length - late)) / frames.length;
  const drawn = await page.getByRole('treeitem').count();
  console.log(
    `${'scrolling 5,000 lines of contents'.padEnd(38)} ${''.padStart(12)}  ${share.toFixed(1)} % of ${frames.length} frames within 33 ms  ${share >= 95 ? 'within' : 'OVER'} 95 %  ${drawn} lines drawn`,
  );
});
