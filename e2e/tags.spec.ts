import type { Page } from '@playwright/test';
import { into, line, openPage, saved, test, textOf } from './support/lines';
import { expect, idOf, isPhone } from './support/test';

/** Tags hold the id of a row: what they are called is said once. */

const tagged = (page: Page, name: string) =>
  textOf(page)
    .locator('.tag')
    .filter({ hasText: new RegExp(`^${name}$`, 'u') });

const tagsOf = async (page: Page): Promise<string[]> => {
  const tags = (await (await page.request.get(new URL('/api/tags', page.url()).href)).json()) as { path: string }[];
  return tags.map(({ path }) => path);
};

/** Opens a tag's own page by the tag in a line. */
async function openTag(page: Page, name: string): Promise<void> {
  await tagged(page, name).first().click();
  await expect(page.getByRole('button', { name: `Rename ${name}` })).toBeVisible();
}

/** Calls a tag otherwise on its page. */
async function rename(page: Page, from: string, to: string): Promise<void> {
  await page.getByRole('button', { name: `Rename ${from}` }).click();
  await page.getByRole('textbox', { name: /^What the tag is called/u }).fill(to);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: `Rename ${to}` })).toBeVisible();
}

/** The lines that a tag's page shows. */
const worn = (page: Page) => page.locator('.tag-lines .gloss-line');
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' });

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

  await openTag(rota, 'Lead');
  await rename(rota, 'Lead', 'leadwork');
  await expect(tagged(page, 'leadwork/flashing')).toBeVisible();
  await rota.goBack();
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
  await expect(page.getByRole('option', { name: 'Flashing for the roof' })).toBeVisible();
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
    expect(await tagsOf(page)).toEqual(['brass', 'iron']);
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
    const asked: number[] = [];
    await other.route('**/api/targets*', (route) => {
      asked.push(Date.now());
      return route.abort();
    });
    await other.goto(page.url());
    await expect(textOf(other)).toContainText('Bands');
    await into(page, 'Bands');
    await page.keyboard.press('End');
    await page.keyboard.type(' #brass ones');
    await saved(page);
    await expect.poll(() => asked.length).toBeGreaterThan(0);
    await into(other, 'Bands');
    await other.keyboard.type('Iron, that is, ', { delay: 60 });
    // After 1, 3, 7, 15 … seconds, however often what is typed has the page shown anew.
    expect(asked.length).toBeLessThanOrEqual(1 + Math.ceil(Math.log2((Date.now() - asked[0]!) / 1_000 + 1)));
    await other.unroute('**/api/targets*');
    await expect(tagged(other, 'brass')).toBeVisible();
  },
);

const YARD = {
  Yard: 'Sawn green, stacked on bearers. #oak #timber/sawn\n\nThe saw-bench is #timber/sawn too.\n',
  Gate: 'New heel post. #oaks\n\n- Order the leaf #timber\n  - at twelve inches\n',
  Mast: 'Nothing yet about the mast.\n\nIt will be pine.\n',
};
const DAYS = [{ path: 'Journal/2026-03-09.md', text: 'Edda called about the post. #oak\n' }];

test('F6 a tag has a page of its own: what wears it, what is beneath it, and what stands with it', async ({
  pages,
  context,
}) => {
  const page = await pages(YARD, DAYS);
  await openTag(page, 'oak');
  await expect(worn(page)).toHaveText([/^Sawn green/u, /^Edda called/u]);
  await page.getByRole('textbox', { name: 'What oak stands for' }).click();
  await page.keyboard.type('Green or dry, never imported. See [[Ga');
  await page.keyboard.press('Enter');
  await saved(page);
  // Live in another window, by day, filtered, and there again after a reload.
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('textbox', { name: 'What oak stands for' })).toContainText('never imported. See Gate');
  if (isPhone(page)) await page.getByRole('button', { name: 'By page' }).click();
  await page.getByRole('button', { name: 'The oldest first' }).click();
  await expect(worn(page)).toHaveText([/^Edda called/u, /^Sawn green/u]);
  await expect(page.locator('.tag-lines').getByRole('heading').first()).toContainText('9 Mar');
  await page.getByRole('button', { name: /^Journal/u }).click();
  await expect(worn(page)).toHaveText([/^Edda called/u]);
  await page.reload();
  await expect(worn(page)).toHaveText([/^Edda called/u]);
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: /^timber\/sawn/u }).click();
  await expect(worn(page)).toHaveText([/^Sawn green/u]);
  await page.reload();
  await expect(worn(page)).toHaveText([/^Sawn green/u]);

  await page.goto(new URL('/tags', page.url()).href);
  await page
    .locator('main')
    .getByRole('link', { name: /^timber, /u })
    .click();
  await expect(worn(page)).toHaveText([/^Order the leaf/u, /^Sawn green/u, /^The saw-bench/u]);
  await expect(page.locator('.tag-lines')).toContainText('at twelve inches');
  await page.getByRole('region', { name: 'Beneath it' }).getByRole('link', { name: /^sawn/u }).click();
  await expect(worn(page)).toHaveCount(2);
  // A line that comes to wear it stands there at once.
  const mast = await context.newPage();
  await mast.goto(new URL(`/p/${await idOf(page, 'Mast')}`, page.url()).href);
  await into(mast, 'It will be pine');
  await mast.keyboard.press('End');
  await mast.keyboard.type(' #timber/sawn again');
  await saved(mast);
  await expect(worn(page)).toHaveCount(3);
});

