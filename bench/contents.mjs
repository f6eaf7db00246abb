/* global window, document */
// Scrolling a contents of 5,000 lines: how many frames come late.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { root } from '../tools/lib/project.mjs';

const PAGES = 5000;
const LATE = 33.4;
const data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-contents-'));
const port = 20_000 + (process.pid % 9_000);
const url = `http://localhost:${port}`;
const server = spawn(process.execPath, [path.join(root, 'server/dist/main.mjs')], {
  stdio: 'ignore',
  cwd: root,
  env: { ...process.env, PORT: String(port), GLOSSARION_DATA: data, GLOSSARION_LOG: 'silent' },
});
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
try {
  for (let tries = 0; tries < 80 && !(await fetch(`${url}/api/health`).catch(() => null)); tries += 1) {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const headers = { Origin: url };
  const account = { name: 'Contents', passphrase: 'made for measuring' };
  await context.request.post(`${url}/api/accounts`, { headers, data: account });
  const files = Array.from({ length: PAGES }, (_each, index) => ({
    path: `Long/Here/Leaf ${index}.md`,
    text: 'Written.\n',
  }));
  await context.request.post(`${url}/api/imports`, { headers, data: { files }, timeout: 120_000 });
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
} finally {
  await browser.close();
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
