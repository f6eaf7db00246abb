import { deed, expect, into, line, test } from './support/lines';
import { glossesIn, marginOf, picker, previewOf, secondWindow } from './support/margin';
import { said } from './support/outline';
import { idOf, isPhone, openPage, saved, textOf } from './support/test';
import type { Page } from '@playwright/test';

const links = (page: Page) => textOf(page).locator('a.link');
const titleOf = (page: Page) => page.getByRole('textbox', { name: 'Title', exact: true }).first();

async function pageMenu(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name, exact: true }).click();
}

/** Selects the words at the end of the line with the cursor. */
async function selectBack(page: Page, words: string): Promise<void> {
  for (const _letter of words) await page.keyboard.press('Shift+ArrowLeft');
}

test('L1 two brackets offer pages as typed, slips forgiven, trail shown; Enter links; selected words are linked too', async ({
  pages,
}) => {
  const page = await pages({ Plan: 'The lower leaf first.\n', 'Sluice gate': 'Elm.\n', Budget: 'Oak.\n' });
  const other = await secondWindow(page);
  await into(page, 'The lower');
  await page.keyboard.type(' See [[slucie');
  const offer = picker(page)
    .getByRole('option', { name: /Sluice gate/u })
    .first();
  await expect(offer).toContainText('Mill / Works');
  await page.keyboard.press('Enter');
  await expect(links(page)).toHaveText('Sluice gate');
  await expect(links(other)).toHaveText('Sluice gate');
  // Selected, the words stay and become the link.
  await page.keyboard.type(' and money');
  await selectBack(page, 'money');
  await page.keyboard.type('[');
  await expect(line(page, 'The lower')).toContainText('[money]');
  await page.keyboard.type('[');
  const field = page.getByRole('combobox', { name: 'What to link to' });
  await expect(field).toHaveValue('money');
  await field.fill('budg');
  await expect(page.getByRole('option', { name: /Budget/u }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(line(page, 'The lower')).toHaveText('The lower leaf first. See Sluice gate and money');
  await saved(page);
  await page.reload();
  await expect(links(page)).toHaveText(['Sluice gate', 'money']);
  await expect(links(page).nth(1)).toHaveAttribute('title', 'Budget');
  await expect(links(other).nth(1)).toHaveText('money');
});

test('L2 the missing page is made from the line: beside, beneath, or in a place found by typing', async ({ pages }) => {
  const page = await pages({ Plan: 'First.\n', 'Sluice gate': 'Elm.\n' });
  await into(page, 'First');
  await page.keyboard.type(' [[Bore report');
  await expect(picker(page).getByRole('option', { name: /beneath this page/u })).toBeVisible();
  await picker(page)
    .getByRole('option', { name: /in another place/u })
    .click();
  await page.keyboard.type('sluice');
  const places = page.getByRole('listbox', { name: /Where “Bore report” shall live/u });
  await expect(places.getByRole('option', { name: /Sluice gate/u })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(links(page)).toHaveText('Bore report');
  await expect(links(page)).toHaveAttribute('data-state', 'unwritten');
  await page.keyboard.type(' and [[Neaps');
  await picker(page)
    .getByRole('option', { name: /beneath this page/u })
    .click();
  await expect(links(page)).toHaveText(['Bore report', 'Neaps']);
  await saved(page);
  const other = await secondWindow(page);
  await links(other).first().click();
  await expect(titleOf(other)).toHaveText('Bore report');
  const trail = async () => {
    const found = await page.request.get(new URL('/api/names?q=bore', page.url()).href);
    return ((await found.json()) as { trail: { name: string }[] }[])[0]!.trail.map(({ name }) => name);
  };
  await expect.poll(trail).toEqual(['Mill', 'Works', 'Sluice gate']);
  await page.reload();
  await expect(links(page)).toHaveText(['Bore report', 'Neaps']);
});

test('L3 a title that is nearly there is said before a second page is made', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Plan: 'First.\n', 'Winch ratings': 'Plated.\n' });
  await into(page, 'First');
  await page.keyboard.type(' [[Winch rating');
  const ask = picker(page).getByRole('option', { name: /New page “Winch rating”/u });
  await expect(ask).toContainText('“Winch ratings” is nearly the same');
  await ask.click();
  await picker(page)
    .getByRole('option', { name: /Link to “Winch ratings”/u })
    .click();
  await expect(links(page)).toHaveText('Winch ratings');
  await page.keyboard.type(' [[Winch rating');
  await picker(page)
    .getByRole('option', { name: /New page “Winch rating”/u })
    .click();
  await picker(page)
    .getByRole('option', { name: /all the same: beside/u })
    .click();
  await expect(links(page)).toHaveText(['Winch ratings', 'Winch rating']);
  await saved(page);
  const other = await secondWindow(page);
  await expect(links(other)).toHaveText(['Winch ratings', 'Winch rating']);
  await page.reload();
  await expect(links(page)).toHaveCount(2);
});

