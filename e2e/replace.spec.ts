import { into, test, textOf } from './support/lines';
import { expect, idOf, saved } from './support/test';

const NOTES = {
  Gate: 'The **gudgeon** of the [[Weir]] is worn.\n\n- [ ] Grease the gudgeon\n',
  Weir: 'No gudgeon here.\n',
  Smithy: 'Callum forges a gudgeon in May.\n',
};

test('F9 words are replaced on many pages: seen before, some left out, told to other windows, taken back as one', async ({
  pages,
  context,
}) => {
  const page = await pages(NOTES);
  const weir = await context.newPage();
  await weir.goto(new URL(`/p/${await idOf(page, 'Weir')}`, page.url()).href);
  await expect(textOf(weir)).toContainText('No gudgeon here.');
  await page.goto(new URL('/find', page.url()).href);
  await page.getByRole('combobox', { name: 'Find', exact: true }).fill('gudgeon');
  await page.getByRole('link', { name: 'Replace…' }).click();
  const lines = page.getByRole('checkbox');
  await expect(lines).toHaveCount(4);
  await page.getByRole('textbox', { name: 'In their place' }).fill('pintle');
  const button = page.getByRole('button', { name: /^Replace in/u });
  await expect(button).toHaveText('Replace in 4 lines on 3 pages');
  // What is compared otherwise has to be shown before it is done.
  await page.getByRole('button', { name: 'Capitals as typed' }).click();
  await expect(page.getByRole('button', { name: /^Replace/u })).toBeDisabled({ timeout: 300 });
  await expect(button).toBeEnabled();
  await page.getByRole('button', { name: 'Capitals as typed' }).click();
  await expect(page.getByRole('button', { name: /^Replace/u })).toBeDisabled();
  await expect(button).toBeEnabled();
  await page.getByRole('checkbox', { name: /^Callum forges/u }).click();
  await expect(button).toHaveText('Replace in 3 lines on 2 pages');
  // A line that is written on meanwhile is shown as it is now.
  await into(weir, 'No gudgeon here');
  await weir.keyboard.press('End');
  await weir.keyboard.type(' So far.');
  await saved(weir);
  await expect(page.getByRole('checkbox', { name: /^No gudgeon here\. So far/u })).toBeVisible();
  await button.click();
  await expect(page.getByText('3 lines replaced').first()).toBeVisible();
  await expect(textOf(weir)).toContainText('No pintle here. So far.');
  await page.reload();
  await expect(lines).toHaveCount(1);
  await page.goto(new URL(`/p/${await idOf(page, 'Gate')}`, page.url()).href);
  await expect(textOf(page).locator('strong')).toHaveText('pintle');
  await expect(textOf(page).locator('a.link')).toHaveText('Weir');
  await page.keyboard.press('z');
  await expect(textOf(page).locator('strong')).toHaveText('gudgeon');
  await expect(textOf(weir)).toContainText('No gudgeon here. So far.');

  // By an expression, within what a search finds.
  await page.goto(new URL('/find?q=has%3Atasks%20gudgeon', page.url()).href);
  await page.getByRole('link', { name: 'Replace…' }).click();
  await expect(lines).toHaveCount(2);
  await page.getByRole('button', { name: 'Regular expression' }).click();
  await page.getByRole('textbox', { name: 'Regular expression' }).fill('(gud');
  await expect(page.getByText('This is no regular expression').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Regular expression' }).fill('(gud)geon');
  await page.getByRole('textbox', { name: 'In their place' }).fill('$1 geon');
  await expect(lines.first()).toHaveAccessibleName(/gud geon/u);
});
