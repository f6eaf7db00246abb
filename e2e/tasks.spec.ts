import type { Page } from '@playwright/test';
import { Hands } from './support/handwork';
import { secondWindow } from './support/margin';
import { said } from './support/outline';
import { clickEnd, expect, isPhone, saved, test, textOf, type NoteFile } from './support/test';

const dayAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toLocaleDateString('sv');
const today = () => dayAgo(0);

/** A day, and pages, with tasks that were left, are due, or are for another day. */
const leftNotes = (): NoteFile[] => [
  { path: 'Mill/index.md', text: '---\npigment: lapis\n---\n' },
  {
    path: 'Mill/Gate.md',
    text: [
      `- [ ] Draft the method statement {due=${today()}}`,
      `- [ ] Order oak {due=${dayAgo(-1)}}`,
      `- [ ] Wait for the tide {due=${dayAgo(3)} for=${dayAgo(-5)}}`,
      '- [ ] Some day',
    ].join('\n'),
  },
  {
    path: `Journal/${dayAgo(1)}.md`,
    text: '## I mean to\n\n- [ ] Ask [[Gate]] for the winch rating\n  - [ ] and the rope\n- [x] Order hessian\n- [ ] Ring the yard\n',
  },
  { path: `Journal/${dayAgo(40)}.md`, text: '- [ ] Paint the sluice\n' },
];

const brought = (page: Page) => page.getByRole('region', { name: 'Brought forward' });
const task = (page: Page, words: string) => brought(page).locator('.task', { hasText: words });
const box = (page: Page, words: string) => task(page, words).getByRole('checkbox').first();
/** What a line says at its end, as whoever hears its box is told. */
const boxOf = (page: Page, words: string) => textOf(page).locator('.block', { hasText: words }).getByRole('checkbox');

test('T1 T4 a date in words becomes the due day of a task, with its repeat; ticking sets the next', async ({
  mill,
}) => {
  await mill.goto(new URL('/today', mill.url()).href);
  await clickEnd(mill, 'I mean to');
  await mill.keyboard.press('ArrowDown');
  await mill.keyboard.type('Grease the screw every day');
  const due = mill.getByRole('button', { name: /^Due .*every day/u });
  await expect(due).toBeVisible();
  if (isPhone(mill)) await due.tap();
  else await mill.keyboard.press('Tab');
  await expect(textOf(mill).locator('.words', { hasText: 'Grease the screw' })).toHaveText('Grease the screw');
  await expect(boxOf(mill, 'Grease the screw')).toHaveAccessibleName(/^To-do, open, .*, every day$/u);
  // What is not taken stays as it was typed.
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('Ring Callum tomorrow');
  await expect(mill.getByRole('button', { name: /^Due /u })).toBeVisible();
  await mill.keyboard.press('Escape');
  await expect(mill.getByRole('button', { name: /^Due /u })).toHaveCount(0);
  await expect(boxOf(mill, 'Ring Callum tomorrow')).toHaveAccessibleName('To-do, open');
  await saved(mill);

  const other = await secondWindow(mill);
  const before = await boxOf(mill, 'Grease the screw').getAttribute('aria-label');
  await boxOf(mill, 'Grease the screw').click();
  await expect(boxOf(mill, 'Grease the screw')).not.toHaveAttribute('aria-label', before!);
  await expect(boxOf(mill, 'Grease the screw')).toHaveAttribute('aria-checked', 'false');
  const after = await boxOf(mill, 'Grease the screw').getAttribute('aria-label');
  // Seen live in the second window, where the same time is not ticked twice.
  await expect(boxOf(other, 'Grease the screw')).toHaveAttribute('aria-label', after!);
  await mill.keyboard.press('ControlOrMeta+z');
  await expect(boxOf(mill, 'Grease the screw')).toHaveAttribute('aria-label', before!);
  await expect(boxOf(other, 'Grease the screw')).toHaveAttribute('aria-label', before!);
  await saved(mill);
  await mill.reload();
  await expect(boxOf(mill, 'Grease the screw')).toHaveAttribute('aria-label', before!);
});

