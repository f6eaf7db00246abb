import { act } from './support/outline';
import { expect, test } from './support/test';

// A window is told of changes once the server is heard; it asks again for what changed before that.

test(
  'X8 what is changed elsewhere between the first answers and the first word of the server is shown too',
  { tag: '@once' },
  async ({ outline: page }) => {
    const notebooks = new URL('/notebooks', page.url()).href;
    let come = () => {};
    const coming = new Promise<void>((resolve) => (come = resolve));
    await page.routeWebSocket(/socket/u, async (window) => {
      await coming;
      window.connectToServer();
    });
    await page.goto(notebooks);
    const second = page.locator('main .spine').nth(1);
    await expect(second).toHaveText(/Field Craft/);

    const other = await page.context().newPage();
    await other.goto(notebooks);
    await act(other, other.locator('main .spine').nth(1), 'Name and look');
    await other.getByRole('textbox', { name: 'Name' }).fill('Craft of the field');
    await other.getByRole('button', { name: 'Keep changes' }).click();
    await expect(other.locator('main .spine').nth(1)).toHaveText(/Craft of the field/);

    await expect(second).toHaveText(/Field Craft/);
    come();
    await expect(second).toHaveText(/Craft of the field/);
  },
);
