// A server with a data folder of its own and a browser to look at it, for measuring and for pictures.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { root } from './project.mjs';

let started = 0;

/** Starts a built command of the server, gives its address and a browser to `work`, and takes everything away after. */
export async function withServer(command, environment, work) {
  const data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-served-'));
  const port = 20_000 + ((process.pid + (started += 1) * 500) % 9_000);
  const url = `http://localhost:${port}`;
  const server = spawn(process.execPath, [path.join(root, `server/dist/${command}.mjs`)], {
    stdio: 'ignore',
    cwd: root,
    env: { ...process.env, PORT: String(port), GLOSSARION_DATA: data, GLOSSARION_LOG: 'silent', ...environment },
  });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    for (let tries = 0; tries < 1_200 && !(await fetch(`${url}/api/health`).catch(() => null)); tries += 1) {
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    await work({ url, browser });
  } finally {
    await browser.close();
    const ended = new Promise((resolve) => server.once('exit', resolve));
    server.kill();
    // It still writes while it ends.
    await ended;
    rmSync(data, { recursive: true, force: true });
  }
}

/** A wide window signed in to a new account that holds these notes. */
export async function signedIn(browser, url, name, files) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const headers = { Origin: url };
  await context.request.post(`${url}/api/accounts`, { headers, data: { name, passphrase: 'made for measuring' } });
  await context.request.post(`${url}/api/imports`, { headers, data: { files }, timeout: 120_000 });
  return context;
}
