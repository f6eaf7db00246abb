// Opening the log of a project that 3,000 lines speak of, beside its Margin, and scrolling it from its head to its end.
/* global window, document */
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { row, scrolledFrames } from '../tools/lib/frames.mjs';

const DAYS = 1000;
const A_DAY = 3;
const DAY = 86_400_000;
const dayAgo = (days) => new Date(Date.now() - days * DAY).toISOString().slice(0, 10);

const files = [
  { path: 'Mill/Gates/Gate.md', text: '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n' },
  { path: 'Mill/Gates/Short.md', text: 'See [[Gate]].\n' },
  ...Array.from({ length: DAYS }, (_each, index) => ({
    path: `Journal/${dayAgo(index + 1)}.md`,
    text: Array.from({ length: A_DAY }, (_line, line) => `- Looked at [[Gate]] for the ${line + 1}. time\n`).join(''),
  })),
];
const MOST = 2;

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Log', files);
  const idOf = async (title) =>
    (await (await context.request.get(`${url}/api/names?q=${title}`)).json()).find((each) => each.title === title).id;
  const [gate, short] = [await idOf('Gate'), await idOf('Short')];
  const page = await context.newPage();
  const until = (press, shown) =>
    page.evaluate(
      async ([pressed, wanted]) => {
        const start = window.performance.now();
        document.querySelector(pressed).click();
        while (!document.querySelector(wanted)) await new Promise((resolve) => window.requestAnimationFrame(resolve));
        return window.performance.now() - start;
      },
      [press, shown],
    );
  const [margins, logs] = [[], []];
  for (let round = 0; round < 5; round += 1) {
    await page.goto(`${url}/p/${short}`);
    await page.locator('.writing .link').first().waitFor();
    await page.waitForTimeout(900);
    margins.push(await until(`.writing .link[data-target='${gate}']`, '.margin-stack:not([data-state=unplaced])'));
    await page.waitForTimeout(900);
    logs.push(await until('[aria-label="Log of what was said of this page"]', '.log-month > button'));
    await page.getByRole('radio', { name: 'Any time' }).click();
    await page.locator('.log-entry').nth(60).waitFor();
  }
  const middle = (times) => times.sort((one, other) => one - other)[2];
  const [margin, log] = [middle(margins), middle(logs)];
  row(
    'a log of 3,000 opened / its Margin',
    `${(log / margin).toFixed(2)}× (${log.toFixed(0)} ms, ${margin.toFixed(0)} ms)`,
    log / margin <= MOST,
    `${MOST}×`,
  );
  await page.evaluate(() => {
    let scrolled = document.querySelector('.log');
    while (
      scrolled.scrollHeight <= scrolled.clientHeight + 10 ||
      !/auto|scroll/u.test(window.getComputedStyle(scrolled).overflowY)
    )
      scrolled = scrolled.parentElement;
    scrolled.classList.add('scrolled-log');
  });
  const { share, words } = await scrolledFrames(page, 6000, '.scrolled-log');
  await page.evaluate(() => (document.querySelector('.scrolled-log').scrollTop = 1e7));
  await page.waitForTimeout(1500);
  row(
    'scrolling a log of 3,000',
    words,
    share >= 95,
    '95 %',
    `${await page.locator('.log-entry').count()} entries drawn at its end`,
  );
});
