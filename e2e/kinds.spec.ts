import type { Locator, Page } from '@playwright/test';
import { expect, into, test, textOf } from './support/lines';
import { glossesIn, marginOf, secondWindow, showTools } from './support/margin';
import { openPage, saved } from './support/test';

/** Kinds and fields: what a page is, and what it says of itself beneath its title. */

const fieldsOf = (page: Page): Locator => page.getByRole('group', { name: 'What this page is' });
const dialog = (page: Page): Locator => page.getByRole('dialog');

/** Chooses by letters in the sheet that is open. */
async function choose(page: Page, letters: string, offered: string | RegExp): Promise<void> {
  await page.keyboard.type(letters);
  await expect(dialog(page).getByRole('option', { name: offered }).first()).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Enter');
}

/** Makes the page that is open one of a kind. */
async function become(page: Page, kind: string): Promise<void> {
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Kinds…' }).click();
  await choose(page, kind, new RegExp(`^${kind}`, 'u'));
  await expect(dialog(page).getByRole('list', { name: 'Its kinds' })).toContainText(kind);
  await page.keyboard.press('Escape');
  await expect(fieldsOf(page)).toContainText(kind);
}

const fillIn = (page: Page, field: string) =>
  fieldsOf(page)
    .getByRole('button', { name: `Fill in ${field}`, exact: true })
    .click();

const people = { 'Tomas Wren': 'Third of the name.\n', 'Stroud & Sons': 'Timber yard.\n', Frayne: 'Smith.\n' };

test('F7 a page becomes a person and says so in its fields, in every window, and after it was loaded anew', async ({
  pages,
}) => {
  const page = await pages(people);
  const other = await secondWindow(page);
  await become(page, 'person');
  await fillIn(page, 'Trade');
  await page.keyboard.type('Millwright');
  await page.keyboard.press('Enter');
  await fillIn(page, 'Works for');
  await choose(page, 'stroud', /^Stroud & Sons/u);
  await expect(dialog(page).getByRole('list', { name: 'Now in Works for' })).toContainText('Stroud & Sons');
  await page.keyboard.press('Escape');
  await fillIn(page, 'Mail');
  await page.keyboard.type('not an address');
  await page.keyboard.press('Enter');
  // What can’t be read stays typed, with the reason.
  await expect(fieldsOf(page).getByRole('alert')).toContainText('can’t be read');
  await expect(fieldsOf(page).getByRole('textbox', { name: 'Mail' })).toHaveValue('not an address');
  // Elsewhere meanwhile it waits.
  await openPage(page, 'Frayne');
  await openPage(page, 'Tomas Wren');
  await expect(fieldsOf(page).getByRole('alert')).toContainText('can’t be read');
  await expect(fieldsOf(page).getByRole('textbox', { name: 'Mail' })).toHaveValue('not an address');
  await fieldsOf(page).getByRole('textbox', { name: 'Mail' }).focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('tomas@wren.example');
  await page.keyboard.press('Enter');
  const hasAll = async (window: Page) => {
    const fields = fieldsOf(window);
    await expect(fields.getByRole('textbox', { name: 'Trade' })).toHaveText('Millwright');
    await expect(fields.getByRole('link', { name: 'Stroud & Sons' })).toBeVisible();
    await expect(fields.getByRole('link', { name: 'tomas@wren.example' })).toHaveAttribute(
      'href',
      'mailto:tomas@wren.example',
    );
  };
  await hasAll(page);
  await hasAll(other);
  await saved(page);
  await page.reload();
  await expect(textOf(page)).toBeVisible();
  await hasAll(page);

  // The firm has it in its Margin by what the field is called, and nothing but it when filtered so.
  await openPage(page, 'Stroud & Sons');
  const margin = await marginOf(page);
  await expect(glossesIn(margin)).toHaveCount(1);
  await expect(glossesIn(margin)).toContainText('Works for');
  await (await showTools(page)).getByRole('button', { name: /^person/u }).click();
  await expect(margin).toContainText('1 of 1 linked');
  await glossesIn(margin).getByRole('link').first().click();
  await expect(fieldsOf(page)).toContainText('person');
});

