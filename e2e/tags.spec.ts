import type { Page } from '@playwright/test';
import { into, line, openPage, saved, test, textOf } from './support/lines';
import { expect, idOf } from './support/test';

/** Tags hold the id of a row: what they are called is said once. */

const tagged = (page: Page, name: string) =>
  textOf(page)
    .locator('.tag')
    .filter({ hasText: new RegExp(`^${name}$`, 'u') });

/** Calls a tag otherwise, as the page of a tag will. */
async function rename(page: Page, from: string, to: string): Promise<void> {
  const address = new URL('/api/tags', page.url()).href;
  const tags = (await (await page.request.get(address)).json()) as { id: string; path: string }[];
  const { id } = tags.find(({ path }) => path === from)!;
  const headers = { Origin: new URL(page.url()).origin };
  expect((await page.request.patch(`${address}/${id}`, { data: { path: to }, headers })).status()).toBe(204);
}

test('F6 a tag is typed, shown and found by its present name, in every window', async ({ pages, context }) => {
  const page = await pages({ Works: 'Flashing for the roof\n', Rota: 'Callum forges #Lead bands\n' });
  await into(page, 'Flashing');
  await page.keyboard.press('End');
  await page.keyboard.type(' #lead/flashing and #slate, for now');
  await saved(page);
  // What is stored names it as it was first written.
  await expect(tagged(page, 'Lead/flashing')).toBeVisible();
  await expect(line(page, 'Flashing')).toContainText('and slate, for now');
  await page.keyboard.type(' and then');
  const rota = await context.newPage();
  await rota.goto(new URL(`/p/${await idOf(page, 'Rota')}`, page.url()).href);
  await expect(tagged(rota, 'Lead')).toBeVisible();

  await rename(page, 'Lead', 'leadwork');
  await expect(tagged(page, 'leadwork/flashing')).toBeVisible();
  await expect(tagged(rota, 'leadwork')).toBeVisible();
  await rota.reload();
  await expect(tagged(rota, 'leadwork')).toBeVisible();
  await into(rota, 'Callum');
  await rota.keyboard.press('End');
  await rota.keyboard.type(' #lead again');
  await saved(rota);
  await expect(tagged(rota, 'lead')).toBeVisible();
  await expect(tagged(rota, 'leadwork')).toBeVisible();

  await page.goto(new URL('/find?q=leadwork%20flashing', page.url()).href);
  await expect(page.getByRole('main').getByText('Flashing for the roof')).toBeVisible();
  await openPage(page, 'Works');
  await expect(line(page, 'Flashing')).toContainText('leadwork/flashing and slate, for now and then');
});

test(
  'F6 a tag typed without network becomes the one of its name once it is sent, and undo takes it back',
  { tag: '@once' },
  async ({ pages, context }) => {
    const page = await pages({ Works: 'Bands\n', Rota: 'Forged #iron\n' });
    await into(page, 'Bands');
    await page.keyboard.press('End');
    await context.setOffline(true);
    await page.keyboard.type(' #Iron and #brass ones');
    await expect(tagged(page, 'Iron')).toBeVisible();
    await context.setOffline(false);
    await saved(page);
    await expect(tagged(page, 'iron')).toBeVisible();
    const tags = (await (await page.request.get(new URL('/api/tags', page.url()).href)).json()) as { path: string }[];
    expect(tags.map(({ path }) => path)).toEqual(['brass', 'iron']);
    for (let time = 0; time < 4 && (await tagged(page, 'brass').count()) > 0; time += 1)
      await page.keyboard.press('Control+z');
    await expect(tagged(page, 'brass')).toHaveCount(0);
    await page.keyboard.press('Control+y');
    await expect(textOf(page)).toContainText('brass');
    await saved(page);
  },
);

test(
  'F6 a tag whose name can’t be fetched is asked for now and then, not all the time',
  { tag: '@once' },
  async ({ pages, context }) => {
    const page = await pages({ Works: 'Bands\n' });
    const other = await context.newPage();
    let asked = 0;
    await other.route('**/api/targets*', (route) => {
      asked += 1;
      return route.abort();
    });
    await other.goto(page.url());
    await expect(textOf(other)).toContainText('Bands');
    await into(page, 'Bands');
    await page.keyboard.press('End');
    await page.keyboard.type(' #brass ones');
    await saved(page);
    await expect.poll(() => asked).toBeGreaterThan(0);
    await into(other, 'Bands');
    await other.keyboard.type('Iron, that is, ', { delay: 60 });
    expect(asked).toBeLessThan(6);
    await other.unroute('**/api/targets*');
    await expect(tagged(other, 'brass')).toBeVisible();
  },
);
