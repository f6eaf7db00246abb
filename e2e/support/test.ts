import { chromium, test as base, expect, type BrowserContext, type CDPSession, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { outlineNotes } from './outline';
import { freePort, TestServer } from './server';

export interface NoteFile {
  path: string;
  text: string;
}

interface Fixtures {
  /** A server shared by the tests of one worker. */
  server: TestServer;
  /** A server of this test's own, to be killed. */
  ownServer: TestServer;
  /** Signs a context in to a new account, with these notes in it. */
  signIn: (context: BrowserContext, url: string, notes?: NoteFile[]) => Promise<string>;
  /** A page signed in to an account of its own, with a mill project in it. */
  mill: Page;
  /** The same with pages beneath pages and a second notebook. */
  outline: Page;
}

/** A little of the scenario, enough for a journey. */
export const millNotes: NoteFile[] = [
  { path: 'Saltmere Tide Mill/index.md', text: '---\npigment: lapis\norder: [Waterworks, Money]\n---\n' },
  {
    path: 'Saltmere Tide Mill/Waterworks/Sluice gate no. 2.md',
    text: 'The lower leaf has dropped about 40 mm. [[Callum Frayne]] thinks the pintle is worn.\n\n## Next\n\n- [ ] Measure the gudgeon bore\n- [ ] Draft the [[Lift method statement]]\n',
  },
  { path: 'Saltmere Tide Mill/Waterworks/Stop logs.md', text: 'Eleven logs for [[Sluice gate no. 2]].\n' },
  { path: 'Saltmere Tide Mill/Money/Budget.md', text: 'Oak for [[Sluice gate no. 2]] comes to £1,140.\n' },
  { path: 'People & Firms/index.md', text: '---\npigment: plum\n---\n' },
  { path: 'People & Firms/Smiths/Callum Frayne.md', text: 'Smith and welder at the old lifeboat house.\n' },
];

/** Brings a page to the server without loading the app: each test opens what it is about, and loads it once. */
export const begin = (page: Page, server: TestServer) => page.goto(`${server.url}/api/health`);

/** Opens today, with all that is to be known of it and of the keys. */
export async function openToday(page: Page): Promise<void> {
  await page.goto(new URL('/today', page.url()).href, { waitUntil: 'networkidle' });
  await expect(textOf(page)).toBeVisible();
}

interface WorkerFixtures {
  server: TestServer;
  /** Where the servers of a worker's tests of their own listen, one after the other, so that the browser knows them. */
  ownPort: number;
  /** A browser with a profile on the disk, in which what was fetched and compiled once is there for all tests. */
  profile: BrowserContext;
}

/** Opens every page but the first in a window of its own: of several in one, all but the foremost would hardly be drawn. */
function openWindows(profile: BrowserContext, opener: CDPSession): void {
  const newPage = profile.newPage.bind(profile);
  profile.newPage = async () => {
    if (profile.pages().length < 2) return newPage();
    const opened = profile.waitForEvent('page');
    await opener.send('Target.createTarget', { url: 'about:blank', newWindow: true });
    return opened;
  };
}

export const test = base.extend<Omit<Fixtures, 'server'>, WorkerFixtures>({
  profile: [
    async ({ server }, use, { project }) => {
      const folder = mkdtempSync(path.join(os.tmpdir(), 'glossarion-profile-'));
      const { viewport, hasTouch, locale, permissions, launchOptions, contextOptions, userAgent } = project.use;
      const profile = await chromium.launchPersistentContext(folder, {
        ...launchOptions,
        ...contextOptions,
        viewport,
        hasTouch,
        userAgent,
        locale,
        permissions,
        baseURL: server.url,
      });
      openWindows(profile, await profile.newCDPSession(profile.pages()[0]!));
      await use(profile);
      await profile.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  /** The profile, emptied of all that the tests before left in it. */
  context: async ({ profile, server, ownPort }, use) => {
    await use(profile);
    // The first page stays: the windows of the next test are opened from it.
    for (const page of profile.pages().slice(1)) await page.close({ runBeforeUnload: false });
    await profile.clearCookies();
    const cleaner = await profile.newCDPSession(profile.pages()[0]!);
    for (const origin of [server.url, new TestServer(ownPort).url]) {
      await cleaner.send('Storage.clearDataForOrigin', {
        origin,
        storageTypes: 'local_storage,indexeddb,cache_storage,service_workers',
      });
    }
    await cleaner.detach();
  },
  server: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const server = new TestServer();
      await server.start();
      await use(server);
      await server.kill('SIGTERM');
    },
    { scope: 'worker' },
  ],
  // eslint-disable-next-line no-empty-pattern
  ownPort: [async ({}, use) => use(await freePort()), { scope: 'worker' }],
  ownServer: async ({ ownPort }, use) => {
    const server = new TestServer(ownPort);
    await server.start();
    await use(server);
    await server.kill('SIGTERM');
  },
  // eslint-disable-next-line no-empty-pattern
  signIn: async ({}, use) => {
    await use(async (context, url, notes = []) => {
      const name = `Ines ${randomUUID().slice(0, 8)}`;
      const headers = { Origin: url };
      const made = await context.request.post(`${url}/api/accounts`, {
        headers,
        data: { name, passphrase: 'tide and timber' },
      });
      expect(made.ok()).toBe(true);
      if (notes.length > 0) {
        const taken = await context.request.post(`${url}/api/imports`, { headers, data: { files: notes } });
        expect(taken.ok()).toBe(true);
      }
      return name;
    });
  },
  mill: async ({ context, page, server, signIn }, use) => {
    await signIn(context, server.url, millNotes);
    await begin(page, server);
    await use(page);
  },
  outline: async ({ context, page, server, signIn }, use) => {
    await signIn(context, server.url, outlineNotes);
    await begin(page, server);
    await use(page);
  },
});

export { expect };

export const isPhone = (page: Page): boolean => page.viewportSize()!.width < 720;

/** The text of the page that is shown first. */
export const textOf = (page: Page) => page.locator('.writing[contenteditable=true]').first();

/** Waits until all that was typed is stored on the server. */
export async function saved(page: Page): Promise<void> {
  await page.waitForTimeout(200);
  await expect(page.getByTestId('saving')).toHaveText('Saved');
}

/** In milliseconds without any change. */
const STILL_FOR = 120;

/** Waits until nothing on a page changes any more. */
export const still = (page: Page): Promise<void> =>
  page.evaluate(
    (stillFor) =>
      new Promise<void>((resolve) => {
        const watching = new MutationObserver(() => wait());
        let timer = 0;
        const wait = () => {
          clearTimeout(timer);
          timer = window.setTimeout(() => {
            watching.disconnect();
            resolve();
          }, stillFor);
        };
        watching.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
        wait();
      }),
    STILL_FOR,
  );

/** Opens the page with this title by its address. */
export async function openPage(page: Page, title: string): Promise<string> {
  const id = await idOf(page, title);
  await page.goto(new URL(`/p/${id}`, page.url()).href);
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText(title);
  return id;
}

export async function idOf(page: Page, title: string): Promise<string> {
  const found = await page.request.get(new URL(`/api/names?q=${encodeURIComponent(title)}`, page.url()).href);
  const names = (await found.json()) as { id: string; title: string }[];
  return names.find((name) => name.title === title)!.id;
}

/** Puts the cursor at the end of a line of text. */
export async function clickEnd(page: Page, words: string): Promise<void> {
  const line = textOf(page).locator('.words', { hasText: words }).first();
  await line.click({ position: { x: 4, y: 12 } });
  // A key within milliseconds of a click is quicker than any hand: it may come before the click has been read.
  await expect(async () => {
    await page.keyboard.press('End');
    expect(await line.evaluate(isPastFirstLetter)).toBe(true);
  }).toPass();
}

function isPastFirstLetter(line: Element): boolean {
  const { focusNode, focusOffset } = line.ownerDocument.getSelection()!;
  if (!focusNode || !line.contains(focusNode)) return false;
  const before = line.ownerDocument.createRange();
  before.selectNodeContents(line);
  before.setEnd(focusNode, focusOffset);
  return before.toString().length > 1 || line.textContent.length < 2;
}