test('L4 selected words are offered the page of that title first', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({
    Plan: 'Ask about the tide pool\n',
    'Tide pool survey': 'Levels.\n',
    'Tide pool': 'Water.\n',
  });
  const other = await secondWindow(page);
  await into(page, 'Ask about');
  await selectBack(page, 'tide pool');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('option').first()).toContainText('Tide pool');
  await expect(page.getByRole('option').first()).not.toContainText('survey');
  await page.keyboard.press('Enter');
  await expect(links(page)).toHaveText('tide pool');
  expect(await links(page).getAttribute('data-target')).toBe(await idOf(page, 'Tide pool'));
  await saved(page);
  await expect(links(other)).toHaveText('tide pool');
  await page.reload();
  await expect(line(page, 'Ask about')).toHaveText('Ask about the tide pool');
});

test('L5 anything has an address: copied, pasted here it is a titled link, elsewhere a web address and a rich link', async ({
  pages,
}) => {
  const page = await pages({ Ledger: '## Quarter days\n\nA month late.\n', Notes: 'See:\n' });
  await into(page, 'Quarter');
  await deed(page, 'Copy link');
  await expect(said(page, 'The link to this line is on the clipboard.')).toBeVisible();
  const copied = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const read = async (type: string) => (await item!.getType(type)).text();
    return { plain: await read('text/plain'), html: await read('text/html') };
  });
  expect(copied.plain).toMatch(/^http:\/\/localhost:\d+\/b\/[0-9a-f-]{36}$/u);
  expect(copied.html).toContain(`<a href="${copied.plain}">Quarter days</a>`);
  await openPage(page, 'Notes');
  const other = await secondWindow(page);
  await into(page, 'See:');
  await page.keyboard.type(' ');
  await page.keyboard.press('Control+v');
  await expect(links(page)).toHaveText('Quarter days');
  for (const [path, title] of [
    ['n', 'Works'],
    ['n', 'Mill'],
    ['p', 'Ledger'],
  ] as const) {
    const id = await idOf(page, title);
    await page.evaluate(
      (address) => navigator.clipboard.writeText(address),
      new URL(`/${path}/${id}`, page.url()).href,
    );
    await page.keyboard.type(' ');
    await page.keyboard.press('Control+v');
  }
  await expect(links(page)).toHaveText(['Quarter days', 'Works', 'Mill', 'Ledger']);
  await saved(page);
  await expect(links(other)).toHaveText(['Quarter days', 'Works', 'Mill', 'Ledger']);
  await page.reload();
  await expect(links(page)).toHaveCount(4);
  // What one lands on is lit for a moment alone: it is looked for before all of the page has come.
  await page.goto(copied.plain, { waitUntil: 'commit' });
  await expect(page.locator('.landed')).toContainText('Quarter days');
});

test('L6 a link to a line scrolls there and flashes it; Back returns to the exact spot, with a page beside too', async ({
  pages,
}) => {
  const many = (words: string) => Array.from({ length: 60 }, (_each, index) => `${words} ${index}.\n`).join('\n');
  const page = await pages({
    Ledger: `${many('Row')}\nThe quarter days run late.\n\n${many('More')}`,
    Notes: many('Note'),
  });
  await into(page, 'Row 0');
  const quarter = line(page, 'The quarter days');
  const target = (await quarter
    .locator('xpath=ancestor-or-self::*[starts-with(@id,"b-")][1]')
    .getAttribute('id'))!.slice(2);
  await openPage(page, 'Notes');
  await line(page, 'Note 45.').scrollIntoViewIfNeeded();
  await into(page, 'Note 45.');
  await page.evaluate((address) => navigator.clipboard.writeText(address), new URL(`/b/${target}`, page.url()).href);
  await page.keyboard.type(' ');
  await page.keyboard.press('Control+v');
  await expect(links(page)).toHaveText('The quarter days run late.');
  await saved(page);
  const other = await secondWindow(page);
  await expect(links(other)).toHaveText('The quarter days run late.');
  if (!isPhone(page)) {
    await page.locator('#main').focus();
    await pageMenu(page, 'Keep beside');
  }
  const place = () => page.locator('#main').evaluate((element) => element.scrollTop);
  await links(page).scrollIntoViewIfNeeded();
  await page.waitForTimeout(300);
  const before = await place();
  await links(page).click();
  await expect(page.locator('.landed').first()).toContainText('The quarter days');
  await page.goBack();
  await expect(titleOf(page)).toHaveText('Notes');
  await expect.poll(place).toBe(before);
  await page.goForward();
  await expect(titleOf(page)).toHaveText('Ledger');
  await page.reload();
  await expect(titleOf(page)).toHaveText('Ledger');
});

