import { expect, into, line, test } from './support/lines';
import { glossesIn, marginOf, secondWindow, showTools } from './support/margin';
import { said } from './support/outline';
import { idOf, isPhone, openPage, saved, textOf } from './support/test';
import type { Locator, Page } from '@playwright/test';

const pointing = {
  'Sluice gate': 'The lower leaf has dropped.\n\nOak frame and elm boards.\n',
  Plan: '## Lifts\n\n- Neaps\n  - [ ] Lift the [[Sluice gate]] #urgent\n    - with two slings\n',
  Budget: 'Oak for the [[Sluice gate]] comes to £1,140.\n',
};

/** What points there from another notebook and from a day. */
const elsewhere = [
  { path: 'Craft/Scarf joints.md', text: 'The [[Sluice gate]] could take one.\n' },
  { path: 'Journal/2026-03-09.md', text: '09:10 The [[Sluice gate]] knocked.\n' },
];

test('L9 the Margin is grouped, filtered, folded and hidden, and remembers it', async ({ pages }) => {
  const page = await pages(pointing, elsewhere);
  const other = await secondWindow(page);
  const margin = await marginOf(page);
  await expect(margin).toContainText('4 linked');
  const tools = await showTools(page);
  await tools.getByRole('button', { name: /Journal/u }).click();
  await expect(margin).toContainText('1 of 4 linked');
  await expect(glossesIn(margin)).toHaveCount(1);
  await page.reload();
  await expect(await marginOf(page)).toContainText('1 of 4 linked');
  await (await showTools(page)).getByRole('button', { name: 'Show all' }).click();
  await expect(margin).toContainText(/(?<! of )4 linked/u);
  await (await showTools(page)).getByRole('button', { name: /urgent/u }).click();
  await expect(margin).toContainText('1 of 4 linked');
  await expect(glossesIn(margin)).toHaveCount(1);
  await expect(glossesIn(margin)).toContainText('Lift the Sluice gate');
  await tools.getByRole('button', { name: /urgent/u }).click();
  await tools.getByRole('button', { name: 'By page' }).click();
  await expect(margin.locator('.margin-group')).toHaveCount(4);
  await margin.locator('.margin-group').first().getByRole('button').first().click();
  await expect(glossesIn(margin)).toHaveCount(3);
  await tools.getByRole('button', { name: 'Beside its line' }).click();
  await tools.getByRole('button', { name: 'Folded' }).click();
  await expect(margin.locator('.gloss-words')).toHaveCount(0);
  // With what it can show put away there is room for all.
  const show = margin.getByRole('button', { name: 'Show', exact: true });
  await show.click();
  await expect(glossesIn(margin)).toHaveCount(4);
  await show.click();
  await tools.getByRole('button', { name: 'Hide on this page' }).click();
  await expect(margin).toHaveCount(0);
  await page.reload();
  await expect(textOf(page)).toBeVisible();
  await expect(margin).toHaveCount(0);
  await expect(other.getByRole('complementary', { name: 'Margin' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Show its Margin again' }).click();
  await expect(margin).toBeVisible();
});

test('L9 without what is laid aside, and since when', { tag: '@once' }, async ({ pages }) => {
  const page = await pages(pointing, elsewhere);
  const url = new URL('/api/acts', page.url());
  const acts = [{ do: 'season', id: await idOf(page, 'Budget'), season: 'aside' }];
  await page.request.post(url.href, { headers: { Origin: url.origin }, data: { acts } });
  await page.reload();
  const margin = await marginOf(page);
  await expect(glossesIn(margin)).toHaveCount(4);
  await (await showTools(page)).getByRole('button', { name: /Without what is laid aside/u }).click();
  await expect(margin).toContainText('3 of 4 linked');
  await (await showTools(page)).getByRole('button', { name: 'This week' }).click();
  await expect(margin).toContainText('2 of 4 linked');
});

test('L9 a gloss is ticked and edited where it is shown, and its page has it', async ({ pages }) => {
  const page = await pages(pointing);
  const other = await secondWindow(page);
  const margin = await marginOf(page);
  const task = glossesIn(margin).filter({ hasText: 'Lift the' });
  await task.getByRole('checkbox').click();
  await expect(task.getByRole('checkbox')).toBeChecked();
  const otherMargin = await marginOf(other);
  await expect(glossesIn(otherMargin).filter({ hasText: 'Lift the' }).getByRole('checkbox')).toBeChecked();
  const budget = glossesIn(margin).filter({ hasText: 'comes to' });
  await budget.locator('.gloss-origin').hover();
  await budget.getByRole('button', { name: /Edit this line/u }).click();
  const field = budget.getByRole('textbox');
  await expect(field).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type(' Paid, see [[Plan');
  await expect(page.getByRole('listbox', { name: 'What to link to' }).getByRole('option').first()).toContainText(
    'Plan',
  );
  await page.keyboard.press('Enter');
  await page.keyboard.type('.');
  await page.keyboard.press('Enter');
  await expect(budget).toContainText('comes to £1,140. Paid, see Plan.');
  await expect(glossesIn(otherMargin).filter({ hasText: 'comes to' })).toContainText('Paid, see Plan.');
  await page.reload();
  await expect(glossesIn(await marginOf(page)).filter({ hasText: 'comes to' })).toContainText('Paid, see Plan.');
  await openPage(page, 'Budget');
  await expect(line(page, 'Oak for')).toHaveText('Oak for the Sluice gate comes to £1,140. Paid, see Plan.');
  await openPage(page, 'Plan');
  await expect(textOf(page).locator('[data-state=done]').first()).toContainText('Lift the');
});

/** A gloss whose line is being edited. */
async function editing(page: Page, words: string): Promise<Locator> {
  const gloss = glossesIn(await marginOf(page)).filter({ hasText: words });
  await gloss.locator('.gloss-origin').hover();
  await gloss.getByRole('button', { name: /Edit this line/u }).click();
  await expect(gloss.getByRole('textbox')).toBeFocused();
  return gloss;
}

test(
  'L9 a line that was changed elsewhere meanwhile is not overwritten, and what was typed stays',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(pointing);
    const budget = await editing(page, 'comes to');
    await page.keyboard.type('Mine. ');
    const other = await secondWindow(page);
    await openPage(other, 'Budget');
    await expect(line(other, 'Oak for')).toContainText('Mine.');
    await into(other, 'Oak for');
    await other.keyboard.type(' Theirs.');
    await saved(other);
    await page.keyboard.type('Again. ');
    await expect(
      said(page, 'The line was changed elsewhere meanwhile. Yours is kept here; look at both.'),
    ).toBeVisible();
    await expect(budget.getByRole('textbox')).toContainText('Again.');
    await expect(line(other, 'Oak for')).toContainText('Theirs.');
    await expect(line(other, 'Oak for')).toContainText('Mine.');
    await expect(line(other, 'Oak for')).not.toContainText('Again.');
  },
);

test(
  'L9 a line that is written in is not sent by another window that opens meanwhile',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(pointing);
    const budget = await editing(page, 'comes to');
    await page.keyboard.type(' And');
    const opened = secondWindow(page);
    let isOpen = false;
    void opened.then(() => (isOpen = true));
    // Never resting, so that it is not stored by this window.
    while (!isOpen) await page.keyboard.type('x', { delay: 150 });
    const other = await opened;
    for (let time = 0; time < 10; time += 1) await page.keyboard.type('x', { delay: 150 });
    await page.keyboard.type('!');
    await page.keyboard.press('Enter');
    await expect(budget.getByRole('textbox')).toHaveCount(0);
    await openPage(other, 'Budget');
    await expect(line(other, 'Oak for')).toHaveText(/comes to £1,140\. Andx+!$/u);
  },
);

test('L10 a gloss stands beside the line it speaks to, and moves when it speaks to another', async ({ pages }) => {
  const page = await pages(pointing);
  const beside = (window: Page, words: string) =>
    window
      .locator('[data-gloss]')
      .filter({ hasText: words })
      .first()
      .evaluate(
        (element) => document.getElementById(`b-${(element as HTMLElement).dataset.line}`)?.textContent ?? 'head',
      );
  await marginOf(page);
  await expect.poll(() => beside(page, 'comes to')).toContain('Oak frame');
  await expect.poll(() => beside(page, 'Lift the')).toBe('head');
  const other = await secondWindow(page);
  await openPage(other, 'Budget');
  await into(other, 'Oak for');
  await other.keyboard.type(' The lower leaf dropped.');
  await saved(other);
  await expect(page.locator('[data-gloss]').filter({ hasText: 'comes to' })).toContainText('The lower leaf dropped.');
  await expect.poll(() => beside(page, 'comes to')).toContain('The lower leaf');
  await page.reload();
  await marginOf(page);
  await expect.poll(() => beside(page, 'comes to')).toContain('The lower leaf');
});

test(
  'L11 a gloss shows its line with what stands beneath it, and knows what it stands beneath',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(pointing);
    const gloss = glossesIn(await marginOf(page)).filter({ hasText: 'Lift the' });
    await expect(gloss).toContainText('Lifts › Neaps');
    await expect(gloss.locator('.gloss-child')).toHaveText('with two slings');
    const other = await secondWindow(page);
    await openPage(other, 'Plan');
    await into(other, 'with two');
    await other.keyboard.type(' of chain');
    await into(other, 'Neaps');
    await other.keyboard.type(' of January');
    await saved(other);
    await expect(gloss.locator('.gloss-child')).toHaveText('with two slings of chain');
    await expect(gloss).toContainText('Lifts › Neaps of January');
    await page.reload();
    await expect(glossesIn(await marginOf(page)).filter({ hasText: 'Lift the' })).toContainText(
      'Lifts › Neaps of January',
    );
  },
);

