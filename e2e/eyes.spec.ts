import { missedTargets } from './support/targets';
import { line as entry } from './support/outline';
import { expect, isPhone, openPage, test, textOf } from './support/test';

test('S4 what is tapped is 44 px large, and nothing that is tapped lies over something else', async ({ mill }) => {
  test.skip(!isPhone(mill), 'a finger is as large on every screen');
  const origin = new URL(mill.url()).origin;
  for (const place of ['/today', '/desk', '/notebooks', '/find?q=gate', '/settings', '/bin']) {
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
});

test('S4 at 200 %, as narrow as a phone, nothing is cut off at the side', async ({ mill }) => {
  test.skip(!isPhone(mill), 'a wide screen at 200 % is a tablet');
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
  for (const place of ['/today', '/desk', '/notebooks', '/find?q=gate', '/settings']) {
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
