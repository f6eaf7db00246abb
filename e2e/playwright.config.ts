import { defineConfig, type PlaywrightTestOptions } from '@playwright/test';
import { existsSync, statfsSync } from 'node:fs';
import path from 'node:path';

const phone: PlaywrightTestOptions['viewport'] = { width: 390, height: 844 };
/** The keyboard of such a phone tells of no keys; what is typed is read otherwise then. */
const android =
  'Mozilla/5.0 (Linux; Android 14; Pixel 8) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36';
const wide: PlaywrightTestOptions['viewport'] = { width: 1280, height: 800 };

function hasSharedMemory(): boolean {
  if (!existsSync('/dev/shm')) return false;
  const { bavail, bsize } = statfsSync('/dev/shm');
  return bavail * bsize >= 2 * 2 ** 30;
}

/** The real interface against the real server, at both sizes. */
export default defineConfig({
  testDir: '.',
  outputDir: path.join(__dirname, '../test-results'),
  globalTeardown: './support/checkAll.ts',
  // A machine that others use too may stand still for half a minute: what has to be quick is measured by itself.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  fullyParallel: true,
  workers: Number(process.env.WORKERS ?? 2),
  retries: 0,
  reporter: [['list']],
  use: {
    browserName: 'chromium',
    headless: true,
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      // What its processes share is in memory where there is room, and not in files on a disk that may stand still.
      ignoreDefaultArgs: hasSharedMemory() ? ['--disable-dev-shm-usage'] : [],
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-software-rasterizer',
        '--in-process-gpu',
        '--disable-smooth-scrolling',
      ],
    },
    screenshot: 'off',
    trace: 'off',
  },
  projects: [
    // `@once`: seen when wide alone; `@phone`: on a phone alone.
    // What is kept when windows, browsers and servers fail is a matter of documents, whatever their size, and so is much
    // of what is typed: seen once, when wide.
    {
      name: 'phone',
      use: { viewport: phone, hasTouch: true, userAgent: android },
      testIgnore: /(keeping|notices)\.spec/,
      grepInvert: /random commands in two windows|@once/,
    },
    { name: 'wide', use: { viewport: wide }, grepInvert: /@phone/ },
  ],
});