test('T1 each setting of a task is made from its line, and taken back', async ({ mill }) => {
  await mill.goto(new URL('/today', mill.url()).href);
  await clickEnd(mill, 'I mean to');
  await mill.keyboard.press('ArrowDown');
  await mill.keyboard.type('Measure the bore');
  const name = () => boxOf(mill, 'Measure the bore').getAttribute('aria-label');
  await mill.keyboard.press('Alt+Enter');
  await mill.getByRole('button', { name: 'Due, put off, repeat' }).click();
  const sheet = mill.getByRole('dialog', { name: 'Measure the bore' });
  const told: (string | null)[] = [];
  for (const pressed of ['Tomorrow', 'High', 'every week', 'Begun', 'Skip this time', 'Dropped']) {
    await sheet.getByRole('button', { name: pressed, exact: true }).first().click();
    await expect.poll(name).not.toBe(told.at(-1) ?? 'To-do, open');
    told.push(await name());
  }
  expect(new Set(told).size).toBe(told.length);
  expect(told.at(-1)).toMatch(/^To-do, dropped, high priority, .*, every \w+$/u);
  await sheet.getByLabel('Repeats, in words').fill('every 10 minutes');
  await expect(sheet.getByText('A task repeats daily at most.')).toBeVisible();
  await sheet.getByLabel('Due, in words').fill('3 March 9:30');
  await sheet.getByRole('button', { name: /^Set .*3 Mar/u }).click();
  expect(await name()).toMatch(/3 Mar.*9:30/u);
  await mill.keyboard.press('Escape');
  await saved(mill);
  for (const before of [told[5], ...told.slice(0, 5).reverse()]) {
    await textOf(mill).focus();
    await mill.keyboard.press('ControlOrMeta+z');
    await expect(boxOf(mill, 'Measure the bore')).toHaveAttribute('aria-label', before!);
  }
});

