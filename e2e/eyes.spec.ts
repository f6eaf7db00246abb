import type { Locator } from '@playwright/test';
import { missedTargets } from './support/targets';
import { line as entry } from './support/outline';
import { clickEnd, expect, isPhone, openPage, test, textOf } from './support/test';

const PLACES = [
  '/today',
  '/desk',
  '/tasks',
  '/tray',
  '/notebooks',
  '/kinds',
  '/tags',
  '/replace?find=gate',
  '/in-and-out',
  '/review/2026-03',
  '/find?q=gate',
  '/settings',
];

// A finger is as large on every screen.
test(
  'S4 what is tapped is 44 px large, and nothing that is tapped lies over something else',
  { tag: '@phone' },
  async ({ mill }) => {
    const origin = new URL(mill.url()).origin;
    for (const place of [...PLACES, '/bin']) {
      await mill.goto(origin + place, { waitUntil: 'networkidle' });
      expect(await missedTargets(mill), place).toEqual([]);
    }
    await mill.goto(`${origin}/notebooks`);
    await mill
      .locator('main')
      .getByRole('link', { name: /Saltmere/u })
      .click();
    await expect(entry(mill, 'Stop logs')).toBeVisible();
    expect(await missedTargets(mill), 'an open notebook').toEqual([]);
    await openPage(mill, 'Sluice gate no. 2');
    await expect(textOf(mill).getByRole('checkbox')).toHaveCount(2);
    const margin = mill.getByRole('button', { name: /^Margin/u });
    await expect(margin).toBeVisible();
    expect(await missedTargets(mill), 'a page').toEqual([]);
    await margin.click();
    await expect(mill.getByRole('group', { name: 'Lines that point here' })).toBeVisible();
    expect(await missedTargets(mill), 'its Margin').toEqual([]);
  },
);

// A wide screen at 200 % is a tablet.
test('S4 at 200 %, as narrow as a phone, nothing is cut off at the side', { tag: '@phone' }, async ({ mill }) => {
  const { width, height } = mill.viewportSize()!;
  await mill.setViewportSize({ width: width / 2, height: height / 2 });
  const origin = new URL(mill.url()).origin;
  const cutOff = () =>
    mill.evaluate(() =>
      [...document.querySelectorAll('main, main *, nav *, [role=region] *')]
        .filter((element) => {
          const { left, right, width: across, height: down } = element.getBoundingClientRect();
          const scrolls = element.closest('pre, .table-scroll, [data-scrolls], .toolbar, .week');
          return across > 1 && down > 1 && !scrolls && (right > innerWidth + 1 || left < -1);
        })
        .map((element) => `${element.tagName} ${element.className} ${element.textContent?.slice(0, 30)}`),
    );
  for (const place of PLACES) {
    await mill.goto(origin + place, { waitUntil: 'networkidle' });
    expect(await cutOff(), place).toEqual([]);
  }
  await openPage(mill, 'Sluice gate no. 2');
  await expect(textOf(mill)).toContainText('The lower leaf has dropped');
  expect(await cutOff(), 'a page').toEqual([]);
});

test(
  'S4 nothing moves where that is not wanted; where the system chooses the colours, where one is still shows',
  { tag: '@once' },
  async ({ mill }) => {
    await openPage(mill, 'Stop logs');
    const longest = () =>
      mill.evaluate(() => {
        const times = [...document.querySelectorAll('*')].flatMap((element) => {
          const { animationDuration, transitionDuration } = getComputedStyle(element);
          return `${animationDuration},${transitionDuration}`.split(',').map((each) => parseFloat(each));
        });
        return Math.max(...times);
      });
    await mill.emulateMedia({ reducedMotion: 'no-preference' });
    expect(await longest()).toBeGreaterThan(0.04);
    await mill.emulateMedia({ reducedMotion: 'reduce' });
    expect(await longest()).toBeLessThan(0.01);
    const here = mill.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Notebooks' });
    const below = () => here.evaluate((link) => getComputedStyle(link).borderBottomWidth);
    expect(await below()).not.toBe('2px');
    await mill.emulateMedia({ forcedColors: 'active' });
    expect(await below()).toBe('2px');
  },
);

