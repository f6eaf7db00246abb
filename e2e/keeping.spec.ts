import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { clickEnd, expect, idOf, millNotes, openPage, saved, test, textOf } from './support/test';

const lines = (page: Page) =>
  textOf(page)
    .locator('.words')
    .evaluateAll((words) => words.map((each) => each.textContent ?? ''));

test('a sentence that was saved outlives a killed server', async ({ context, page, ownServer, signIn }) => {
  await signIn(context, ownServer.url, millNotes);
  await page.goto(ownServer.url);
  await openPage(page, 'Stop logs');
  await clickEnd(page, 'Eleven logs');
  await page.keyboard.type(' Number four is split.');
  await saved(page);
  await ownServer.kill();
  await ownServer.start();
  await page.reload();
  await expect(textOf(page)).toContainText('Number four is split.');
});

test('what is typed while the server is down is there after the tab was closed, once', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  await signIn(context, ownServer.url, millNotes);
  await page.goto(ownServer.url);
  const id = await openPage(page, 'Stop logs');
  await saved(page);
  await ownServer.kill();
  await expect(page.getByTestId('saving')).toHaveText('Offline, kept here');
  await clickEnd(page, 'Eleven logs');
  await page.keyboard.type(' Typed in the dark.');
  await page.waitForTimeout(400);
  await page.close();
  await ownServer.start();
  const again = await context.newPage();
  await again.goto(`${ownServer.url}/p/${id}`);
  await expect(textOf(again)).toContainText('Typed in the dark.');
  await saved(again);
  const text = (await textOf(again).textContent())!;
  expect(text.split('Typed in the dark.')).toHaveLength(2);
  const stored = (await (await again.request.get(`${ownServer.url}/api/pages/${id}`)).json()) as { body: unknown };
  expect(JSON.stringify(stored.body).split('Typed in the dark.')).toHaveLength(2);
});

test('two windows on one page see each other’s typing within a second', async ({ mill, context }) => {
  await openPage(mill, 'Stop logs');
  const other = await context.newPage();
  await other.goto(mill.url());
  await expect(textOf(other)).toContainText('Eleven logs');
  /** How long a sentence typed at the line's end takes to be seen in the other window, in milliseconds. */
  const timeTo = async (from: Page, to: Page, words: string): Promise<number> => {
    await clickEnd(from, 'Eleven logs');
    await from.keyboard.type(words.slice(0, -1));
    await expect(textOf(to)).toContainText(words.slice(0, -1));
    const since = Date.now();
    await from.keyboard.type(words.slice(-1));
    await expect(textOf(to)).toContainText(words);
    return Date.now() - since;
  };
  const there = [];
  const back = [];
  // A machine that others use too may stand still for a second: the quickest of three tells.
  for (const time of ['Once', 'Twice', 'Thrice']) {
    there.push(await timeTo(mill, other, ` ${time} from one window.`));
    back.push(await timeTo(other, mill, ` ${time} from the other.`));
  }
  expect(Math.min(...there)).toBeLessThan(1_000);
  expect(Math.min(...back)).toBeLessThan(1_000);
});

/** A line with its number, which stands first unless `#` says where. */
const numbered = (words: string, index: number): string =>
  words.includes('#') ? words.replace('#', String(index)) : `${index} ${words}`;

/** Two windows on one page, both cut off while each does its part in four lines; then joined. */
const apart: { name: string; other: (page: Page, line: string) => Promise<void>; expected: string[] }[] = [
  {
    name: 'different paragraphs',
    other: async (page, line) => {
      await clickEnd(page, `${line} delta`);
      await page.keyboard.type(' and tail');
    },
    expected: ['alpha beam', 'bravo gear turns', 'charlie pin', 'delta sluice and tail'],
  },
  {
    name: 'the same paragraph',
    other: async (page, line) => {
      await clickEnd(page, `${line} bravo`);
      await page.keyboard.press('Home');
      await page.keyboard.type('slow ');
    },
    expected: ['alpha beam', 'slow # bravo gear turns', 'charlie pin', 'delta sluice'],
  },
  {
    name: 'a line the other turns into a heading',
    other: async (page, line) => {
      await clickEnd(page, `${line} bravo`);
      await page.keyboard.press('Home');
      await page.keyboard.type('## ');
    },
    expected: ['alpha beam', 'bravo gear turns', 'charlie pin', 'delta sluice'],
  },
  {
    name: 'a line the other indents',
    other: async (page, line) => {
      await clickEnd(page, `${line} bravo`);
      await page.keyboard.press('Tab');
    },
    expected: ['alpha beam', 'bravo gear turns', 'charlie pin', 'delta sluice'],
  },
  {
    name: 'a line the other moves',
    other: async (page, line) => {
      await clickEnd(page, `${line} bravo`);
      await page.keyboard.press('Alt+ArrowDown');
    },
    expected: ['alpha beam', 'charlie pin', 'bravo gear turns', 'delta sluice'],
  },
  {
    name: 'a line the other deletes',
    other: async (page, line) => {
      await clickEnd(page, `${line} bravo`);
      await page.keyboard.press('Shift+Home');
      await page.keyboard.press('Backspace');
      await page.keyboard.press('Backspace');
    },
    expected: ['alpha beam', 'bravo gear turns', 'charlie pin', 'delta sluice'],
  },
];

