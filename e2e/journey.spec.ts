import { expect, isPhone, millNotes, openPage, openToday, saved, test, textOf, clickEnd } from './support/test';

/** The day's last empty line, under the heading As it happened. */
const happened = 'As it happened';

test('a line written today stands in the project’s Margin, is found by a word, and outlives the server', async ({
  context,
  page,
  ownServer,
  signIn,
}) => {
  await signIn(context, ownServer.url, millNotes);
  await page.goto(ownServer.url);
  await expect(page).toHaveURL(/\/today$/);
  await clickEnd(page, happened);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Callum rang about [[Slui');
  await expect(
    page.getByRole('option', { name: /Sluice gate no\. 2.*Saltmere Tide Mill \/ Waterworks/ }),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' and wants the quaternary figures');
  await saved(page);

  await textOf(page).locator('a.link', { hasText: 'Sluice gate no. 2' }).click();
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Sluice gate no. 2');
  if (isPhone(page)) await page.getByRole('button', { name: /^Margin/ }).click();
  const gloss = page.locator('.gloss', { hasText: 'quaternary figures' });
  await expect(gloss).toBeVisible();
  await expect(gloss.locator('.gloss-origin')).toContainText('Today');

  await ownServer.kill();
  await ownServer.start();

  await page.goto(`${ownServer.url}/find`);
  await page.getByRole('combobox', { name: 'Find' }).fill('quaternary');
  const finding = page.locator('.finding-line', { hasText: 'wants the quaternary figures' });
  await expect(finding.locator('.marked')).toHaveText('quaternary');
  await finding.click();
  await expect(textOf(page)).toContainText('Callum rang about Sluice gate no. 2 and wants the quaternary figures');
  await expect(page.locator('.landed')).toBeVisible();
});

test('the same journey with keys alone', { tag: '@once' }, async ({ mill }) => {
  await openToday(mill);
  await mill.keyboard.press('d');
  await mill.keyboard.press('t');
  await expect(textOf(mill)).toBeVisible();
  for (let presses = 0; presses < 40; presses += 1) {
    await mill.keyboard.press('Tab');
    if (await textOf(mill).evaluate((element) => element === document.activeElement)) break;
  }
  await mill.keyboard.press('Control+End');
  await mill.keyboard.type('Callum rang about [[Sluce gat');
  await expect(mill.getByRole('option', { name: /Sluice gate no\. 2/ })).toBeVisible();
  await mill.keyboard.press('Enter');
  await mill.keyboard.type(' by keys');
  await saved(mill);
  await mill.keyboard.press('Escape');
  await mill.keyboard.press('g');
  await mill.keyboard.type('sluice');
  await expect(mill.getByRole('option', { name: /Sluice gate/ })).toBeVisible();
  await mill.keyboard.press('Enter');
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Sluice gate no. 2');
  if (isPhone(mill)) {
    await mill.getByRole('button', { name: /^Margin/ }).focus();
    await mill.keyboard.press('Enter');
  }
  await expect(mill.locator('.gloss', { hasText: 'by keys' })).toBeVisible();
  await mill.keyboard.press('Escape');
  await mill.keyboard.press('f');
  await expect(mill.getByRole('combobox', { name: 'Find' })).toBeFocused();
  await mill.keyboard.type('rang by keys');
  await expect(mill.locator('.finding', { hasText: 'by keys' })).toBeVisible();
  await mill.keyboard.press('Enter');
  await expect(textOf(mill)).toContainText('by keys');
});

test(
  'Shift pressed twice opens the strip of keys from within the text, and Esc returns to the line',
  { tag: '@once' },
  async ({ mill }) => {
    await openToday(mill);
    await clickEnd(mill, happened);
    await mill.keyboard.press('Shift');
    await mill.keyboard.press('Shift');
    const strip = mill.getByRole('toolbar', { name: 'Keys' });
    await expect(strip).toBeVisible();
    await mill.keyboard.press('Escape');
    await expect(strip).toHaveCount(0);
    await expect(textOf(mill)).toBeFocused();
    await mill.keyboard.press('Shift');
    await mill.keyboard.press('Shift');
    await mill.keyboard.press('g');
    await expect(mill.getByRole('dialog', { name: 'Go to' })).toBeVisible();
  },
);

test('a page is made from within a sentence, and looks and reads as unwritten until it has text', async ({ mill }) => {
  await openPage(mill, 'Stop logs');
  await clickEnd(mill, 'Eleven logs');
  await mill.keyboard.type(' Sling them by [[Chain sling book');
  await mill.getByRole('option', { name: /New page “Chain sling book”.*beside/ }).click();
  await mill.keyboard.type(' first.');
  const link = textOf(mill).getByRole('link', { name: 'Chain sling book, not yet written' });
  await expect(link).toHaveAttribute('data-state', 'unwritten');
  await expect(textOf(mill)).toContainText('Sling them by Chain sling book first.');
  await saved(mill);

  await link.click();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Chain sling book');
  await expect(mill.getByRole('navigation', { name: 'Trail' })).toContainText('Waterworks');
  await textOf(mill).click();
  await mill.keyboard.type('Harbour office, ask for the blue one.');
  await saved(mill);
  await mill.goBack();
  await expect(textOf(mill).getByRole('link', { name: 'Chain sling book' })).toHaveAttribute('data-state', 'written');
});

test(
  'renaming a page changes every link to it, without an edit elsewhere',
  { tag: '@once' },
  async ({ mill, context }) => {
    const budget = await context.newPage();
    await budget.goto(mill.url());
    await openPage(budget, 'Budget');
    await openPage(mill, 'Sluice gate no. 2');
    const title = mill.getByRole('textbox', { name: 'Title', exact: true });
    await title.click();
    await mill.keyboard.press('End');
    await mill.keyboard.type(' (seaward)');
    await saved(mill);
    await expect(budget.locator('a.link')).toHaveText('Sluice gate no. 2 (seaward)');
    await openPage(mill, 'Stop logs');
    await expect(mill.locator('a.link')).toHaveText('Sluice gate no. 2 (seaward)');
  },
);

test('Back returns to the exact spot, and reload at any address shows the same place', async ({ mill }) => {
  const lines = Array.from({ length: 80 }, (_each, index) => `Reading ${index} of the staff.`);
  const files = [
    { path: 'Log/Long/Tide log.md', text: `${lines.join('\n\n')}\n\nSee [[Budget]].\n\n${lines.join('\n\n')}\n` },
  ];
  const origin = new URL(mill.url()).origin;
  await mill.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
  const id = await openPage(mill, 'Tide log');
  const link = textOf(mill).locator('a.link', { hasText: 'Budget' }).first();
  await link.scrollIntoViewIfNeeded();
  await mill.waitForTimeout(200);
  const before = await mill.evaluate(() => document.getElementById('main')!.scrollTop);
  expect(before).toBeGreaterThan(1000);
  await link.click();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Budget');
  await mill.goBack();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Tide log');
  await expect.poll(() => mill.evaluate(() => document.getElementById('main')!.scrollTop)).toBeCloseTo(before, -1);
  await mill.reload();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Tide log');
  await expect.poll(() => mill.evaluate(() => document.getElementById('main')!.scrollTop)).toBeCloseTo(before, -1);

  for (const address of ['/today', '/desk', '/notebooks', '/settings', '/find?q=oak', `/p/${id}`, '/day/2026-03-09']) {
    await mill.goto(`${origin}${address}`);
    const heading = mill.locator('main h1, main [role=heading][aria-level="1"]').first();
    await expect(heading).toBeAttached();
    const words = await heading.textContent();
    await mill.reload();
    await expect(heading).toHaveText(words!);
    await expect(mill).toHaveURL(`${origin}${address}`);
  }
});

test('a link to a block scrolls there and marks it for a moment', { tag: '@once' }, async ({ mill }) => {
  await openPage(mill, 'Sluice gate no. 2');
  const block = textOf(mill).locator('.block', { hasText: 'Draft the' });
  const id = (await block.getAttribute('id'))!.slice(2);
  await mill.goto(new URL(`/b/${id}`, mill.url()).href);
  await expect(mill.locator(`#b-${id}.landed`)).toBeVisible();
  await expect(mill.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Sluice gate no. 2');
});

test('the Margin sets each gloss beside the line it speaks to', async ({ mill }) => {
  await openPage(mill, 'Sluice gate no. 2');
  const line = textOf(mill).locator('.block', { hasText: 'Measure the gudgeon bore' });
  const id = (await line.getAttribute('id'))!.slice(2);
  await openPage(mill, 'Budget');
  await clickEnd(mill, 'Oak for');
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('Pay for the bore gauge hire, gudgeon bore, [[Sluice');
  await mill.keyboard.press('Enter');
  await saved(mill);
  await openPage(mill, 'Sluice gate no. 2');
  if (isPhone(mill)) {
    const count = mill.getByRole('button', { name: '1 in the Margin for this line' }).first();
    await count.click();
    await expect(mill.locator(`.margin-list [data-line="${id}"]`)).toContainText('Pay for the bore gauge');
  } else {
    const gloss = mill.locator(`.margin-gloss[data-line="${id}"]`);
    await expect(gloss).toContainText('Pay for the bore gauge');
    const top = (await line.boundingBox())!.y;
    await expect.poll(async () => (await gloss.boundingBox())!.y).toBeGreaterThanOrEqual(top - 2);
  }
});