test(
  'S4 the evening comes while one writes: the theme turns, and nothing else does',
  { tag: '@once' },
  async ({ mill }) => {
    const ground = () => mill.evaluate(() => getComputedStyle(document.body).backgroundColor);
    await mill.emulateMedia({ colorScheme: 'light' });
    await openPage(mill, 'Stop logs');
    await clickEnd(mill, 'Eleven logs');
    await mill.keyboard.type(' Tarred');
    const [address, light] = [mill.url(), await ground()];
    await mill.emulateMedia({ colorScheme: 'dark' });
    await expect.poll(ground).not.toBe(light);
    // The cursor is where it was, and what was done before can be taken back.
    await mill.keyboard.type(' twice.');
    await expect(textOf(mill)).toContainText('Sluice gate no. 2. Tarred twice.');
    expect(mill.url()).toBe(address);
    // A pause between two keys begins a step of its own.
    await expect(async () => {
      await mill.keyboard.press('Control+z');
      await expect(textOf(mill)).not.toContainText('Tarred', { timeout: 1_000 });
    }).toPass();
    await expect(textOf(mill)).toContainText('Sluice gate no. 2.');

    await mill.goto(new URL('/settings', address).href);
    await mill.getByLabel('Present passphrase').fill('tide and');
    const label = mill.getByText('Present passphrase', { exact: true }).first();
    const inDark = await label.evaluate((element) => getComputedStyle(element).color);
    await mill.getByRole('radio', { name: 'Light', exact: true }).click();
    await expect.poll(ground).toBe(light);
    await expect(mill.getByRole('radio', { name: 'Light', exact: true })).toBeChecked();
    await expect(mill.getByLabel('Present passphrase')).toHaveValue('tide and');
    // Parts whose colours are computed turn as well.
    await expect.poll(() => label.evaluate((element) => getComputedStyle(element).color)).not.toBe(inDark);
  },
);

test('S4 a notice stands above what is at the foot of the screen, whatever that is', async ({ mill }) => {
  const notice = mill.getByRole('status').filter({ has: mill.getByRole('button', { name: 'Undo' }) });
  /** What could not be tapped, since something else lies over it. */
  const covered = (within: Locator) =>
    within.evaluate((element) =>
      [element, ...element.querySelectorAll('button, [role=button], input')]
        .filter((each) => each.matches('button, [role=button], input'))
        .filter((each) => {
          const { left, top, width, height } = each.getBoundingClientRect();
          const hit = document.elementFromPoint(left + width / 2, top + height / 2);
          return hit !== null && !each.contains(hit);
        })
        .map((each) => each.textContent),
    );
  const main = mill.locator('main');
  await openPage(mill, 'Stop logs');
  await main.focus();
  await mill.keyboard.press('a');
  await expect(notice).toBeVisible();
  if (isPhone(mill)) {
    const margin = mill.getByRole('button', { name: /^Margin/u });
    await expect.poll(() => covered(margin)).toEqual([]);
    await margin.click();
    await expect.poll(() => covered(mill.getByRole('complementary', { name: 'Margin' }))).toEqual([]);
    await mill.keyboard.press('Escape');
  }
  await main.focus();
  await mill.keyboard.press('r');
  const search = mill.locator('.search-panel');
  await expect(search).toBeVisible();
  await expect(notice).toBeVisible();
  await expect.poll(() => covered(search)).toEqual([]);
  await mill.keyboard.press('Escape');
  await main.focus();
  await mill.keyboard.press('Shift');
  await mill.keyboard.press('Shift');
  await expect.poll(() => covered(mill.getByRole('toolbar', { name: 'Keys' }))).toEqual([]);
  await mill.keyboard.press('Escape');
  await expect(notice.getByRole('button', { name: 'Undo' })).toBeInViewport();

  await mill.goto(new URL('/notebooks', mill.url()).href);
  await main.getByRole('link', { name: /Saltmere/u }).click();
  const bar = mill.getByRole('toolbar', { name: 'Chosen entries' });
  const choose = async (name: string) => {
    await mill.getByRole('button', { name: 'Choose', exact: true }).click();
    await entry(mill, name).click();
  };
  await choose('Budget');
  await bar.getByRole('button', { name: 'Delete' }).click();
  await expect(notice).toBeVisible();
  // With nothing there any more it comes down again.
  const foot = async () => {
    const { y, height } = (await notice.boundingBox())!;
    return mill.viewportSize()!.height - y - height;
  };
  await expect.poll(foot).toBeLessThan(90);
  await choose('Sluice gate no. 2');
  await expect(notice).toBeVisible();
  await expect.poll(() => covered(bar)).toEqual([]);
});
