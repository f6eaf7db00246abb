import type { Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { Hands } from './support/handwork';
import { secondWindow } from './support/margin';
import { said } from './support/outline';
import { begin, expect, isPhone, saved, test, textOf, type NoteFile } from './support/test';

const dayFrom = (days: number): string => new Date(Date.now() + days * 86_400_000).toLocaleDateString('sv');
const notes: NoteFile[] = [
  { path: 'Mill/index.md', text: '---\npigment: lapis\n---\n' },
  { path: 'Mill/Gate.md', text: '## Winch\n\nRated for two tons.\n\n## Oak\n\nGreen.\n' },
];

const sheet = (page: Page) => page.getByRole('dialog', { name: 'Jot' });
const field = (page: Page) => page.getByRole('textbox', { name: 'What is on your mind' });
const jotting = (page: Page, words: string) => page.locator('.jotting', { hasText: words });
const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

async function openJot(page: Page): Promise<void> {
  const tools = page.getByRole('toolbar', { name: 'Writing' });
  const places = page.getByRole('navigation', { name: 'Places' });
  // Above a phone's keyboard the bar is covered: it stands among the tools of writing too.
  if (isPhone(page)) await ((await tools.isVisible()) ? tools : places).getByRole('button', { name: 'Jot' }).tap();
  else {
    await page.locator('main').focus();
    await page.keyboard.press('j');
  }
  await expect(field(page)).toBeFocused();
}

async function jot(page: Page, words: string): Promise<void> {
  await openJot(page);
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
  await expect(sheet(page)).toHaveCount(0);
}

/** Jots down by the interface that programs have, so that a journey about filing need not. */
async function jotted(
  page: Page,
  ...thoughts: { words: string; daysAgo?: number; comesBack?: string }[]
): Promise<void> {
  const origin = new URL(page.url()).origin;
  const acts = thoughts.flatMap(({ words, daysAgo = 0, comesBack }) => {
    const id = randomUUID();
    const nodes = [{ type: 'block', attrs: { id: randomUUID() }, content: [{ type: 'text', text: words }] }];
    const caught = { do: 'jot', id, nodes, at: new Date(Date.now() - daysAgo * 86_400_000).toISOString() };
    return comesBack ? [caught, { do: 'tray', id, jotting: 'waiting', comesBack }] : [caught];
  });
  const done = await page.request.post(`${origin}/api/acts`, { headers: { Origin: origin }, data: { acts } });
  expect(done.ok()).toBe(true);
}

test('W13 a stray thought is caught over any screen, with links, tags, dates and to-dos, and waits in the Tray', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, notes);
  await page.goto(`${server.url}/today`);
  await expect(textOf(page)).toBeVisible();
  await textOf(page).locator('.words').last().click();
  await page.keyboard.type('Written before.');
  await saved(page);
  if (!isPhone(page)) await page.keyboard.press('Escape');
  const hands = new Hands(page);
  const tools = page.getByRole('toolbar', { name: 'Writing' });
  if (isPhone(page)) await hands.tap(tools.getByRole('button', { name: 'Jot' }));
  else await hands.press('j');
  await expect(field(page)).toBeFocused();
  // The words are the thought itself.
  await page.keyboard.type('Ask about [[gat');
  await expect(page.getByRole('option', { name: /^Gate/u }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' and #hessian , soon');
  await hands.press('Enter');
  hands.atMost('catch a stray thought from any screen', 2);
  await expect(sheet(page)).toHaveCount(0);
  await expect(said(page, 'Kept in the Tray.')).toBeVisible();
  // The screen beneath is as it was.
  await expect(page).toHaveURL(/\/today$/u);
  await expect(textOf(page)).toContainText('Written before.');

  const other = await secondWindow(page);
  await other.goto(`${server.url}/tray`);
  await expect(jotting(other, 'Ask about Gate and')).toBeVisible();
  await openJot(page);
  await page.keyboard.type('[] Order oak tomorrow');
  const due = sheet(page).getByRole('button', { name: /^Due /u });
  await expect(due).toBeVisible();
  if (isPhone(page)) await due.tap();
  else await page.keyboard.press('Tab');
  await expect(field(page).locator('.words')).toHaveText('Order oak');
  await page.keyboard.press('Shift+Enter');
  await page.keyboard.type('and the rope');
  await sheet(page).getByRole('button', { name: 'Keep' }).click();
  // Seen live in the second window; and it is a task like any other.
  await expect(jotting(other, 'Order oak')).toContainText('and the rope');
  await page.goto(`${server.url}/day/${dayFrom(1)}`);
  await expect(page.locator('.task', { hasText: 'Order oak' })).toContainText('A jotting');
  await page.goto(`${server.url}/find?q=hessian`);
  await expect(page.locator('main')).toContainText('Tray');
  // What it links to knows it.
  await page.goto(`${server.url}/tray`);
  await jotting(page, 'Ask about').getByRole('link', { name: 'Gate' }).click();
  await expect(textOf(page)).toContainText('Rated for two tons.');
  if (isPhone(page)) await page.locator('.margin-grab').tap();
  await expect(page.locator('.gloss', { hasText: 'Ask about' }).first()).toContainText('A jotting');
});