test(
  'F7 fields that two windows fill in without network are all there, once',
  { tag: '@once' },
  async ({ pages, context }) => {
    const page = await pages(people);
    await become(page, 'person');
    const other = await secondWindow(page);
    await expect(fieldsOf(other)).toContainText('person');
    await context.setOffline(true);
    await fillIn(page, 'Trade');
    await page.keyboard.type('Millwright');
    await page.keyboard.press('Enter');
    await fillIn(page, 'Mail');
    await page.keyboard.type('tomas@wren.example');
    await page.keyboard.press('Enter');
    await fillIn(other, 'Telephone');
    await other.keyboard.type('01632 960 204');
    await other.keyboard.press('Enter');
    await fillIn(other, 'Trade');
    await other.keyboard.type(' and carpenter');
    await other.keyboard.press('Enter');
    // What was written is here after the window was loaded anew, too.
    await expect(fieldsOf(page).getByRole('link', { name: 'tomas@wren.example' })).toBeVisible();
    await context.setOffline(false);
    for (const window of [page, other]) {
      const trade = fieldsOf(window).getByRole('textbox', { name: 'Trade' });
      await expect(trade).toContainText('Millwright');
      await expect(trade).toContainText('and carpenter');
      await expect(fieldsOf(window).getByRole('link', { name: 'tomas@wren.example' })).toBeVisible();
      await expect(fieldsOf(window).getByRole('link', { name: '01632 960 204' })).toBeVisible();
      await saved(window);
    }
  },
);

test('F7 a kind of one’s own: made by its name, its field made another type, and nothing lost by it', async ({
  pages,
}) => {
  const page = await pages({ 'The Half Ebb': 'A boat.\n', Frayne: 'Smith.\n' });
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Kinds…' }).click();
  await choose(page, 'boat', /^A new kind: “boat”/u);
  await expect(dialog(page).getByRole('list', { name: 'Its kinds' })).toContainText('boat');
  await page.keyboard.press('Escape');
  await fieldsOf(page).getByRole('link', { name: 'boat' }).click();
  await expect(page.getByRole('heading', { name: 'boat', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Add a field' }).click();
  await dialog(page).getByRole('textbox', { name: 'What it is called' }).fill('Built');
  await dialog(page).getByRole('button', { name: 'Add the field' }).click();
  await expect(page.getByRole('main').getByRole('button', { name: /^Built/u })).toContainText('Text');
  // Another window lists the pages of the kind, and what each says, as it is written.
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(other.getByRole('main').getByRole('link', { name: 'The Half Ebb' })).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'The Half Ebb' }).click();
  await fillIn(page, 'Built');
  await page.keyboard.type('about 1934');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(other.getByRole('main').getByText('about 1934')).toBeVisible();
  await fieldsOf(page).getByRole('link', { name: 'boat' }).click();
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Built/u })
    .click();
  await dialog(page)
    .getByRole('button', { name: /^What it holds/u })
    .click();
  await page.getByRole('radio', { name: 'Number' }).click();
  // It says first what can’t be taken over.
  await expect(dialog(page).getByRole('status')).toContainText('The Half Ebb: about 1934');
  await dialog(page).getByRole('button', { name: 'Keep changes' }).click();
  await page.getByRole('main').getByRole('link', { name: 'The Half Ebb' }).click();
  await expect(fieldsOf(page)).toContainText('Kept: about 1934');
  await fieldsOf(page).getByRole('button', { name: 'Change Built' }).click();
  await page.keyboard.type('1934');
  await page.keyboard.press('Enter');
  await expect(fieldsOf(page).getByRole('button', { name: /^Built: 1934/u })).toBeVisible();
  await expect(fieldsOf(page)).toContainText('Kept: about 1934');
});

test('F7 what was written in a field is taken back and done again by itself', { tag: '@once' }, async ({ pages }) => {
  const page = await pages(people);
  await become(page, 'person');
  await fillIn(page, 'Mail');
  await page.keyboard.type('tomas@wren.example');
  await page.keyboard.press('Enter');
  await fillIn(page, 'Telephone');
  await page.keyboard.type('01632 960 204');
  await page.keyboard.press('Enter');
  const [mail, telephone] = [/wren\.example/u, '01632 960 204'].map((name) =>
    fieldsOf(page).getByRole('link', { name }),
  );
  await expect(telephone!).toBeVisible();
  await fieldsOf(page).getByRole('button', { name: 'Change Telephone' }).focus();
  await page.keyboard.press('ControlOrMeta+z');
  await expect(telephone!).toHaveCount(0);
  await expect(mail!).toBeVisible();
  await fieldsOf(page).getByRole('button', { name: 'Change Mail' }).focus();
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect(telephone!).toBeVisible();
});

