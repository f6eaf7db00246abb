/* global window, document */
// Typing on a page of 2,000 blocks: from the key to the end of the work it makes, in the product and in its anchor.
import { build } from 'esbuild';
import path from 'node:path';
import { signedIn, withServer } from '../tools/lib/browser.mjs';
import { root } from '../tools/lib/project.mjs';

const BLOCKS = 2000;
const KEYS = 260;
const MOST = 1.2;
const lines = Array.from(
  { length: BLOCKS },
  (_each, index) => `Line ${index}: the pool at sill level holds nine thousand and the leaf weeps.`,
);

/** Types into the middle of the page; each time is from keydown to the next task after the frame it made. */
async function typing(page) {
  await page.evaluate(() => {
    window.times = [];
    document.addEventListener(
      'keydown',
      () => {
        const start = performance.now();
        const channel = new MessageChannel();
        channel.port1.onmessage = () => window.times.push(performance.now() - start);
        channel.port2.postMessage(0);
      },
      true,
    );
  });
  await page
    .locator('.writing > *')
    .nth(BLOCKS / 2)
    .click({ position: { x: 5, y: 10 } });
  for (let key = 0; key < KEYS; key += 1) {
    await page.keyboard.press('abcdefgh'[key % 8]);
    await page.waitForTimeout(25);
  }
  const times = (await page.evaluate(() => window.times)).slice(20).sort((one, other) => one - other);
  return { median: times[Math.floor(times.length / 2)], p95: times[Math.floor(times.length * 0.95)] };
}

const files = [{ path: 'Mill/Log/Long.md', text: lines.join('\n\n') }];

await withServer('main', {}, async ({ url, browser }) => {
  const context = await signedIn(browser, url, 'Typing', files);
  const [{ id }] = await (await context.request.get(`${url}/api/names?q=Long`)).json();
  const page = await context.newPage();
  await page.goto(`${url}/p/${id}`);
  await page
    .locator('.writing > *')
    .nth(BLOCKS - 1)
    .waitFor();
  await page.waitForTimeout(1500);
  const own = await typing(page);

  const { outputFiles } = await build({
    entryPoints: [path.join(root, 'bench/plainEditor.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    minify: true,
  });
  const plain = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await plain.setContent('<!doctype html><body></body>');
  await plain.addScriptTag({ content: outputFiles[0].text });
  await plain.evaluate((each) => window.openPlain(each), lines);
  await plain.waitForTimeout(1500);
  const anchor = await typing(plain);

  for (const [name, part] of [
    ['a key on 2,000 blocks / plain', 'median'],
    ['the slowest twentieth of them', 'p95'],
  ]) {
    const ratio = own[part] / anchor[part];
    console.log(
      `${name.padEnd(34)} ${''.padStart(6)}        ${ratio.toFixed(2).padStart(6)}×  ${ratio <= MOST ? 'within' : 'OVER'} ${MOST}×  (${own[part].toFixed(1)} ms, plain ${anchor[part].toFixed(1)})`,
    );
  }
});