test('W13 what is being jotted down outlives its sheet, its window, and the browser', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, notes);
  await page.goto(`${server.url}/today`);
  await expect(textOf(page)).toBeVisible();
  await openJot(page);
  await page.keyboard.type('Half a tho');
  await page.keyboard.press('Escape');
  await expect(sheet(page)).toHaveCount(0);
  await openJot(page);
  await expect(field(page)).toHaveText('Half a tho');
  await page.keyboard.type('ught');
  // Another window begins one of its own meanwhile.
  const other = await secondWindow(page);
  await openJot(other);
  await expect(field(other)).toHaveText('');
  await other.keyboard.type('Whole');
  await other.keyboard.press('Enter');
  await expect(sheet(other)).toHaveCount(0);
  await page.close();
  await other.reload();
  await expect(textOf(other)).toBeVisible();
  await openJot(other);
  await expect(field(other)).toHaveText('Half a thought');
  await other.keyboard.press('Enter');
  await expect(sheet(other)).toHaveCount(0);
  await other.goto(`${server.url}/tray`);
  await expect(other.locator('.jotting')).toHaveCount(2);
  // Nothing is left over, and nothing empty is kept.
  await openJot(other);
  await expect(field(other)).toHaveText('');
  await other.keyboard.press('Enter');
  await expect(sheet(other)).toHaveCount(0);
  await expect(other.locator('.jotting')).toHaveCount(2);
});

test('W13 a jotting is filed, made a page, set to come back, kept, thrown away; each is taken back', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, notes);
  await begin(page, server);
  await jotted(page, { words: 'Try hessian', daysAgo: 20 }, { words: 'Green oak moves', daysAgo: 2 });
  await page.goto(`${server.url}/tray`);
  await expect(page.locator('.jotting')).toHaveCount(2);
  await expect(page.locator('.jotting').first()).toContainText('Try hessian');
  await expect(page.locator('.jotting').first()).toContainText('waits for 2 weeks');
  const hessian = jotting(page, 'Try hessian');
  const undo = async () => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(part(page, 'Waiting').locator('.jotting')).toHaveCount(2);
    await expect(hessian).toBeVisible();
  };
  const choose = async (typed: string, option: RegExp) => {
    await page.getByRole('dialog').getByRole('combobox').fill(typed);
    await expect(page.getByRole('option', { name: option }).first()).toBeVisible();
    await page.keyboard.press('Enter');
  };

  // By touch a swipe, by keys a letter.
  if (isPhone(page)) {
    const box = (await hessian.boundingBox())!;
    const session = await context.newCDPSession(page);
    const at = (x: number) => [{ x, y: box.y + 12 }];
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(box.x + 40) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(box.x + 120) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(box.x + 220) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  } else {
    await page.locator('.jotting').first().focus();
    await page.keyboard.press('s');
  }
  await choose('gate', /^Gate/u);
  await choose('winch', /^Winch/u);
  await expect(said(page, '“Try hessian” is on “Gate” now.')).toBeVisible();
  await expect(hessian).toHaveCount(0);
  await undo();

  await page.getByRole('button', { name: 'Make a page of: Try hessian' }).click();
  await choose('', /^Mill/u);
  await expect(said(page, '“Try hessian” is a page in “Mill” now.')).toBeVisible();
  await expect(hessian).toHaveCount(0);
  await undo();

  await page.getByRole('button', { name: 'Set a day to come back for: Try hessian' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Tomorrow' }).click();
  await expect(part(page, 'To come back').locator('.jotting')).toContainText('Try hessian');
  await undo();

  await page.getByRole('button', { name: 'Keep: Try hessian' }).click();
  await expect(part(page, 'Kept').locator('.jotting')).toContainText('Try hessian');
  await undo();

  await page.getByRole('button', { name: 'Throw away: Try hessian' }).click();
  await expect(said(page, '“Try hessian” is in the bin.')).toBeVisible();
  await expect(hessian).toHaveCount(0);
  await undo();

  // Several together, in their order.
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  for (const box of await page.getByRole('checkbox').all()) await box.click();
  await page.getByRole('toolbar', { name: 'Of those chosen' }).getByRole('button', { name: 'File' }).click();
  await choose('gate', /^Gate/u);
  await choose('oak', /^Oak/u);
  await expect(said(page, '2 jottings are on “Gate” now.')).toBeVisible();
  await expect(page.locator('main')).toContainText('A stray thought waits here');
  await page.reload();
  await expect(page.locator('main')).toContainText('A stray thought waits here');
  await page.goto(`${server.url}/find?q=hessian`);
  await page.getByRole('option', { name: /Gate/u }).first().click();
  await expect(textOf(page).locator('.words')).toHaveText([
    'Winch',
    'Rated for two tons.',
    'Oak',
    'Green.',
    'Try hessian',
    'Green oak moves',
  ]);
});