test('T2 what was left and what is due stands on today, and is ticked, begun, put off and dropped there', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, leftNotes());
  await page.goto(`${server.url}/today`);
  const hands = new Hands(page);
  await expect(brought(page)).toBeVisible();
  await expect(task(page, 'Ask')).toContainText('Yesterday');
  hands.atMost('carry 5 unfinished tasks to today', 0);
  await expect(task(page, 'Draft')).toContainText('due today');
  await expect(task(page, 'Ask').locator('.task-beneath')).toContainText('and the rope');
  for (const words of ['Order oak', 'Wait for the tide', 'Some day', 'Paint', 'Order hessian']) {
    await expect(task(page, words)).toHaveCount(0);
  }
  const other = await secondWindow(page);
  await box(page, 'Ring the yard').click();
  await expect(said(page, '“Ring the yard” is done.')).toBeVisible();
  await expect(task(page, 'Ring the yard')).toHaveCount(0);
  await expect(task(other, 'Ring the yard')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(task(page, 'Ring the yard')).toBeVisible();
  await expect(task(other, 'Ring the yard')).toBeVisible();

  // Put off twice, and taken back once.
  await task(page, 'Ring the yard').hover();
  await page.getByRole('button', { name: 'Put off to tomorrow: Ring the yard' }).click();
  await expect(task(page, 'Ring the yard')).toHaveCount(0);
  await page.goto(`${server.url}/day/${dayAgo(-1)}`);
  const onDay = page.getByRole('region', { name: 'On this day' });
  await expect(onDay.locator('.task', { hasText: 'Ring the yard' })).toContainText('put off once');
  await expect(onDay.locator('.task', { hasText: 'Order oak' })).toBeVisible();

  await page.goto(`${server.url}/today`);
  await task(page, 'Draft').hover();
  await page.getByRole('button', { name: 'More for Draft the method statement' }).click();
  const sheet = page.getByRole('dialog', { name: 'Draft the method statement' });
  await sheet.getByRole('button', { name: 'Begun' }).click();
  await expect(said(page, 'is begun.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(box(page, 'Draft')).toHaveAttribute('aria-checked', 'mixed');
  await brought(page).getByRole('button', { name: '1 older than a month' }).click();
  await expect(task(page, 'Paint the sluice')).toBeVisible();

  // Several together.
  await brought(page).getByRole('button', { name: 'Choose' }).click();
  await brought(page).getByRole('checkbox', { name: 'Choose Paint the sluice' }).click();
  await brought(page)
    .getByRole('checkbox', { name: /^Choose Draft/u })
    .click();
  await brought(page).getByRole('button', { name: 'Drop' }).click();
  await expect(said(page, 'Each of 2 tasks is dropped.')).toBeVisible();
  await expect(task(page, 'Paint the sluice')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(task(page, 'Draft')).toBeVisible();
});

test('T2 three of today’s tasks are put off to next week', async ({ context, page, server, signIn }) => {
  const tasks = ['Ring the yard', 'Ask for hessian', 'Order oak'];
  await signIn(context, server.url, [
    { path: `Journal/${dayAgo(1)}.md`, text: tasks.map((words) => `- [ ] ${words}\n`).join('') },
  ]);
  await page.goto(`${server.url}/today`);
  const hands = new Hands(page);
  for (const words of tasks) {
    await task(page, words).hover();
    await hands.tap(page.getByRole('button', { name: `Put off to next week: ${words}` }));
  }
  await expect(brought(page)).toHaveCount(0);
  hands.atMost('put off three of today’s tasks to next week', 3);
});

test('T2 without network a task is ticked on today, and is done once when the server is back', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  await signIn(context, ownServer.url, leftNotes());
  await page.goto(`${ownServer.url}/today`);
  await expect(task(page, 'Ring the yard')).toBeVisible();
  await expect(boxOf(page, '').first()).toBeAttached();
  await ownServer.kill('SIGKILL');
  await expect(page.getByTestId('saving')).toContainText('Offline');
  await box(page, 'Ring the yard').click();
  await expect(said(page, 'It is kept here until there is a network.')).toBeVisible();
  await expect(box(page, 'Ring the yard')).toHaveAttribute('aria-checked', 'true');
  await page.close();
  await ownServer.start();
  const again = await context.newPage();
  await again.goto(`${ownServer.url}/today`);
  await expect(task(again, 'Ask')).toBeVisible();
  await expect(task(again, 'Ring the yard')).toHaveCount(0);
  await again.goto(`${ownServer.url}/day/${dayAgo(1)}`);
  await expect(boxOf(again, 'Ring the yard')).toHaveAttribute('aria-checked', 'true');
});

test('T3 one list of all tasks, by day or by where they stand, set there and together', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, [
    ...leftNotes(),
    {
      path: 'Mill/Gate/Pintle.md',
      text: `- [ ] Turn a pin for [[Gate]] #iron {due=${dayAgo(2)}}\n- [ ] Oil it {repeat=FREQ%3DDAILY due=${today()}}\n`,
    },
  ]);
  await page.goto(`${server.url}/today`);
  await expect(brought(page)).toBeVisible();
  await page.locator('main').focus();
  await page.keyboard.press('k');
  await expect(page).toHaveURL(/\/tasks$/u);
  const groups = page.locator('.tasks-group');
  await expect(groups).toHaveText([/^Overdue 1/u, /^Today \d/u, /^The coming days \d/u, /^No day 1/u]);
  const row = (words: string) => page.locator('.task', { hasText: words });
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('.tasks-group').first()).toBeVisible();
  await row('Turn a pin').getByRole('checkbox').click();
  await expect(said(page, 'is done.')).toBeVisible();
  await expect(page.locator('.tasks-group', { hasText: 'Done lately' })).toBeVisible();
  await expect(other.locator('.tasks-group', { hasText: 'Overdue' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('.tasks-group', { hasText: 'Overdue 1' })).toBeVisible();

  await page.getByRole('button', { name: 'That repeat' }).click();
  await expect(page.locator('.task')).toHaveCount(1);
  await expect(row('Oil it')).toContainText('every day');
  await page.getByRole('button', { name: 'That repeat' }).click();
  await page.getByRole('button', { name: 'By tag' }).click();
  await expect(groups.first()).toHaveText(/^iron 1/u);
  await page.getByRole('button', { name: 'By page' }).click();
  await expect(groups.filter({ hasText: 'Pintle' })).toHaveText(/^Pintle 2/u);
  await page.getByRole('button', { name: 'Pintle 2' }).click();
  await expect(page.locator('.task')).toHaveCount(2);

  // Several are set together.
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  await page.getByRole('checkbox', { name: /^Choose Turn a pin/u }).click();
  await page.getByRole('checkbox', { name: 'Choose Oil it' }).click();
  await page.getByRole('button', { name: 'Another day' }).click();
  await page.getByRole('dialog', { name: 'Put off 2 tasks' }).getByRole('button', { name: 'No day' }).click();
  await expect(said(page, 'Each of 2 tasks is put off, to no day.')).toBeVisible();
  await page.getByRole('button', { name: 'By day' }).click();
  await expect(page.locator('.tasks-group', { hasText: 'No day 3' })).toBeVisible();

  // A page says what stands on it, beneath it, and elsewhere with a link to it.
  await row('Some day').getByRole('link', { name: /Gate/u }).click();
  await expect(page.locator('.page-tasks')).toHaveText('Tasks: 4 open here, 2 beneath, 2 elsewhere');
  await page.getByRole('link', { name: '2 beneath' }).click();
  await expect(page.locator('.tasks-of')).toHaveText('Beneath Gate');
  await expect(page.locator('.task')).toHaveCount(2);
});

