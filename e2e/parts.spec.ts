import type { Page } from '@playwright/test';
import { deed, expect, into, isPhone, line, lines, linesKept, openPage, saved, test, textOf } from './support/lines';
import { said } from './support/outline';
import { Hands } from './support/handwork';

const six = ['Leaf', 'Pintle', 'Winch', 'Licence', 'Budget', 'Photographs'];
const topics = `What the gate needs.\n\n${six.map((topic) => `## ${topic}\n\n- ${topic} one\n  - ${topic} two\n`).join('\n')}`;

const pageMenu = async (page: Page, name: string) => {
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name, exact: true }).click();
};

const beneath = async (page: Page, title: string): Promise<{ id: string; name: string }[]> => {
  const origin = new URL(page.url()).origin;
  const names = (await (await page.request.get(`${origin}/api/names?q=${encodeURIComponent(title)}`)).json()) as {
    id: string;
    title: string;
  }[];
  const { id } = names.find((each) => each.title === title)!;
  return (await (await page.request.get(`${origin}/api/entries/${id}/beneath`)).json()) as {
    id: string;
    name: string;
  }[];
};

test('X9 a page of six topics is split into six in one action, and all is as before when it is taken back', async ({
  pages,
}) => {
  const page = await pages({ Gate: topics, Other: 'See [[Gate]].\n' });
  const before = await lines(page);
  const body = async () =>
    (await (await page.request.get(page.url().replace('/p/', '/api/pages/'))).json()) as { body: unknown };
  const stored = (await body()).body;
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  const hands = new Hands(page);
  await hands.tap(page.getByRole('dialog').getByRole('button', { name: 'Split at headings' }));
  await expect(said(page, 'The page was split at its headings.')).toBeVisible();
  hands.atMost('split a page of six topics', 1);
  await expect(page.locator('.overview-words')).toHaveText(six);
  expect((await beneath(page, 'Gate')).map(({ name }) => name)).toEqual(six);
  await page.locator('.overview-words', { hasText: 'Winch' }).click();
  await expect.poll(() => lines(page)).toEqual(['bulleted: Winch one', '  bulleted: Winch two']);
  await page.goBack();
  await expect(page.locator('.overview-words')).toHaveText(six);
  await into(page, 'What the gate needs.');
  await page.keyboard.press('Control+z');
  await expect.poll(() => lines(page)).toEqual(before);
  expect(await beneath(page, 'Gate')).toEqual([]);
  expect((await body()).body).toEqual(stored);
});

test('X9 lines are lifted to a page with a link in their place, whose own links lead there, and folded back', async ({
  pages,
}) => {
  const page = await pages({ Gate: 'before\n\n- leaf\n  - pintle\n- winch\n' });
  await into(page, 'leaf');
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(said(page, 'The link to this line is on the clipboard.')).toBeVisible();
  const address = await page.evaluate(() => navigator.clipboard.readText());
  await page.keyboard.press('x');
  await expect(said(page, 'A line became a page')).toBeVisible();
  await linesKept(page, ['paragraph: before', 'paragraph: leaf', 'bulleted: winch']);
  await page.goto(address);
  await expect.poll(() => lines(page)).toEqual(['bulleted: leaf', '  bulleted: pintle']);
  await expect(page.locator('.landed')).toBeVisible();
  await pageMenu(page, 'Fold back into the page above');
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Gate');
  await linesKept(page, ['paragraph: before', 'bulleted: leaf', '  bulleted: pintle', 'bulleted: winch']);
});

test('X9 a page grown long offers to be split', { tag: '@once' }, async ({ pages }) => {
  const long = six
    .map((topic) => `## ${topic}\n\n${'The lower leaf has dropped again on the seaward side. '.repeat(40)}\n`)
    .join('\n');
  const page = await pages({ Gate: long });
  await page.getByRole('button', { name: 'Split it at its 6 headings' }).click();
  await expect(page.locator('.overview-words')).toHaveText(six);
});

