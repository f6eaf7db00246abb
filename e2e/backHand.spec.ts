import type { Page } from '@playwright/test';
import { noted } from './support/lines';
import { touchDrag } from './support/outline';
import { begin, expect, openPage, saved, test, textOf } from './support/test';

/** Back: to the exact spot, and what lies on top closes first. */

const title = (page: Page) => page.getByRole('textbox', { name: 'Title', exact: true });
const scrolled = (page: Page) => page.evaluate(() => Math.round(document.getElementById('main')!.scrollTop));
const long = Array.from({ length: 80 }, (_each, index) => `Line ${index} of the long page.\n`).join('\n');
const pointing = Object.fromEntries(
  Array.from({ length: 14 }, (_each, index) => [`Reading ${index}`, `What [[Gate]] says, the ${index}th time.\n`]),
);

test.beforeEach(async ({ context, page, server, signIn }) => {
  await signIn(context, server.url, noted({ Gate: `${long}\nSee [[Pintle]].\n`, Pintle: 'Iron.\n', ...pointing }));
  await begin(page, server);
});

test('L6 W10 Back returns to the exact spot from a new page and after reload, step by step without waiting', async ({
  page,
}) => {
  await openPage(page, 'Gate');
  await expect(textOf(page)).toContainText('Line 79');
  // Letters that come later move what is seen by a little.
  await page.evaluate(() => document.fonts.ready);
  await page.evaluate(() => (document.getElementById('main')!.scrollTop = 900));
  await expect.poll(() => scrolled(page)).toBe(900);
  await page.locator('main').focus();
  const places = page.getByRole('navigation', { name: 'Places' });
  await places.evaluate((drawn) => drawn.setAttribute('data-drawn', 'first'));
  await page.keyboard.press('n');
  await page.keyboard.type('Hasp');
  await expect(title(page)).toHaveText('Hasp');
  await saved(page);
  await page.goBack();
  await expect(title(page)).toHaveText('Gate');
  // What stands around is not drawn anew.
  await expect(places).toHaveAttribute('data-drawn', 'first');
  await expect.poll(() => scrolled(page)).toBe(900);
  // What is told of the page, its trail among it, comes after its text.
  await page.route(/\/api\/pages\//u, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_200));
    await route.continue();
  });
  await page.reload();
  await expect(textOf(page)).toContainText('Line 79');
  await expect(page.getByRole('navigation', { name: 'Trail' }).getByRole('link').first()).toBeVisible();
  await page.unrouteAll({ behavior: 'wait' });
  await expect.poll(() => scrolled(page)).toBe(900);
  await expect(title(page)).not.toBeFocused();
  for (let times = 0; times < 3; times += 1) {
    await page.keyboard.press('.');
    await expect(title(page)).toHaveText('Hasp');
    await page.keyboard.press(',');
    await expect(title(page)).toHaveText('Gate');
  }
});

test('W10 Back closes what lies on top first, sheet by sheet, and keeps what stands ahead', async ({ page }) => {
  await openPage(page, 'Gate');
  const address = page.url();
  await page.locator('main').focus();
  await page.keyboard.press('i');
  await expect(page).toHaveURL(/\/n\//u);
  await expect(page.getByRole('treeitem').first()).toBeVisible();
  await page.goBack();
  await expect(title(page)).toHaveText('Gate');
  // The first place that this window showed: nothing stands behind it.
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Other names…' }).click();
  await expect(page.getByRole('dialog', { name: /name/iu })).toBeVisible();
  await page.goForward();
  await expect(page).toHaveURL(/\/n\//u);
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.getByRole('button', { name: 'New section', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  const here = page.url();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // The step back is taken back, which takes a moment.
  await expect(page).toHaveURL(here);
  await expect(page.getByRole('treeitem').first()).toBeVisible();
  await page.goBack();
  await expect(title(page)).toHaveText('Gate');
  expect(page.url()).toBe(address);
});

test('W10 Back closes a sheet over the very first place, and nothing else', async ({ page }) => {
  const id = await openPage(page, 'Gate');
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(title(page)).toHaveText('Gate');
  expect(page.url()).toContain(id);
});

// Where there is room the Margin stands beside the text.
test(
  'L6 W10 from the Margin, Back returns to the sheet as it was; a swipe down puts sheets away',
  { tag: '@phone' },
  async ({ page }) => {
    await openPage(page, 'Gate');
    const sheet = page.getByRole('complementary', { name: 'Margin' });
    await sheet.getByRole('button', { name: /Margin/u }).click();
    const list = page.locator('.margin-list');
    await expect(list.locator('.gloss')).toHaveCount(14);
    await list.evaluate((element) => (element.scrollTop = 260));
    await expect.poll(() => list.evaluate((element) => element.scrollTop)).toBe(260);
    await list
      .locator('.gloss')
      .nth(5)
      .getByRole('link', { name: /Reading/u })
      .first()
      .click();
    await expect(title(page)).toHaveText(/Reading/u);
    await page.goBack();
    await expect(title(page)).toHaveText('Gate');
    await expect(list.locator('.gloss').first()).toBeAttached();
    await expect.poll(() => list.evaluate((element) => element.scrollTop)).toBe(260);
    await page.goBack();
    await expect(list).toHaveCount(0);
    await expect(title(page)).toHaveText('Gate');

    await sheet.getByRole('button', { name: /Margin/u }).click();
    await expect(list).toBeVisible();
    await touchDrag(page, page.locator('.margin-grab'), 160);
    await expect(list).toHaveCount(0);
    await page.getByRole('button', { name: 'Page', exact: true }).click();
    const dialog = page.getByRole('dialog');
    await touchDrag(page, dialog.getByRole('heading'), 200);
    await expect(dialog).toHaveCount(0);
  },
);
