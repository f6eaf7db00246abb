/* global window, document */
// From the address to a key that shows, on today’s page of the demo, anew and again; against a bare page with the same
// editor and React Native Web, made and served as the product is. And how much script (and sheets) is fetched until then.
import { existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { withServer } from '../tools/lib/browser.mjs';
import { compress } from '../tools/lib/compress.mjs';
import { bin, root, run } from '../tools/lib/project.mjs';

const RUNS = Number(process.env.RUNS ?? 9);
const MOST = { anew: 1.4, again: 1.3, kilobytes: 620 };
const dist = path.join(root, 'app/dist');

/** Types a letter as soon as there is a text to type in, and notes when it shows. In milliseconds from the address. */
function typeAtOnce() {
  const look = () => {
    const text = document.querySelector('.writing[contenteditable=true]');
    if (!text) return void window.requestAnimationFrame(look);
    text.focus();
    const before = text.textContent;
    document.execCommand('insertText', false, 'q');
    const shows = () => {
      if (text.textContent === before) return void window.requestAnimationFrame(shows);
      window.openedAfter = performance.now();
    };
    shows();
  };
  look();
}

const median = (values) => [...values].sort((one, other) => one - other)[Math.floor(values.length / 2)];

/** Opens an address in a browser that has never been there, and once more. */
async function opening(browser, url) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addInitScript(typeAtOnce);
  const page = await context.newPage();
  const open = async () => {
    await page.goto(url);
    await page.waitForFunction(() => window.openedAfter !== undefined);
    const opened = await page.evaluate(() => ({
      after: window.openedAfter,
      scripts: performance
        .getEntriesByType('resource')
        .filter(({ name, startTime }) => /\.(?:js|css)$/u.test(name) && startTime < window.openedAfter)
        .map(({ name }) => new URL(name).pathname),
    }));
    // Long enough for this browser to keep what it has.
    await page.waitForTimeout(2500);
    return opened;
  };
  const anew = await open();
  const again = await open();
  await context.close();
  return { anew, again };
}

const bareDist = mkdtempSync(path.join(os.tmpdir(), 'glossarion-bare-'));
run(bin('expo'), ['export', '-p', 'web', '--output-dir', bareDist], {
  cwd: path.join(root, 'bench/bare'),
  stdio: 'ignore',
});
compress(bareDist);

const demo = { GLOSSARION_DEMO: 'true' };
await withServer('demo', demo, ({ url, browser }) =>
  withServer('demo', { ...demo, GLOSSARION_APP: bareDist }, ({ url: bareUrl }) => measure(browser, url, bareUrl)),
);
rmSync(bareDist, { recursive: true, force: true });

async function measure(browser, url, bareUrl) {
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const own = { anew: [], again: [] };
  const bare = { anew: [], again: [] };
  let scripts = [];
  for (let run = 0; run <= RUNS; run += 1) {
    const ours = await opening(browser, `${url}/today`);
    const theirs = await opening(browser, `${bareUrl}/`);
    if (run === 0) continue;
    scripts = ours.anew.scripts;
    for (const when of ['anew', 'again']) {
      own[when].push(ours[when].after);
      bare[when].push(theirs[when].after);
    }
  }
  if (process.env.VERBOSE)
    console.log(JSON.stringify({ own, bare }, (_, v) => (typeof v === 'number' ? Math.round(v) : v)));
  const bytes = scripts
    .map((name) => path.join(dist, `${name}.gz`))
    .reduce((sum, file) => sum + (existsSync(file) ? statSync(file).size : 0), 0);
  const kilobytes = Math.round(bytes / 1024);
  const row = (name, value, unit, most, detail = '') =>
    console.log(
      `${name.padEnd(34)} ${''.padStart(6)}        ${value.padStart(6)}${unit}  ${Number(value) <= most ? 'within' : 'OVER'} ${most}${unit}${detail}`,
    );
  for (const when of ['anew', 'again']) {
    const [ours, theirs] = [median(own[when]), median(bare[when])];
    row(
      `opened to typing, ${when} / bare`,
      (ours / theirs).toFixed(2),
      '×',
      MOST[when],
      `  (${ours.toFixed(0)} ms, bare ${theirs.toFixed(0)})`,
    );
  }
  row('script and sheets until a key shows', String(kilobytes), ' KB', MOST.kilobytes);
  if (process.env.VERBOSE) console.log(scripts.join('\n'));
}