test(
  'L7 a link shows its target’s present title, or words of its own; a merged page takes its links along',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({
      Plan: 'The [[Sluice gate]] and the [[Winch rating]].\n',
      'Sluice gate': 'Elm.\n',
      'Winch rating': '1,500 kg.\n',
      'Winch ratings': 'First layer only.\n',
    });
    const other = await secondWindow(page);
    const gate = links(page).first();
    await (await previewOf(page, gate)).getByRole('button', { name: 'Own words' }).click();
    await page.getByRole('textbox', { name: 'Words of the link' }).fill('lower leaf');
    await page.keyboard.press('Enter');
    await expect(gate).toHaveText('lower leaf');
    await expect(links(other).first()).toHaveText('lower leaf');
    await (await previewOf(page, gate)).getByRole('button', { name: 'Show its title' }).click();
    await expect(gate).toHaveText('Sluice gate');
    await saved(page);
    const second = await openPage(page, 'Winch rating');
    await pageMenu(page, 'Merge into another page…');
    await page.getByRole('combobox').fill('winch ratings');
    await page.getByRole('option', { name: /Winch ratings/u }).click();
    await expect(titleOf(page)).toHaveText('Winch ratings');
    await expect(textOf(page)).toContainText('1,500 kg.');
    await expect(links(other).nth(1)).toHaveText('Winch ratings');
    await expect(glossesIn(await marginOf(page))).toContainText('The Sluice gate and the Winch ratings.');
    // Its old address leads here as well.
    await page.goto(new URL(`/p/${second}`, page.url()).href);
    await expect(titleOf(page)).toHaveText('Winch ratings');
    await expect(page.locator('.page-names')).toHaveText('also Winch rating');
  },
);

test(
  'L8 a link tells its state without colour, and heals when its target comes back',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({
      Plan: 'The [[Gate]], the [[Race]] and the [[Wheel]].\n',
      Gate: 'Elm.\n',
      Race: 'Silt.\n',
    });
    const other = await secondWindow(page);
    const act = async (acts: object[]) => {
      const url = new URL('/api/acts', page.url());
      const done = await page.request.post(url.href, { headers: { Origin: url.origin }, data: { acts } });
      expect(done.ok()).toBe(true);
    };
    const [gate, race] = [await idOf(page, 'Gate'), await idOf(page, 'Race')];
    const named = (window: Page, name: string) => textOf(window).getByRole('link', { name, exact: true });
    await expect(named(page, 'Wheel, not yet written')).toBeVisible();
    await act([{ do: 'season', id: gate, season: 'aside' }]);
    await expect(named(page, 'Gate, laid aside')).toBeVisible();
    await act([{ do: 'bin', id: race }]);
    await expect(named(page, 'Race, in the bin')).toBeVisible();
    await expect(named(other, 'Race, in the bin')).toBeVisible();
    await page.reload();
    await expect(named(page, 'Gate, laid aside')).toBeVisible();
    await act([
      { do: 'restore', id: race },
      { do: 'season', id: gate, season: 'now' },
    ]);
    await expect(named(page, 'Race')).toBeVisible();
    await expect(named(other, 'Gate')).toBeVisible();
    await act([{ do: 'bin', id: race }]);
    const url = new URL(`/api/bin/${race}`, page.url());
    await page.request.delete(url.href, { headers: { Origin: url.origin } });
    await expect(named(page, 'Race, gone')).toBeVisible();
  },
);

