// Scrolling a contents of 5,000 lines: how many frames come late.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row, scrolledFrames } from '../tools/lib/frames.mjs';

const PAGES = 5000;
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
  const { share, words } = await scrolledFrames(page);
  const drawn = await page.getByRole('treeitem').count();
  row('scrolling 5,000 lines of contents', words, share >= 95, '95 %', `${drawn} lines drawn`);
});
