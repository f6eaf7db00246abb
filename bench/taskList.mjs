// Scrolling the list of 20,000 open tasks: how many frames come late.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row, scrolledFrames } from '../tools/lib/frames.mjs';

const TASKS = 20_000;
const OF_PAGE = 40;

const files = Array.from({ length: TASKS / OF_PAGE }, (_each, page) => ({
  path: `Jobs/Job ${page}.md`,
  text: Array.from({ length: OF_PAGE }, (_line, line) => `- [ ] Oil cog ${page * OF_PAGE + line}\n`).join(''),
}));

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Tasks', files);
  const page = await context.newPage();
  await page.goto(`${url}/tasks`);
  await page.locator('.task').nth(25).waitFor();
  await page.waitForTimeout(500);
  const { share, words } = await scrolledFrames(page);
  const drawn = await page.locator('.task').count();
  row('scrolling 20,000 tasks', words, share >= 95, '95 %', `${drawn} tasks drawn`);
});