test('L13 a page is found and linked by any of its other names', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ 'Sluice gate': 'Elm.\n', Plan: 'First.\n' });
  const other = await secondWindow(page);
  await pageMenu(page, 'Other names…');
  const sheet = page.getByRole('dialog', { name: 'Other names of “Sluice gate”' });
  await sheet.getByRole('textbox', { name: 'Another name' }).fill('Seaward door');
  await sheet.getByRole('button', { name: 'Add the name' }).click();
  await expect(sheet.getByRole('listitem')).toContainText('Seaward door');
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('.page-names')).toHaveText('also Seaward door');
  await expect(other.locator('.page-names')).toHaveText('also Seaward door');
  await openPage(page, 'Plan');
  await into(page, 'First');
  await page.keyboard.type(' [[seaw');
  await expect(picker(page).getByRole('option').first()).toContainText('also called Seaward door');
  await page.keyboard.press('Enter');
  await expect(links(page)).toHaveText('Sluice gate');
  await saved(page);
  await page.reload();
  await expect(links(page)).toHaveText('Sluice gate');
  await page.goto(new URL('/find?q=seaward', page.url()).href);
  await expect(page.getByRole('option', { name: /Sluice gate/u }).first()).toBeVisible();
});

test('L14 a link is previewed by pointing, by keys and by a long touch, without leaving', async ({ pages }) => {
  const page = await pages({ Plan: 'See [[Sluice gate]] first.\n', 'Sluice gate': 'Elm, 1931 by the paint.\n' });
  const preview = await previewOf(page, links(page).first());
  await expect(preview).toContainText('Elm, 1931 by the paint.');
  await expect(preview).toContainText('Mill / Works');
  await expect(titleOf(page)).toHaveText('Plan');
  await page.keyboard.press('Escape');
  await expect(preview).toHaveCount(0);
  if (!isPhone(page)) {
    await page.mouse.move(2, 2);
    await line(page, 'See').click({ position: { x: 4, y: 10 } });
    await page.keyboard.press('Home');
    for (const _letter of 'See ') await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(preview).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(preview).toHaveCount(0);
  }
  // What another window writes there is in the next preview.
  const other = await secondWindow(page);
  await openPage(other, 'Sluice gate');
  await into(other, 'Elm');
  await other.keyboard.type(' Grudgingly.');
  await saved(other);
  await page.reload();
  await expect(await previewOf(page, links(page).first())).toContainText('Grudgingly.');
});

test('L15 a date that is written is offered as a link to its day, and the day shows what names it', async ({
  pages,
}) => {
  const page = await pages({ Plan: 'Lift\n', Ledger: 'Signed on 3 May 2027 at the quay.\n' });
  const other = await secondWindow(page);
  await into(page, 'Lift');
  await page.waitForTimeout(800);
  await page.keyboard.type(' on 3 May 2027');
  const chip = page.getByRole('button', { name: /Link to Monday 3 May 2027/u });
  await expect(chip).toBeVisible();
  if (isPhone(page)) await chip.click();
  else await page.keyboard.press('Tab');
  await expect(links(page)).toHaveText('3 May 2027');
  await page.keyboard.type(', not [[4 May 2027');
  await expect(picker(page).getByRole('option').first()).toContainText('Tuesday 4 May 2027');
  await page.keyboard.press('Enter');
  await expect(links(page)).toHaveText(['3 May 2027', '4 May 2027']);
  await expect(links(other)).toHaveText(['3 May 2027', '4 May 2027']);
  await saved(page);
  await page.reload();
  await expect(links(page)).toHaveText(['3 May 2027', '4 May 2027']);
  await links(page).first().click();
  await expect(page).toHaveURL(/\/day\/2027-05-03$/u);
  const sheet = page.getByRole('complementary', { name: 'Margin' }).first();
  await sheet.locator('.margin-grab').click();
  await expect(glossesIn(sheet)).toContainText('Lift on 3 May 2027');
  await expect(sheet.getByRole('region', { name: 'Also named' })).toContainText('Signed on 3 May 2027');
});

test(
  'a web address pasted over words links them; alone it takes its title from the made-up web',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Plan: 'See the tables\n' });
    await into(page, 'See the');
    await selectBack(page, 'tables');
    await page.evaluate(() => navigator.clipboard.writeText('https://tides.saltmere.example/tables'));
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await page.keyboard.press('Control+v');
    const link = textOf(page).locator('a[href^="https://"]');
    await expect(link).toHaveText('tables');
    await page.keyboard.press('End');
    await page.keyboard.type(' ');
    await page.keyboard.press('Control+v');
    await expect(link.nth(1)).toHaveText('Tide tables for Saltmere Quay');
    await saved(page);
    await page.reload();
    await expect(link).toHaveText(['tables', 'Tide tables for Saltmere Quay']);
    expect(asked.filter((url) => new URL(url).hostname !== 'localhost')).toEqual([]);
  },
);
