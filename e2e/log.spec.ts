import type { Locator, Page } from '@playwright/test';
import { Hands } from './support/handwork';
import { expect, insert, into, saved, test, textOf } from './support/lines';
import { glossesIn, marginOf, secondWindow, showTools } from './support/margin';
import { openPage } from './support/test';

/** What the journal and other pages said of a page, by date. */

const said = [
  { path: 'Journal/2026-03-09.md', text: '09:10 The [[Sluice gate]] knocked.\n' },
  { path: 'Journal/2026-03-21.md', text: '- Chalked the [[Sluice gate]]\n  - at each board\n' },
  { path: 'Journal/2026-05-02.md', text: '- [ ] Plumb the frame of the [[Sluice gate]]\n' },
];
const kept = {
  'Sluice gate': '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n',
  'On the quay':
    '---\nkinds: [meeting]\nfields:\n  Held on: 2026-04-05\n  For the project: "[[Sluice gate]]"\n---\nHe will build it up.\n',
};

test('J6 the Margin as a log: by month, in either order, each line with what stands beneath it, ticked where it stands', async ({
  pages,
}) => {
  const page = await pages(kept, said);
  const margin = await marginOf(page);
  const tools = await showTools(page);
  await tools.getByRole('button', { name: 'As a log' }).click();
  await tools.getByRole('button', { name: 'The oldest' }).click();
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  const months = margin.locator('.margin-group > [aria-expanded]');
  await expect(months).toHaveText([/^March 2026/u, /^April 2026/u, /^May 2026/u]);
  await expect(glossesIn(margin)).toHaveText([/knocked/u, /Chalked.*at each board/su, /For the project/u, /Plumb/u]);
  // A meeting is of the day on which it was held.
  await expect(glossesIn(margin).nth(2)).toContainText('On the quay');
  await expect(glossesIn(margin).nth(2)).toContainText('5 Apr');
  await glossesIn(margin).last().getByRole('checkbox').click();
  const other = await secondWindow(page);
  const there = await marginOf(other);
  await expect(glossesIn(there).last().getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
  await expect(glossesIn(there).first()).toContainText('knocked');
  await page.reload();
  await expect(glossesIn(await marginOf(page)).first()).toContainText('knocked');
});

const logOn = (page: Page): Locator => page.getByRole('region', { name: /^Log/u });
const entries = (log: Locator): Locator => log.locator('.log-said');
const monthsOf = (log: Locator): Locator => log.locator('.log-month > [aria-expanded]');

test('J6 a log stands on a page and keeps up: in either order, filtered, edited and ticked in place, in every window', async ({
  pages,
}) => {
  const page = await pages(kept, said);
  await into(page, 'The lower leaf');
  await page.keyboard.press('Enter');
  await insert(page, 'log', 'Log of this page');
  await expect(monthsOf(logOn(page))).toHaveText([/^May 2026/u, /^April 2026/u, /^March 2026/u]);
  await logOn(page).getByRole('button', { name: 'Change', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Log' });
  await sheet.getByRole('radio', { name: 'The oldest first' }).click();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(entries(logOn(page))).toHaveText([/knocked/u, /Chalked.*at each board/su, /For the project/u, /Plumb/u]);
  await expect(logOn(page).locator('.log-day').first()).toHaveText('9 Mon');
  await saved(page);
  // Another window has it, and what is done in one is done in both.
  const other = await secondWindow(page);
  const there = logOn(other);
  await expect(entries(there).last()).toContainText('Plumb the frame');
  await entries(logOn(page)).last().getByRole('checkbox').click();
  await expect(entries(there).nth(3).getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
  // Of a project it tells too what was done, on the day it was.
  await expect(entries(there)).toHaveCount(5);
  await expect(entries(there).last()).toContainText(/^Done on .*Plumb the frame/u);
  const knocked = entries(logOn(page)).first();
  await knocked.locator('.gloss-origin').hover();
  await knocked.getByRole('button', { name: /^Edit this line/u }).click();
  await expect(knocked.getByRole('textbox')).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type(' Twice.');
  await page.keyboard.press('Enter');
  await expect(entries(there).first()).toContainText('knocked. Twice.');
  await page.reload();
  await expect(entries(logOn(page)).first()).toContainText('knocked. Twice.');
  // A new line elsewhere comes to stand in it by itself.
  await openPage(other, 'On the quay');
  await into(other, 'He will build');
  await other.keyboard.press('Enter');
  await other.keyboard.type('Ask what the [[Sluice ga');
  await other.getByRole('listbox', { name: 'What to link to' }).getByRole('option').first().waitFor();
  await other.keyboard.press('Enter');
  await other.keyboard.type(' weighs');
  await saved(other);
  await expect(entries(logOn(page)).filter({ hasText: 'weighs' })).toBeVisible();
  // From meetings alone, since a day.
  await logOn(page).getByRole('button', { name: 'Change', exact: true }).click();
  await sheet.getByRole('radio', { name: 'Kind: meeting' }).click();
  await sheet.getByRole('combobox').fill('4 April 2026');
  await expect(sheet.getByRole('option').first()).toContainText('Since');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await expect(entries(logOn(page))).toHaveText([/For the project/u, /weighs/u]);
  await expect(logOn(page)).toContainText(/from pages of the kind meeting, since .*4 April/u);
});

test('J6 what was said about a project this month is one action away, in order', async ({ pages }) => {
  const now = new Date();
  const on = (day: number) =>
    `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  const page = await pages(kept, [
    ...said,
    { path: `Journal/${on(1)}.md`, text: 'Measured the [[Sluice gate]] again\n' },
    { path: `Journal/${on(2)}.md`, text: 'The [[Sluice gate]] is 40 mm short\n' },
  ]);
  const hands = new Hands(page);
  await hands.tap(page.getByRole('button', { name: 'Log of what was said of this page' }));
  const sheet = page.getByRole('dialog', { name: 'Log of Sluice gate' });
  await expect(entries(sheet)).toHaveText([/Measured the/u, /40 mm short/u]);
  hands.atMost('what was said about a project this month, in order', 1);
  await sheet.getByRole('radio', { name: 'Any time' }).click();
  await expect(entries(sheet)).toHaveCount(6);
  await expect(entries(sheet).first()).toContainText('knocked');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await expect(textOf(page)).toBeVisible();
});
