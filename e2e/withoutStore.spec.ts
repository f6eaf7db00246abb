import { clickEnd, expect, openPage, saved, test, textOf } from './support/test';

// Some browsers keep nothing for an address: their store refuses, fails, or never answers.

const WAYS = {
  'refuses to open': () => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('The operation is insecure.', 'SecurityError');
    };
    IDBFactory.prototype.deleteDatabase = IDBFactory.prototype.open;
  },
  'fails to open': () => {
    IDBFactory.prototype.open = () => {
      const request = new EventTarget();
      Object.assign(request, { error: new DOMException('Internal error opening backing store.', 'UnknownError') });
      setTimeout(() => request.dispatchEvent(new Event('error')));
      return request as IDBOpenDBRequest;
    };
  },
  'never answers': () => {
    IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest;
    IDBFactory.prototype.deleteDatabase = IDBFactory.prototype.open;
  },
};

for (const [way, block] of Object.entries(WAYS))
  test(`X8 a browser whose store ${way} shows pages and stores what is written`, { tag: '@once' }, async ({ mill }) => {
    await openPage(mill, 'Stop logs');
    const address = mill.url();
    const page = await mill.context().newPage();
    await page.addInitScript(block);
    await page.goto(address);
    await expect(textOf(page)).toContainText('Eleven logs', { timeout: 20_000 });
    await clickEnd(page, 'Eleven logs');
    await page.keyboard.type(' Number four is split.');
    await saved(page);
    await expect(textOf(mill)).toContainText('Number four is split.');
    // Other pages are shown, and the first again, after others were.
    await openPage(page, 'Budget');
    await expect(textOf(page)).toContainText('Oak for');
    await page.goto(address);
    await expect(textOf(page)).toContainText('Number four is split.', { timeout: 20_000 });
    await page.goto(new URL('/settings', address).href);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible({ timeout: 20_000 });
  });
