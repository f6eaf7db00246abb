import { localDay } from '@glossarion/core/journal';
import { Hands } from './support/handwork';
import { expect, into, line, test } from './support/lines';
import { glossesIn, marginOf } from './support/margin';
import { isPhone, openPage, openToday, saved, textOf } from './support/test';

/** Meetings and calls, begun from a line of a day. */

const day = (words: string) => ({ path: `Journal/${localDay(new Date())}.md`, text: words });
const kept = {
  'Sluice gate': '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n',
  'Callum Frayne': '---\nkinds: [person]\n---\nSmith.\n',
  'Tomas Wren': '---\nkinds: [person]\n---\nMillwright.\n',
  'On the quay':
    '---\nkinds: [meeting]\nfields:\n  Held on: 2026-03-09\n  Attended by: "[[Callum Frayne]]"\n---\n- [ ] Send him the figures\n- [x] Lend the gauge\n',
};

test('J5 a meeting from a line of today: filled in, made in three actions, and found on the project and each person', async ({
  pages,
}) => {
  const page = await pages(kept, [
    day('16:10 Rang [[Callum Frayne]] and [[Tomas Wren]] about the [[Sluice gate]]. He wants the bore first.\n'),
  ]);
  await openToday(page);
  await into(page, '16:10');
  const hands = new Hands(page);
  const sheet = page.getByRole('dialog', { name: 'A meeting or call' });
  if (isPhone(page)) {
    await hands.tap(page.getByRole('toolbar', { name: 'Writing' }).getByRole('button', { name: 'A meeting or call' }));
  } else {
    await hands.press('Escape');
    await hands.press('q');
  }
  await expect(sheet.getByRole('textbox', { name: 'What it was about' })).toHaveValue(
    'Rang Callum Frayne and Tomas Wren about the Sluice gate',
  );
  await expect(sheet).toContainText('Callum Frayne, Tomas Wren');
  await expect(sheet.getByRole('textbox', { name: /^At/u })).toHaveValue('16:10');
  // When one last met any of them, and what of then is open: it can be ticked here.
  await expect(sheet).toContainText('You last met Callum Frayne on 9 Mar');
  const figures = sheet.getByRole('checkbox', { name: 'To-do: Send him the figures' });
  await expect(figures).toBeVisible();
  await expect(sheet.getByText('Lend the gauge')).toHaveCount(0);
  if (isPhone(page)) await hands.tap(sheet.getByRole('button', { name: 'Make the page' }));
  else await hands.press('Enter');
  hands.atMost('meeting page from a journal line, tied to project and 2 people', 3);

  const fields = page.getByRole('group', { name: 'What this page is' });
  await expect(fields).toContainText('meeting');
  for (const name of ['Callum Frayne', 'Tomas Wren', 'Sluice gate']) {
    await expect(fields.getByRole('link', { name })).toBeVisible();
  }
  await expect(fields.getByRole('textbox', { name: 'At' })).toHaveText('16:10');
  await into(page, '');
  await page.keyboard.type('[] Measure at three heights');
  await saved(page);

  // On each of them it stands by what the field is called, and what is to be done waits there too.
  await openPage(page, 'Tomas Wren');
  await expect(page.getByText('1 elsewhere')).toBeVisible();
  const margin = await marginOf(page);
  await expect(glossesIn(margin).filter({ hasText: 'Attended by' })).toHaveCount(1);
  await openToday(page);
  await expect(line(page, '16:10').getByRole('link', { name: 'meeting' })).toBeVisible();
  // It is one deed, and is taken back as one.
  await page.reload();
  await expect(textOf(page)).toBeVisible();
  await line(page, '16:10').getByRole('link', { name: 'meeting' }).click();
  await expect(fields).toContainText('For the project');
});

test(
  'J5 a meeting is taken back as one: its page goes, and its line is as it was',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(kept, [day('Site visit: the sill is rotten\n')]);
    await openToday(page);
    await into(page, 'Site visit');
    await page.keyboard.press('Escape');
    await page.keyboard.press('q');
    const sheet = page.getByRole('dialog', { name: 'A meeting or call' });
    await expect(sheet.getByRole('textbox', { name: 'What it was about' })).toHaveValue('Site visit');
    await expect(sheet).toContainText('nobody named');
    // Who was there is added by letters.
    await sheet.getByRole('button', { name: /^With/u }).click();
    await page.keyboard.type('callum');
    await expect(page.getByRole('option', { name: /^Callum Frayne/u })).toHaveAttribute('aria-selected', 'true');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await expect(sheet.getByRole('button', { name: /^With: Callum Frayne/u })).toBeVisible();
    await sheet.getByRole('button', { name: 'Make the page' }).click();
    await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Site visit');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByText('Taken back')).toBeVisible();
    await openToday(page);
    await expect(line(page, 'Site visit').getByRole('link')).toHaveCount(0);
  },
);