const named = {
  'Sluice gate': 'The lower leaf has dropped.\n',
  Oak: 'For the sluice gate, dry.\n',
  Rota: 'The Sluice Gate on Saturday, `sluice gate` in code.\n',
  Tea: 'Sluice gates are not it. The sluice gate is.\n',
};

test('L12 what names the page without a link is found as it is written; one is linked, one never, the rest at once', async ({
  pages,
}) => {
  const page = await pages(named);
  const other = await secondWindow(page);
  const margin = await marginOf(page);
  const list = margin.getByRole('region', { name: 'Also named' });
  await expect(list.getByRole('article')).toHaveCount(3);
  await expect(list.locator('.marked')).toHaveCount(3);
  if (!isPhone(page)) await expect(margin.locator('.margin-head')).toContainText('3 also named');
  await list.getByRole('article', { name: 'Oak' }).getByRole('button', { name: 'Link' }).click();
  await expect(glossesIn(margin)).toContainText('For the sluice gate, dry.');
  await expect(list.getByRole('article')).toHaveCount(2);
  await list.getByRole('article', { name: 'Tea' }).getByRole('button', { name: 'Never here' }).click();
  await expect(list.getByRole('article')).toHaveCount(1);
  // What is written now is found without being asked for.
  await openPage(other, 'Oak');
  await into(other, 'For the');
  await other.keyboard.press('Enter');
  await other.keyboard.type('Green is no use at the sluice gate');
  await saved(other);
  await expect(list.getByRole('article')).toHaveCount(2);
  await list.getByRole('button', { name: 'Link them all' }).click();
  await expect(list).toHaveCount(0);
  await expect(glossesIn(margin)).toHaveCount(3);
  await expect(textOf(other).locator('a.link')).toHaveText(['sluice gate', 'sluice gate']);
  await page.reload();
  await expect(glossesIn(await marginOf(page))).toHaveCount(3);
  await expect(list).toHaveCount(0);
});

test('L16 pages alike stand at the Margin’s foot, with why, and are kept up', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({
    'Oak moisture': 'The meter reads the oak butt at 22 % in the middle.\n',
    'Oak rail': 'An oak butt, and the meter says wet.\n',
    'Quince cheese': 'In October.\n',
  });
  const margin = await marginOf(page);
  const kin = margin.getByRole('region', { name: 'Kin' });
  await expect(kin.getByRole('article', { name: 'Oak rail' })).toContainText(/both say .*butt/u);
  await expect(kin.getByRole('article', { name: 'Quince cheese' })).toHaveCount(0);
  const other = await secondWindow(page);
  await openPage(other, 'Oak rail');
  await into(other, 'An oak');
  await other.keyboard.type(' See [[Oak moist');
  await other.keyboard.press('Enter');
  await saved(other);
  // Linked they are neighbours, not kin.
  await expect(glossesIn(margin)).toContainText('An oak butt');
  await expect(kin.getByRole('article', { name: 'Oak rail' })).toHaveCount(0);
  await page.reload();
  await expect(glossesIn(await marginOf(page))).toContainText('An oak butt');
  await expect(kin.getByRole('article', { name: 'Oak rail' })).toHaveCount(0);
});
