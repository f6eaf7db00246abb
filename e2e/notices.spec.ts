import type { Page } from '@playwright/test';
import { into, line, test } from './support/lines';
import { expect, idOf, saved, textOf } from './support/test';

/** What windows ask again for while something is written in another one: seen when wide, where each shows most. */

/** Counts what a window asks of the server from now on. */
function asked(page: Page): string[] {
  const addresses: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith('/api/')) addresses.push(`${request.method()} ${pathname}`);
  });
  return addresses;
}

async function windowAt(page: Page, address: string): Promise<Page> {
  const other = await page.context().newPage();
  await other.goto(new URL(address, page.url()).href, { waitUntil: 'networkidle' });
  return other;
}

/** Until a window asks for nothing any more: some is asked for once the screen is at rest. */
async function quiet(page: Page): Promise<void> {
  let last = Date.now();
  page.on('request', () => (last = Date.now()));
  await expect.poll(() => Date.now() - last).toBeGreaterThan(1_500);
}

test('while a linking line or a title is typed, a window that does not show it asks nothing', async ({ pages }) => {
  const elsewhere = [{ path: 'Water/Creek/Tides.md', text: 'Springs.\n' }];
  const page = await pages({ Plan: 'See [[Budget]] here.\n', Budget: 'Oak.\n' }, elsewhere);
  const windows = {
    'the page linked to': await windowAt(page, `/p/${await idOf(page, 'Budget')}`),
    'another page': await windowAt(page, `/p/${await idOf(page, 'Tides')}`),
    // Today names what was begun on it.
    'the day': await windowAt(page, '/day/2026-03-09'),
  };
  await Promise.all(Object.values(windows).map(quiet));
  const counts = Object.entries(windows).map(([name, window]) => ({ name, requests: asked(window) }));
  const tell = (what: string) =>
    console.log(
      `requests while ${what} is typed: ${counts.map(({ name, requests }) => `${name} ${requests.length}`).join(', ')}`,
    );
  await into(page, 'See ');
  await page.keyboard.type(' and what the oak for it comes to', { delay: 60 });
  await saved(page);
  await expect(windows['the page linked to'].getByText('what the oak for it comes to')).toBeVisible();
  await windows['the day'].waitForLoadState('networkidle');
  tell('a linking line');
  const ofLine = counts.map(({ requests }) => requests.splice(0).length);
  await page.getByRole('textbox', { name: 'Title', exact: true }).first().click();
  await page.keyboard.press('End');
  await page.keyboard.type(' of the lower gate', { delay: 60 });
  await saved(page);
  await expect(windows['the page linked to'].getByText('Plan of the lower gate').first()).toBeVisible();
  await windows['the day'].waitForLoadState('networkidle');
  tell('a title');
  expect(ofLine.slice(1)).toEqual([0, 0]);
  expect(counts.slice(1).map(({ requests }) => requests)).toEqual([[], []]);
  await expect(textOf(page)).toBeVisible();
  await expect(line(page, 'See ')).toBeVisible();
});