test('F6 tags are tidied: those nearly the same are merged, moved and deleted, each taken back', async ({
  pages,
  context,
}) => {
  const page = await pages(YARD);
  const gate = await context.newPage();
  await gate.goto(new URL(`/p/${await idOf(page, 'Gate')}`, page.url()).href);
  await expect(tagged(gate, 'oaks')).toBeVisible();
  await page.goto(new URL('/tags', page.url()).href);
  const tidy = page.getByRole('region', { name: 'To be tidied' });
  await tidy.getByRole('button', { name: /^Merge/u }).click();
  await expect(tidy).toBeHidden();
  await expect(tagged(gate, 'oaks')).toHaveCount(0);
  await undo(page).click();
  await expect(tidy).toBeVisible();
  await expect(tagged(gate, 'oaks')).toBeVisible();
  await tidy.getByRole('button', { name: /^Merge/u }).click();
  await expect(tidy).toBeHidden();
  const [left] = (await tagsOf(page)).filter((each) => each.startsWith('oak'));
  await page
    .locator('main')
    .getByRole('link', { name: new RegExp(`^${left}, 2 lines`, 'u') })
    .click();

  await page.getByRole('button', { name: 'Move beneath…' }).click();
  await page.getByRole('combobox', { name: /^Move/u }).fill('timb');
  await page.keyboard.press('Enter');
  await expect(tagged(gate, `timber/${left}`)).toBeVisible();
  await page.getByRole('button', { name: /^Colour/u }).click();
  await page.getByRole('radio', { name: 'plum' }).click();
  await expect(tagged(gate, `timber/${left}`)).toHaveAttribute('data-pigment', 'plum');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('is no tag any more').first()).toBeVisible();
  await expect(gate.locator('a.tag[href]').filter({ hasText: 'oak' })).toHaveCount(0);
  await expect(textOf(gate)).toContainText('New heel post. timber/oak');
  await page.reload();
  await page.getByRole('button', { name: 'Bring the tag back' }).click();
  await expect(tagged(gate, `timber/${left}`)).toHaveAttribute('data-pigment', 'plum');
  await gate.reload();
  await expect(tagged(gate, `timber/${left}`)).toBeVisible();
  expect(await tagsOf(page)).toEqual(['timber', `timber/${left}`, 'timber/sawn']);
});

test('F6 tags are offered as they are typed, by the page and by use, and taken for a page or for several lines', async ({
  pages,
}) => {
  const page = await pages({ Mast: YARD.Mast, Yard: YARD.Yard, Gate: `See the [[Mast]].\n\n${YARD.Gate}` });
  await into(page, 'Nothing yet');
  await page.keyboard.press('End');
  await page.keyboard.type(' #');
  const offers = page.getByRole('listbox', { name: 'Tags' }).getByRole('option');
  await expect(offers.first()).toContainText('on pages like it');
  await page.keyboard.type('sa');
  await expect(offers).toHaveCount(1);
  await page.keyboard.press('Enter');
  await page.keyboard.type('of all');
  await expect(line(page, 'Nothing yet')).toHaveText('Nothing yet about the mast. timber/sawn of all');
  // One that the page wears comes first now.
  await page.keyboard.type(' #');
  await expect(offers.first()).toHaveText(/timber\/sawn.*on this page/u);
  // The mark alone ends with its line.
  await page.keyboard.press('Enter');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await saved(page);

  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('button', { name: 'Tags…' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('option').first()).toHaveText(/as on (?:Gate|Yard)/u);
  const first = (await sheet.getByRole('option').first().locator('.choice-words').textContent())!;
  await page.keyboard.press('Enter');
  await expect(sheet).toBeHidden();
  await expect(textOf(page).locator('.words').first()).toHaveText(first);
  await page.reload();
  await expect(textOf(page).locator('.words').first()).toHaveText(first);
  await undoAt(page);

  await into(page, 'It will be pine');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+ArrowUp');
  await page.getByRole('button', { name: 'What can be done with them' }).click();
  await sheet.getByRole('button', { name: 'Tag…' }).click();
  await page.getByRole('combobox', { name: 'Tag 2 lines' }).fill('pine/larch');
  await page.keyboard.press('Enter');
  await expect(sheet).toBeHidden();
  await expect(line(page, 'It will be pine')).toHaveText('It will be pine. pine/larch');
  await expect(line(page, 'Nothing yet')).toContainText('pine/larch');
  await undo(page).click();
  await expect(line(page, 'It will be pine')).toHaveText('It will be pine.');
});

/** After a reload nothing is left to be taken back: the line of tags is let go of by hand. */
async function undoAt(page: Page): Promise<void> {
  const first = textOf(page).locator('.words').first();
  const words = (await first.textContent())!;
  // Beside the tags, which lead to their pages.
  const { width } = (await first.boundingBox())!;
  await first.click({ position: { x: width - 4, y: 10 } });
  await page.keyboard.press('End');
  for (let time = 0; time < 4 && (await first.textContent()) === words; time += 1)
    await page.keyboard.press('Backspace');
  await expect(first).not.toHaveText(words);
}
