// Frames beside a full Margin: while somebody types in a paragraph with 50 glosses, and while the cursor walks through a
// page of 2,000 blocks, 200 of which are spoken of.
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { framesWhile, row } from '../tools/lib/frames.mjs';

const BLOCKS = 2000;
const SPOKEN_OF = 200;
const KEYS = 200;

const file = (path, lines) => ({ path, text: lines.join('\n\n') });
const made = (count, words) => Array.from({ length: count }, (_each, index) => words(index));
const files = [
  file('Mill/Busy.md', ['The pintle has worn on its seaward side.', ...made(40, (at) => `Line ${at} of the rest.`)]),
  file(
    'Mill/Talk.md',
    made(50, (at) => `The pintle again, worn, round ${at}, see [[Busy]].`),
  ),
  file(
    'Mill/Long.md',
    made(BLOCKS, (at) => `Line ${at}: the pool at sill level and staff${at} beside it.`),
  ),
  file(
    'Mill/Staffs.md',
    made(SPOKEN_OF, (at) => `Read staff${at * (BLOCKS / SPOKEN_OF)} at noon, see [[Long]].`),
  ),
];

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Walking', files);
  const page = await context.newPage();
  const open = async (title) => {
    const names = await (await context.request.get(`${url}/api/names?q=${title}`)).json();
    await page.goto(`${url}/p/${names.find((each) => each.title === title).id}`);
    await page.locator('.margin-stack[data-state]:not([data-state=unplaced])').first().waitFor();
    await page.waitForTimeout(1500);
  };
  await open('Busy');
  await page.locator('.writing .words').first().click();
  await page.locator('.margin-stack[data-present] .gloss').nth(49).waitFor();
  const typed = await framesWhile(page, async () => {
    for (let key = 0; key < KEYS; key += 1) await page.keyboard.press('abcdefgh'[key % 8], { delay: 20 });
  });
  row('typing beside 50 glosses', typed.words, typed.share >= 95, '95 %');

  await open('Long');
  const stacks = await page.locator('.margin-stack').count();
  await page.locator('.writing .words').first().click();
  const walked = await framesWhile(page, async () => {
    for (let key = 0; key < BLOCKS; key += 1) await page.keyboard.press('ArrowDown');
  });
  row('walking through 2,000 blocks', walked.words, walked.share >= 95, '95 %', `${stacks} stacks beside them`);
});