test('typing survives joining, whatever the other window does meanwhile', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  const begun = ['alpha beam', 'bravo gear', 'charlie pin', 'delta sluice'];
  const text = apart.flatMap((_each, index) => begun.map((words) => `${index} ${words}`)).join('\n\n');
  const expected = apart.flatMap(({ expected: each }, index) => each.map((words) => numbered(words, index)));
  await signIn(context, ownServer.url, [{ path: 'Mill/Log/Four lines each.md', text }]);
  await page.goto(`${ownServer.url}/api/health`);
  const id = await idOf(page, 'Four lines each');
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto(`${ownServer.url}/p/${id}`);
    await expect(textOf(window)).toContainText('5 delta sluice');
  }
  await ownServer.kill();
  for (const window of [page, other]) await expect(window.getByTestId('saving')).toHaveText('Offline, kept here');
  for (const [index, { name, other: act }] of apart.entries()) {
    await test.step(`typing in ${name}`, async () => {
      await clickEnd(page, `${index} bravo`);
      await page.keyboard.type(' turns');
      await act(other, String(index));
    });
  }
  await ownServer.start();
  for (const window of [page, other]) {
    await expect(window.getByTestId('saving')).toHaveText('Saved');
    await expect.poll(() => lines(window)).toEqual(expected);
  }
  await expect(page.locator('.kept')).toHaveCount(1);
  await expect(page.locator('.kept')).toContainText('Kept: this line was deleted in another window');
  await page.reload();
  await expect.poll(() => lines(page)).toEqual(expected);
});

test('both opening today’s page for the first time while apart hold one day', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  await signIn(context, ownServer.url);
  await page.goto(`${ownServer.url}/desk`);
  const other = await context.newPage();
  await other.goto(`${ownServer.url}/desk`);
  await expect(other.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await ownServer.kill();
  for (const [window, words] of [
    [page, 'early'],
    [other, 'late'],
  ] as const) {
    await window.bringToFront();
    await window.getByRole('link', { name: 'Today' }).first().click();
    await clickEnd(window, 'As it happened');
    await window.keyboard.press('Enter');
    await window.keyboard.type(`${words} words`);
    await window.waitForTimeout(300);
  }
  await ownServer.start();
  for (const window of [page, other]) {
    await expect(textOf(window)).toContainText('early words');
    await expect(textOf(window)).toContainText('late words');
    await expect(textOf(window).getByRole('heading', { name: 'On waking' })).toHaveCount(1);
  }
});

test('the browser killed in the middle of typing loses at most the last second', async ({
  ownServer,
  signIn,
  browser,
}) => {
  const context = await browser.newContext();
  await signIn(context, ownServer.url, millNotes);
  const cookies = await context.cookies();
  const found = await context.request.get(`${ownServer.url}/api/names?q=Stop%20logs`);
  const { id } = ((await found.json()) as { id: string }[])[0]!;
  const profile = mkdtempSync(path.join(os.tmpdir(), 'glossarion-profile-'));
  const port = 21_000 + (process.pid % 9_000);
  const start = () =>
    spawn(
      process.env.CHROMIUM ?? '/usr/bin/chromium',
      [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        `--user-data-dir=${profile}`,
        `--remote-debugging-port=${port}`,
        'about:blank',
      ],
      { stdio: 'ignore', detached: true },
    );
  const connect = async () => {
    for (let tries = 0; ; tries += 1) {
      try {
        return await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      } catch (error) {
        if (tries > 400) throw error;
        await new Promise((resolve) => setTimeout(resolve, 250));
      }
    }
  };
  const first = start();
  const killed = (await connect()).contexts()[0]!;
  await killed.addCookies(cookies);
  const page = killed.pages()[0] ?? (await killed.newPage());
  await page.goto(`${ownServer.url}/p/${id}`);
  await clickEnd(page, 'Eleven logs');
  await ownServer.kill();
  await page.keyboard.type(' Half a sentence that nobody else has seen');
  await page.waitForTimeout(1000);
  await page.keyboard.type(' and its last word', { delay: 5 });
  process.kill(-first.pid!, 'SIGKILL');
  await new Promise((resolve) => first.once('exit', resolve));
  await ownServer.start();

  const second = start();
  const again = (await connect()).contexts()[0]!;
  // Chromium writes cookies out only now and then; a person’s is long written.
  await again.addCookies(cookies);
  const reopened = await again.newPage();
  await reopened.goto(`${ownServer.url}/p/${id}`);
  await expect(textOf(reopened)).toContainText('Half a sentence that nobody else has seen');
  await saved(reopened);
  process.kill(-second.pid!, 'SIGKILL');
  const stored = await context.request.get(`${ownServer.url}/api/pages/${id}`);
  expect(JSON.stringify(await stored.json())).toContain('Half a sentence that nobody else has seen');
  await context.close();
});

test('text the server refuses is kept as a copy that can be seen', async ({ mill }) => {
  const id = await openPage(mill, 'Stop logs');
  await saved(mill);
  // A window of another making sends what no honest one does; here the shape is broken on purpose before it is sent.
  await mill.addInitScript(() => {
    const send = WebSocket.prototype.send;
    WebSocket.prototype.send = function (data) {
      const message = JSON.parse(String(data)) as { type: string; epoch: number };
      if (message.type === 'update' && (window as { spoil?: boolean }).spoil) message.epoch += 1;
      send.call(this, JSON.stringify(message));
    };
  });
  await mill.reload();
  await clickEnd(mill, 'Eleven logs');
  await mill.evaluate(() => ((window as { spoil?: boolean }).spoil = true));
  await mill.keyboard.insertText(' refused words');
  const copy = mill.getByRole('region', { name: 'Kept copy' });
  await expect(copy).toContainText('refused words');
  await expect(textOf(mill)).not.toContainText('refused words');
  await mill.reload();
  await expect(copy).toContainText('refused words');
  await copy.getByRole('button', { name: 'Throw it away' }).click();
  await expect(copy).toHaveCount(0);
  expect(id).toBeTruthy();
});