test('W13 T2 a jotting that comes back stands among what is brought forward, and on the Desk', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, notes);
  await begin(page, server);
  await jotted(
    page,
    { words: 'Look at the frost', daysAgo: 9, comesBack: dayFrom(0) },
    { words: 'Ring the yard', daysAgo: 3, comesBack: dayFrom(2) },
  );
  await page.goto(`${server.url}/today`);
  const brought = page.getByRole('region', { name: 'Brought forward' });
  await expect(brought.locator('.jotting')).toHaveCount(1);
  await expect(brought.locator('.jotting')).toContainText('Look at the frost');
  await expect(brought.locator('.jotting')).toContainText('came back today');
  await page.goto(`${server.url}/day/${dayFrom(2)}`);
  await expect(page.getByRole('region', { name: 'On this day' }).locator('.jotting')).toContainText('Ring the yard');
  await page.goto(`${server.url}/desk`);
  await expect(part(page, 'Tray')).toContainText('Look at the frost');
  await expect(part(page, 'Tray')).not.toContainText('Ring the yard');
  await part(page, 'Tray').getByRole('link').first().click();
  await expect(page).toHaveURL(/\/tray$/u);
  if (!isPhone(page)) await expect(page.getByRole('link', { name: 'Tray, 1 jotting' })).toBeVisible();
});

test('W13 S2 without network five thoughts, a tick and some words are kept; all are there once when it is back', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  const yesterday = dayFrom(-1);
  await signIn(context, ownServer.url, [...notes, { path: `Journal/${yesterday}.md`, text: '- [ ] Ring the yard\n' }]);
  await page.goto(`${ownServer.url}/today`);
  const task = page.getByRole('region', { name: 'Brought forward' }).locator('.task', { hasText: 'Ring the yard' });
  await expect(task).toBeVisible();
  await expect(textOf(page).locator('.words').first()).toBeAttached();
  // The app has been open for a moment: what no first screen waits for is here too.
  const hasTray = () => performance.getEntriesByType('resource').some(({ name }) => /\/part-[^/]*\.js/u.test(name));
  await expect.poll(() => page.evaluate(hasTray)).toBe(true);
  await page.waitForLoadState('networkidle');
  await ownServer.kill('SIGKILL');
  await expect(page.getByTestId('saving')).toContainText('Offline');
  await task.getByRole('checkbox').first().click();
  const thoughts = ['One', 'Two', 'Three', 'Four', 'Five'];
  for (const words of thoughts) {
    await jot(page, words);
    await expect(said(page, 'Kept here, and in the Tray once there is a network.')).toBeVisible();
  }
  await textOf(page).locator('.words').last().click();
  await page.keyboard.press('End');
  await page.keyboard.type('Written offline.');
  await expect(page.getByTestId('saving')).toContainText('kept here');
  await page.waitForTimeout(400);
  await page.close();
  await ownServer.start();
  const again = await context.newPage();
  await again.goto(`${ownServer.url}/today`);
  await expect(textOf(again)).toContainText('Written offline.');
  await saved(again);
  await again.goto(`${ownServer.url}/tray`);
  await expect(again.locator('.jotting .words')).toHaveText(thoughts);
  await again.reload();
  await expect(again.locator('.jotting .words')).toHaveText(thoughts);
  await again.goto(`${ownServer.url}/day/${yesterday}`);
  await expect(textOf(again).getByRole('checkbox').first()).toHaveAttribute('aria-checked', 'true');
});

test('J7 a week and a month have a line of their own to write about them', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, notes);
  await page.goto(`${server.url}/today`);
  await expect(textOf(page)).toBeVisible();
  if (isPhone(page)) await page.getByRole('button', { name: 'All days' }).tap();
  const around = isPhone(page) ? page.getByRole('dialog') : page;
  const lines = around.getByRole('region', { name: 'Week and month' });
  await lines.getByRole('button', { name: /^Week \d+ of \d{4} Write about it$/u }).click();
  await expect(page.getByRole('navigation', { name: 'Trail' })).toContainText('Journal');
  await textOf(page).click();
  await page.keyboard.type('The pin came out.');
  await saved(page);
  await page.goto(`${server.url}/today`);
  if (isPhone(page)) await page.getByRole('button', { name: 'All days' }).tap();
  await expect(lines).toContainText('The pin came out.');
  await expect(lines.getByRole('button')).toHaveCount(2);
  await lines.getByRole('button', { name: /The pin came out/u }).click();
  await expect(textOf(page)).toContainText('The pin came out.');
});
