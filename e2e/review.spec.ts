import { addDays, dayTitle, localDay, monthName } from '@glossarion/core/journal';
import { expect, into, test } from './support/lines';
import { openToday, saved, textOf } from './support/test';

/** Looking back on weeks, months and years. */

const today = localDay(new Date());
const kept = {
  'Sluice gate': '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n',
  'Callum Frayne': '---\nkinds: [person]\n---\nSmith.\n',
};

test('J8 a month is looked back on: its numbers, a bar taken hold of, what took the time, and the way behind each', async ({
  pages,
  context,
}) => {
  const page = await pages(kept, [
    {
      path: `Journal/${today}.md`,
      text: '09:10 [[Sluice gate]] knocked\n\n- [[Callum Frayne]] rang about the [[Sluice gate]]\n  - wants the bore first\n- [ ] Answer him\n',
    },
  ]);
  await openToday(page);
  await into(page, 'Answer him');
  await page.keyboard.press('End');
  await page.keyboard.type(' today and no later');
  await page.keyboard.press('ControlOrMeta+Enter');
  await saved(page);

  await page.goto(new URL('/desk', page.url()).href);
  await page.getByRole('main').getByRole('button', { name: 'Review', exact: true }).click();
  const month = monthName(Number(today.slice(5, 7)));
  await expect(page.getByRole('heading', { name: month, level: 1 })).toBeVisible();
  const figures = page.getByRole('main').getByRole('listitem');
  await expect(figures.filter({ hasText: 'days written' })).toContainText('1');
  await expect(figures.filter({ hasText: 'tasks done' })).toContainText('1');
  await expect(figures.filter({ hasText: /\dwords/u })).toContainText('4words');

  // By keys: the last of the bars, then back to today; each is read out with its value.
  const bars = page.getByRole('slider', { name: /^Words/u });
  await bars.focus();
  await page.keyboard.press('Home');
  for (let at = `${today.slice(0, 8)}01`; at < today; at = addDays(at, 1)) await page.keyboard.press('ArrowRight');
  await expect(bars).toHaveAttribute('aria-valuetext', `${dayTitle(today)}, 4 words`);
  const held = page.getByRole('main').getByRole('status');
  await expect(held).toContainText(`${dayTitle(today)}, 4 words`);
  await expect(held).toContainText('1 task done');

  // The same as a table, and another measure.
  await page.getByRole('button', { name: 'as a table' }).click();
  const row = page.getByRole('row').filter({ hasText: dayTitle(today) });
  await expect(row.getByRole('cell').first()).toHaveText('4');
  await page.getByRole('button', { name: 'as a table' }).click();
  await page.getByRole('radio', { name: 'Tasks done' }).click();
  await expect(page.getByRole('slider', { name: /^Tasks done/u })).toBeVisible();

  const took = page.getByRole('region', { name: 'What took the time' });
  await expect(took.getByRole('listitem')).toHaveText([/^Sluice gate/u, /^Callum Frayne/u]);
  await took.getByRole('button', { name: /^Sluice gate: 2 lines/u }).click();
  await expect(took.getByRole('link', { name: dayTitle(today).replace(/^\S+ /u, '') })).toBeVisible();

  // Another window sees what comes in meanwhile.
  const other = await context.newPage();
  await other.goto(new URL('/today', page.url()).href);
  await expect(textOf(other)).toBeVisible();
  await into(other, 'Answer him');
  await other.keyboard.press('End');
  await other.keyboard.press('Enter');
  await other.keyboard.press('Backspace');
  await other.keyboard.type('Then five words more here');
  await saved(other);
  await page.reload();
  await expect(
    page
      .getByRole('main')
      .getByRole('listitem')
      .filter({ hasText: /\dwords/u }),
  ).toContainText('9words');

  await page.getByRole('slider', { name: /^Words/u }).focus();
  await page.keyboard.press('End');
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await expect(page.getByRole('heading', { name: today.slice(0, 4), level: 1 })).toBeVisible();
  await page.getByRole('slider', { name: /^Words, by month/u }).focus();
  await page.keyboard.press('Home');
  for (let at = 1; at < Number(today.slice(5, 7)); at += 1) await page.keyboard.press('ArrowRight');
  await page.getByRole('link', { name: 'Look back on the month' }).click();
  await expect(page.getByRole('heading', { name: month, level: 1 })).toBeVisible();
  // Its own page, to write on.
  await page.getByRole('button', { name: /^Write about/u }).click();
  await expect(textOf(page)).toBeVisible();
});