test('X10 lines are moved and copied to another page, beneath a heading, without leaving this one', async ({
  pages,
}) => {
  const page = await pages({ Gate: '- leaf\n- pintle\n- winch\n', Order: '## Now\n\nthere\n\n## Later\n\nlast\n' });
  await into(page, 'pintle');
  await deed(page, 'Send elsewhere');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox').fill('order');
  await dialog.getByRole('option', { name: /Order/u }).click();
  await dialog.getByRole('option', { name: /Now/u }).click();
  await expect(said(page, 'A line moved to “Order”.')).toBeVisible();
  await expect.poll(() => lines(page)).toEqual(['bulleted: leaf', 'bulleted: winch']);
  await into(page, 'winch');
  await deed(page, 'Send elsewhere');
  await dialog.getByRole('combobox').fill('order');
  await dialog.getByRole('radio', { name: /Copy/u }).click();
  await dialog.getByRole('option', { name: /Order/u }).click();
  await dialog.getByRole('option', { name: /At the head/u }).click();
  await expect(said(page, 'A line copied to “Order”.')).toBeVisible();
  await linesKept(page, ['bulleted: leaf', 'bulleted: winch']);
  await openPage(page, 'Order');
  await expect
    .poll(() => lines(page))
    .toEqual([
      'bulleted: winch',
      'heading2: Now',
      'paragraph: there',
      'bulleted: pintle',
      'heading2: Later',
      'paragraph: last',
    ]);
});

test('X11 two pages stand beside each other, or a tap apart on a phone; an excerpt keeps its source', async ({
  pages,
}) => {
  const page = await pages({ Ledger: 'Quarter days run a month late.\n', Notes: 'What I make of it.\n' });
  await pageMenu(page, 'Keep beside');
  const origin = new URL(page.url()).origin;
  const notes = ((await (await page.request.get(`${origin}/api/names?q=notes`)).json()) as { id: string }[])[0]!.id;
  await page.getByRole('navigation', { name: 'Trail' }).getByRole('link', { name: 'Works' }).click();
  await page.getByRole('treeitem', { name: /Notes/u }).click();
  await expect(page).toHaveURL(`${origin}/p/${notes}`);
  if (isPhone(page)) {
    await page.getByRole('button', { name: 'Switch to Ledger' }).click();
    await expect(line(page, 'Quarter days')).toBeVisible();
    await into(page, 'Quarter days');
    await deed(page, 'Excerpt to the page beside');
    await expect(said(page, 'A line excerpted to “Notes”.')).toBeVisible();
    await page.locator('#main').focus();
    await page.getByRole('button', { name: 'Switch to Notes' }).click();
  } else {
    const beside = page.getByRole('complementary', { name: 'Beside: Ledger' });
    await expect(beside.locator('.words').first()).toHaveText('Quarter days run a month late.');
    await line(page, 'What I make').click();
    await page.keyboard.press('End');
    await page.keyboard.type(' Late.');
    await beside.locator('.words').first().click();
    await page.keyboard.press('End');
    await page.keyboard.type(' Check.');
    await beside.getByRole('button', { name: 'Change sides' }).click();
    await expect(line(page, 'Quarter days')).toHaveText('Quarter days run a month late. Check.');
    await page.goBack();
    await pageMenu(page, 'Keep beside');
    await page.getByRole('navigation', { name: 'Trail' }).getByRole('link', { name: 'Works' }).click();
    await page.getByRole('treeitem', { name: /Ledger/u }).click();
    await line(page, 'Quarter days').click();
    await deed(page, 'Excerpt to the page beside');
    await expect(page.getByRole('complementary', { name: 'Beside: Notes' })).toContainText('Check. – Ledger');
    await saved(page);
    await page.goto(`${origin}/p/${notes}`);
  }
  const excerpt = textOf(page).locator('.words').nth(1);
  await expect(excerpt).toContainText('– Ledger');
  await page.reload();
  await excerpt.locator('a').click();
  await expect(page.getByRole('textbox', { name: 'Title', exact: true }).first()).toHaveText('Ledger');
  await expect(page.locator('.landed')).toContainText('Quarter days');
});