test('F7 pages that look like people become people in one act, but for those that are left out', async ({ pages }) => {
  const page = await pages({ Works: 'See [[Callum Frayne]].\n' }, [
    { path: 'Who/People/Callum Frayne.md', text: 'Smith.\n' },
    { path: 'Who/People/Tomas Wren.md', text: 'Millwright.\n' },
    { path: 'Who/People/How we ring them.md', text: 'After six.\n' },
    { path: 'Who/Suppliers/Reclaim yard.md', text: 'Brick.\n' },
  ]);
  await page.goto(new URL('/kinds', page.url()).href);
  const people = page.getByRole('region', { name: '3 pages look like the kind “person”' });
  await people.getByRole('button', { name: /^3 pages look like/u }).click();
  await people.getByRole('checkbox', { name: 'How we ring them' }).click();
  await people.getByRole('button', { name: 'Make 2 pages of the kind “person”' }).click();
  await expect(page.getByRole('region', { name: '1 page looks like the kind “person”' })).toBeVisible();
  await expect(page.getByRole('region', { name: '1 page looks like the kind “firm”' })).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'person', exact: true }).click();
  await expect(page.getByRole('main').getByRole('link', { name: 'Callum Frayne' })).toBeVisible();
  await expect(page.getByRole('main').getByRole('link', { name: 'Tomas Wren' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('No page is of this kind yet')).toBeVisible();
});

const trades = {
  'Our people': 'Who we work with.\n',
  'Callum Frayne': '---\nkinds: [person]\nfields:\n  Trade: Smith\n---\nSlings and the pin.\n',
  'Tomas Wren': '---\nkinds: [person]\n---\nThird of the name.\n',
  'Frayne’s yard': 'Callum is there till six.\n',
};

test('F7 a kind finds its pages with the first letters of a name: in Go to, for a link, by words; its home lists them', async ({
  pages,
}) => {
  const page = await pages(trades);
  const other = await secondWindow(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.type('person call');
  const first = dialog(page).getByRole('option').first();
  await expect(first).toContainText('Callum Frayne');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);
  await into(page, 'Who we work');
  await page.keyboard.type(' First [[person cal');
  await expect(page.getByRole('listbox', { name: 'What to link to' }).getByRole('option').first()).toContainText(
    'Callum Frayne',
  );
  await page.keyboard.press('Enter');
  await expect(textOf(page).getByRole('link', { name: 'Callum Frayne' })).toBeVisible();
  await saved(page);
  // A page that is the home of a kind lists its pages beneath its text, in every window.
  const origin = new URL(page.url()).origin;
  const { kinds } = (await (await page.request.get(`${origin}/api/kinds`)).json()) as {
    kinds: { id: string; name: string }[];
  };
  const person = kinds.find(({ name }) => name === 'person')!;
  await page.goto(`${origin}/kinds/${person.id}`);
  await page.getByRole('button', { name: /^Its home:/u }).click();
  await page.keyboard.type('our people');
  await expect(dialog(page).getByRole('option').first()).toContainText('Our people');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  const home = (window: Page) => window.getByRole('region', { name: 'Pages of the kind person' });
  await expect(home(other).getByRole('link', { name: 'Tomas Wren' })).toBeVisible();
  await expect(home(other)).toContainText('Smith');
  await openPage(page, 'Our people');
  await page.reload();
  await expect(home(page).getByRole('listitem')).toHaveCount(2);
  await home(page).getByRole('link', { name: 'Callum Frayne' }).click();
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Callum Frayne');
  await page.goto(`${origin}/find?q=${encodeURIComponent('person frayne')}`);
  await expect(page.getByRole('option')).toHaveCount(1);
  await expect(page.getByRole('option')).toContainText('Callum Frayne');
});

test('F7 as long as no page is of a kind the Desk says what kinds are for, and which pages look like some', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, [
    { path: 'People/Petra Vane.md', text: 'Keeper of the slings.\n' },
    { path: 'People/Noor Halloran.md', text: 'Knows walls.\n' },
    { path: 'Mill/Oak.md', text: 'Dry.\n' },
  ]);
  await page.goto(`${server.url}/desk`);
  const offer = page.getByRole('region', { name: 'What pages are' });
  await expect(offer).toContainText('a project');
  await offer.getByRole('button', { name: /2 pages look like the kind “person”/u }).click();
  await offer.getByRole('checkbox', { name: 'Noor Halloran' }).click();
  await offer.getByRole('button', { name: /^Make/u }).click();
  // Once a page is of a kind it is known what kinds are.
  await expect(offer).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await openPage(page, 'Petra Vane');
  await expect(fieldsOf(page)).toContainText('person');
});
