import { expect, into, test } from './support/lines';
import { picker } from './support/margin';
import { saved } from './support/test';

// What can be linked is held by the window; until it is there, the server is asked.

test('L13 names that come while a link is being written are offered', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Plan: 'First.\n', 'Sluice gate': '---\naliases: [Seaward door]\n---\nElm.\n' });
  for (const isLost of [false, true]) {
    let come = () => {};
    const coming = new Promise<void>((resolve) => (come = resolve));
    let isLate = true;
    await page.route('**/api/pickables*', async (route) => {
      if (isLate && isLost) return route.abort();
      if (isLate) await coming;
      return route.continue();
    });
    await page.reload();
    await into(page, 'First');
    await page.keyboard.type(' [[seaw');
    const first = picker(page).getByRole('option').first();
    await expect(first).toContainText('Sluice gate');
    isLate = false;
    come();
    await expect(first).toContainText('also called Seaward door');
    await page.keyboard.press('Escape');
    await saved(page);
    await page.unroute('**/api/pickables*');
  }
});

test('L13 the offer one has gone to stays the one when names come', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Plan: 'First.\n', 'Seaward door': 'Elm.\n', 'Seaward path': 'Mud.\n' });
  let come = () => {};
  const coming = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/api/pickables*', async (route) => {
    await coming;
    return route.continue();
  });
  // The server may have them in another order.
  await page.route('**/api/names?*', async (route) => {
    const answer = await route.fetch();
    const named = (await answer.json()) as { title: string }[];
    return route.fulfill({ response: answer, json: named.sort((one, other) => (one.title < other.title ? -1 : 1)) });
  });
  await page.reload();
  await into(page, 'First');
  await page.keyboard.type(' [[seaward');
  const offers = picker(page).getByRole('option', { name: /^Seaward/u });
  await expect(offers).toHaveCount(2);
  await page.keyboard.press('ArrowDown');
  const chosen = picker(page).getByRole('option', { selected: true });
  await expect(offers.nth(1)).toHaveAttribute('aria-selected', 'true');
  const [words, before] = [await chosen.textContent(), await offers.allTextContents()];
  come();
  await expect.poll(() => offers.allTextContents()).not.toEqual(before);
  await expect(chosen).toHaveText(words!);
});