test('J2 any day is a tap, some keys or some words away', async ({ context, page, server, signIn }) => {
  await signIn(context, server.url, [
    { path: `Journal/${dayAgo(1)}.md`, text: 'One two three.\n' },
    { path: 'Mill/Gate.md', text: `- [ ] Order oak {due=${dayAgo(-1)}}\n` },
  ]);
  await page.goto(`${server.url}/today`);
  await expect(textOf(page)).toBeVisible();
  const calendar = page.getByRole('region', { name: 'Calendar' });
  if (isPhone(page)) await page.getByRole('button', { name: 'All days' }).tap();
  await expect(calendar.locator(`[data-day="${dayAgo(1)}"]`)).toHaveAccessibleName(/3 words$/u);
  await expect(calendar.locator(`[data-day="${dayAgo(-1)}"]`)).toHaveAccessibleName(/nothing written, 1 due$/u);
  await calendar.locator(`[data-day="${dayAgo(1)}"]`).click();
  await expect(page).toHaveURL(new RegExp(`/day/${dayAgo(1)}$`, 'u'));
  await expect(textOf(page)).toContainText('One two three.');
  // By keys, from any screen.
  await page.locator('main').focus();
  await page.keyboard.press('e');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(new RegExp(`/day/${dayAgo(8)}$`, 'u'));
  await page.goto(`${server.url}/find`);
  await page.locator('main').focus();
  await page.keyboard.press('e');
  await page.keyboard.press('Shift+PageUp');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/day\/\d{4}-\d\d-\d\d$/u);
  expect(Number(/day\/(\d{4})/u.exec(page.url())![1])).toBe(Number(today().slice(0, 4)) - 1);
  await page.goto(`${server.url}/find`);
  await page.locator('main').focus();
  await page.keyboard.press('e');
  await page.getByLabel('A day in words').fill('3 march');
  await page.getByRole('button', { name: /^Open \w+ 3 March/u }).click();
  await expect(page).toHaveURL(/\/day\/\d{4}-03-03$/u);
});

test('J2 J7 the scroll runs forth from an old day; a day tells what else happened, and the same date in earlier years', async ({
  context,
  page,
  server,
  signIn,
}) => {
  const yearAgo = `${Number(today().slice(0, 4)) - 1}${today().slice(4)}`;
  await signIn(context, server.url, [
    { path: `Journal/${yearAgo}.md`, text: '## On waking\n\nFrost on the apron.\n' },
    { path: `Journal/${dayAgo(300)}.md`, text: 'Long ago.\n' },
    { path: `Journal/${dayAgo(200)}.md`, text: `Between.\n\n${'Staff read.\n\n'.repeat(40)}` },
    { path: `Journal/${dayAgo(3)}.md`, text: 'Lately.\n\n- [ ] Ring the yard\n' },
    { path: 'Mill/Gate.md', text: 'Worn.\n' },
  ]);
  await page.goto(`${server.url}/today`);
  const around = page.getByRole('region', { name: 'Also on this date' });
  await expect(around).toContainText('Frost on the apron.');
  await expect(around).toContainText('Begun today');
  await expect(around.getByRole('link', { name: 'Gate' })).toBeVisible();
  const hands = new Hands(page);
  await hands.tap(
    around
      .getByRole('link', { name: yearAgo.slice(0, 4) })
      .or(around.locator('.around-year'))
      .first(),
  );
  await expect(textOf(page)).toContainText('Frost on the apron.');
  hands.atMost('find out what happened on the day an idea was noted', 1);

  await page.goto(`${server.url}/day/${dayAgo(300)}`);
  await expect(textOf(page)).toContainText('Long ago.');
  await page.getByRole('button', { name: 'Later days' }).click();
  const lately = page.locator(`.day[data-day="${dayAgo(3)}"]`);
  await expect(page.locator(`.day[data-day="${dayAgo(200)}"]`)).toContainText('Between.');
  await expect(lately).toContainText('Lately.');
  await expect(textOf(page)).toBeInViewport();
  // It says which day it has come to.
  await page.locator(`.day[data-day="${dayAgo(200)}"]`).evaluate((each) => each.scrollIntoView({ block: 'start' }));
  if (isPhone(page)) {
    await expect(page.getByRole('button', { name: /^At .* All days$/u })).toBeVisible();
  } else {
    const calendar = page.getByRole('region', { name: 'Calendar' });
    await expect(calendar.locator('[aria-current=date]')).toHaveAttribute('data-day', dayAgo(200));
  }
  // An earlier day is ticked without being opened for writing.
  await lately.getByRole('checkbox').click();
  await expect(lately.getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
  await expect(lately.locator('[contenteditable=true]')).toHaveCount(0);
  await page.goto(`${server.url}/today`);
  await expect(around).toContainText('Ring the yard');
});

test('J4 the time is put at the start of a line by one key, or one tap', async ({ mill }) => {
  await mill.goto(new URL('/today', mill.url()).href);
  await clickEnd(mill, 'As it happened');
  await mill.keyboard.press('ArrowDown');
  await mill.keyboard.type('Callum rang.');
  if (isPhone(mill)) await mill.getByRole('button', { name: 'The time' }).tap();
  else await mill.keyboard.press('ControlOrMeta+Shift+Enter');
  await expect(textOf(mill).locator('.words', { hasText: 'Callum rang.' })).toHaveText(
    /^\d{1,2}:\d\d(?: [ap]m)? Callum rang\.$/u,
  );
});
