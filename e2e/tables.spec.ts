import { expect, insert, into, isPhone, saved, test, textOf } from './support/lines';
import type { Page } from '@playwright/test';

const cells = (page: Page): Promise<string[][]> =>
  textOf(page)
    .locator('table')
    .evaluate((table: HTMLTableElement) =>
      [...table.rows].map((row) =>
        [...row.cells].map((cell) => (cell.tagName === 'TH' ? '*' : '') + cell.innerText.trim()),
      ),
    );

async function cellsKept(page: Page, expected: string[][]): Promise<void> {
  await expect.poll(() => cells(page)).toEqual(expected);
  await saved(page);
  await page.reload();
  await expect(textOf(page).locator('table').first()).toBeVisible();
  await expect.poll(() => cells(page)).toEqual(expected);
}

/** Does something with the table: the most used is at hand, the rest under what it is about. */
async function tool(page: Page, name: string): Promise<void> {
  const bar = page.getByRole('toolbar', { name: 'Table' });
  const button = bar.getByRole('button', { name, exact: true });
  await expect(bar).toBeVisible();
  if (!(await button.isVisible())) {
    const back = bar.getByRole('button', { name: 'Back', exact: true });
    if (await back.isVisible()) await back.click();
    const about = /head|table/iu.test(name) ? 'Table …' : /row/iu.test(name) ? 'Row …' : 'Column …';
    await bar.getByRole('button', { name: about }).click();
  }
  await button.click();
}

const timber = '| Part | Cost |\n| --- | --- |\n| Oak | 1,140 |\n| Elm | 90 |\n| Iron | £310.50 |\n';

test(
  'X5 a table is made and filled by Tab, with links and to-dos in its cells',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ List: '\n', 'Edda Stroud': 'Timber yard.\n' });
    await textOf(page).click();
    await insert(page, 'table', 'Table');
    for (const words of ['Part', 'From', 'Due', 'Oak']) {
      await page.keyboard.type(words);
      await page.keyboard.press('Tab');
    }
    await page.keyboard.type('[[edda');
    await page
      .getByRole('listbox', { name: 'What to link to' })
      .getByRole('option', { name: /Edda Stroud/u })
      .first()
      .click();
    await page.keyboard.press('Tab');
    await page.keyboard.type('[] ring her');
    await expect(textOf(page).locator('td a.link')).toHaveText('Edda Stroud');
    await page.getByRole('checkbox', { name: /To-do/u }).click();
    for (let step = 0; step < 4; step += 1) await page.keyboard.press('Tab');
    await page.keyboard.type('a new row');
    await cellsKept(page, [
      ['*Part', '*From', '*Due'],
      ['Oak', 'Edda Stroud', 'ring her'],
      ['', '', ''],
      ['a new row', '', ''],
    ]);
    await expect(textOf(page).locator('td .block[data-state=done]')).toHaveText('ring her');
  },
);

test('X5 rows and columns are added, moved, sorted, aligned and deleted', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Timber: timber });
  await into(page, 'Elm');
  await tool(page, 'Row below');
  await tool(page, 'Column after');
  await into(page, 'Elm');
  await tool(page, 'Row up');
  await expect
    .poll(() => cells(page))
    .toEqual([
      ['*Part', '*', '*Cost'],
      ['Elm', '', '90'],
      ['Oak', '', '1,140'],
      ['', '', ''],
      ['Iron', '', '£310.50'],
    ]);
  await into(page, '1,140');
  await tool(page, 'Sort down');
  await expect
    .poll(() => cells(page))
    .toEqual([
      ['*Part', '*', '*Cost'],
      ['Oak', '', '1,140'],
      ['Iron', '', '£310.50'],
      ['Elm', '', '90'],
      ['', '', ''],
    ]);
  await tool(page, 'Sort up');
  await into(page, '1,140');
  await tool(page, 'Align right');
  await tool(page, 'Column left');
  await expect
    .poll(() => cells(page))
    .toEqual([
      ['*Part', '*Cost', '*'],
      ['Elm', '90', ''],
      ['Iron', '£310.50', ''],
      ['Oak', '1,140', ''],
      ['', '', ''],
    ]);
  await into(page, 'Oak');
  await tool(page, 'Head column');
  await tool(page, 'Delete row');
  await into(page, 'Iron');
  await tool(page, 'Wider');
  const width = (await textOf(page).locator('tr').nth(1).locator('th').boundingBox())!.width;
  await cellsKept(page, [
    ['*Part', '*Cost', '*'],
    ['*Elm', '90', ''],
    ['*Iron', '£310.50', ''],
    ['*', '', ''],
  ]);
  await expect(textOf(page).locator('td', { hasText: '90' })).toHaveCSS('text-align', /right|end/u);
  const kept = (await textOf(page).locator('tr').nth(1).locator('th').boundingBox())!.width;
  expect(Math.abs(kept - width)).toBeLessThan(3);
  await into(page, 'Iron');
  await tool(page, 'Delete table');
  await expect(textOf(page).locator('table')).toHaveCount(0);
});

test(
  'X5 cells come from a spreadsheet, as a table and into one, and go to one',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Timber: `${timber}\nend\n` });
    await into(page, 'end');
    await page.keyboard.press('Enter');
    const put = (text: string) => page.evaluate((words) => navigator.clipboard.writeText(words), text);
    await put('Log\tLength\tNote\n1\t2.4 m\t"split, ""soft"""\n2\t2.1 m\t\n');
    await page.keyboard.press('Control+v');
    await expect(textOf(page).locator('table')).toHaveCount(2);
    await expect(textOf(page).locator('table').nth(1)).toContainText('split, "soft"');
    await textOf(page).locator('table').nth(1).locator('td').first().click();
    await tool(page, 'Delete table');
    await into(page, 'Elm');
    await put('Ash\t70\nLarch\t60\nYew\t20\n');
    await page.keyboard.press('Control+v');
    await cellsKept(page, [
      ['*Part', '*Cost'],
      ['Oak', '1,140'],
      ['Ash', '70'],
      ['Larch', '60'],
      ['Yew', '20'],
    ]);
    if (isPhone(page)) return;
    const [from, to] = [
      await textOf(page).locator('td').first().boundingBox(),
      await textOf(page).locator('td').nth(3).boundingBox(),
    ];
    await page.mouse.move(from!.x + 20, from!.y + 12);
    await page.mouse.down();
    await page.mouse.move(to!.x + 30, to!.y + 14, { steps: 6 });
    await page.mouse.up();
    await page.keyboard.press('Control+c');
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Oak\t1,140\nAsh\t70');
  },
);
