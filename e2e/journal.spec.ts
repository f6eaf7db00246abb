import { clickEnd, expect, isPhone, saved, test, textOf } from './support/test';

const dayAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toLocaleDateString('sv');

test('today is there without being made, from its template, with earlier days below as one scroll', async ({
  context,
  page,
  server,
  signIn,
}) => {
  const notes = Array.from({ length: 20 }, (_each, index) => ({
    path: `Journal/${dayAgo(index + 1)}.md`,
    text: `## As it happened\n\nStaff read ${index + 1} days ago.\n`,
  }));
  await signIn(context, server.url, notes);
  await page.goto(server.url);
  for (const heading of ['On waking', 'I mean to', 'As it happened', 'Looking back']) {
    await expect(textOf(page).getByRole('heading', { name: heading })).toBeVisible();
  }
  await expect(page.locator('.day')).not.toHaveCount(1);
  await expect(page.getByText('Staff read 1 days ago.')).toBeAttached();
  const main = page.locator('#main');
  await expect(async () => {
    await main.evaluate((element) => element.scrollTo(0, element.scrollHeight));
    await expect(page.getByText('Staff read 20 days ago.')).toBeAttached({ timeout: 300 });
  }).toPass();
  const still = page.locator(`.day[data-day="${dayAgo(3)}"]`);
  await expect(still.locator('[contenteditable]')).toHaveCount(0);
  await still.getByText('Staff read 3 days ago.').click();
  await expect(still.locator('.writing[contenteditable=true]')).toBeVisible();
  await still.getByText('Staff read 3 days ago.').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' Twice.');
  await saved(page);
  await page.goto(`${server.url}/day/${dayAgo(3)}`);
  await expect(textOf(page)).toContainText('Staff read 3 days ago. Twice.');
});

test('the days around tell which were written, and open', async ({ context, page, server, signIn }) => {
  // Of the same week, which begins on Monday in the journeys' locale.
  const other = new Date().getDay() === 1 ? dayAgo(-1) : dayAgo(1);
  await signIn(context, server.url, [{ path: `Journal/${other}.md`, text: 'One two three four five.\n' }]);
  await page.goto(server.url);
  // On a phone the week of the day that is open; beside the text, where there is room, the month.
  const around = isPhone(page)
    ? page.getByRole('navigation', { name: 'The days around' })
    : page.getByRole('region', { name: 'Calendar' });
  await expect(around.getByRole('link')).toHaveCount(isPhone(page) ? 7 : 42);
  await expect(around.getByRole('link', { name: /, \d+ words?/ })).toHaveCount(1);
  await around.getByRole('link', { name: /, 5 words/ }).click();
  await expect(page).toHaveURL(new RegExp(`/day/${other}$`));
  await expect(textOf(page)).toContainText('One two three four five.');
});

test(
  'the day turns over at midnight while it is open, without losing the line being typed',
  { tag: '@once' },
  async ({ browser, server, signIn }, { project }) => {
    // A clock that was set stays with its browser: this one is used for nothing else.
    const { viewport, hasTouch, locale } = project.use;
    const context = await browser.newContext({ viewport, hasTouch, locale });
    const page = await context.newPage();
    await page.clock.install({ time: new Date('2026-03-09T23:59:30') });
    await signIn(context, server.url);
    await page.goto(server.url);
    await page.clock.runFor(2000);
    await clickEnd(page, 'As it happened');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Still wri');
    await page.clock.runFor(40_000);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tuesday 10 March');
    await page.keyboard.type('ting.');
    await page.clock.runFor(2000);
    await expect(page.locator('.day[data-day="2026-03-09"]')).toContainText('Still writing.');
    await expect(page.locator('.day[data-day="2026-03-10"]')).not.toContainText('Still');
    await context.close();
  },
);
