import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, into, isPhone, line, openPage, saved, test } from './support/lines';
import { idOf, textOf } from './support/test';

/** Any line in a few keystrokes: by words, slips, forms, what links show, and by what it is. */

const NOTES = {
  'Sluice gate': 'Elm and oak. #timber/elm\n\nThe gudgeon is worn.\n\n- [ ] Ask for the winch rating\n',
  Winch: `${'Greased.\n\n'.repeat(40)}| part | bore |\n| --- | --- |\n| drum | 64 mm |\n\n\`\`\`js\nconst windlass = 4;\n\`\`\`\n`,
  'Callum Frayne': '---\nkinds: [person]\n---\nSmith at the lifeboat house.\n',
  Bands: 'Forged by [[Callum Frayne]] in March. #ironwork\n',
};

const titleOf = (page: Page) => page.getByRole('textbox', { name: 'Title', exact: true });
const field = (page: Page) => page.getByRole('combobox', { name: 'Find' });
const found = (page: Page) => page.locator('#findings');
const lines = (page: Page) => found(page).locator('.finding-line');
const sentence = (page: Page) => page.getByRole('group', { name: 'What is found' });

/** Of how many pages the browser has a copy. */
const keptPages = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const [{ name }] = (await indexedDB.databases()) as [{ name: string }];
    return new Promise<number>((resolve) => {
      indexedDB.open(name).onsuccess = (event) => {
        const opened = (event.target as IDBOpenDBRequest).result;
        opened.transaction('pages').objectStore('pages').count().onsuccess = (counted) => {
          opened.close();
          resolve((counted.target as IDBRequest<number>).result);
        };
      };
    });
  });

async function openFind(page: Page, words: string): Promise<void> {
  await page.goto(new URL('/find', page.url()).href);
  await expect(field(page)).toBeFocused();
  await page.keyboard.type(words);
}

test('F1 a line is found as it is typed, opened at its place by keys or a tap, and shown beside where there is room', async ({
  pages,
}) => {
  const page = await pages(NOTES);
  await openFind(page, 'gudg wor');
  await expect(lines(page)).toHaveText(['The gudgeon is worn.']);
  await expect(lines(page).locator('.marked')).toHaveText(['gudgeon', 'worn']);
  await expect(found(page).locator('.finding-trail')).toContainText(['Mill / Works · today']);
  // Reached again by its address.
  await expect(page).toHaveURL(/q=gudg/u);
  await page.reload();
  await expect(lines(page)).toHaveText(['The gudgeon is worn.']);
  await field(page).focus();
  await page.keyboard.press('ArrowDown');
  const chosen = await field(page).getAttribute('aria-activedescendant');
  await expect(page.locator(`#${chosen}`)).toHaveText('The gudgeon is worn.');
  if (!isPhone(page)) {
    const preview = page.getByRole('region', { name: 'Preview' });
    await expect(preview.locator('.found-line')).toHaveText('The gudgeon is worn.');
    await expect(preview).toContainText('Ask for the winch rating');
  }
  await page.keyboard.press('Enter');
  await expect(titleOf(page)).toHaveText('Sluice gate');
  await expect(line(page, 'gudgeon is')).toBeInViewport();

  await openFind(page, '64 drum');
  await expect(lines(page)).toHaveText(['part · bore · drum · 64 mm']);
  await lines(page).click();
  await expect(titleOf(page)).toHaveText('Winch');
  await expect(page.getByRole('cell', { name: '64 mm' })).toBeInViewport();
  await openFind(page, 'windlass');
  await expect(lines(page)).toHaveText(['const windlass = 4;']);
  await lines(page).click();
  await expect(page.getByText('const windlass')).toBeInViewport();
});

test('F1 what is written in a PDF that a page shows is found, and opens at the file', async ({ pages }) => {
  const page = await pages({
    Culvert: `Brick arch, tarred twice.\n\n${'Looked at again.\n\n'.repeat(40)}`,
    Winch: 'Greased.\n',
  });
  await openPage(page, 'Culvert');
  const bytes = [...readFileSync('demo/files/Culvert report.pdf')];
  await textOf(page).evaluate((element, sent) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([new Uint8Array(sent)], 'Culvert report.pdf', { type: 'application/pdf' }));
    const last = element.lastElementChild!;
    last.scrollIntoView();
    const box = last.getBoundingClientRect();
    const at = { clientX: box.left + 20, clientY: box.bottom - 4 };
    element.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true, ...at }));
  }, bytes);
  await expect(textOf(page).getByRole('link', { name: 'Culvert report.pdf' })).toBeVisible();
  await saved(page);
  // It is read beside all else.
  await expect(async () => {
    await openFind(page, 'efflorescence haunch');
    await expect(lines(page).locator('.marked')).toHaveText(['Efflorescence', 'haunch'], { timeout: 1_000 });
  }).toPass();
  await expect(lines(page)).toContainText(['Culvert report.pdf: ']);
  // Half in a line of the page, half in its file, and mistyped.
  await openFind(page, 'tarred eflorescence');
  await expect(lines(page)).toHaveText([/^Brick arch, tarred/u, /^Culvert report\.pdf: /u]);
  await expect(lines(page).locator('.marked')).toHaveText(['tarred', 'Efflorescence']);
  await expect(page.getByText('also: efflorescence')).toBeVisible();
  // Half in the title of the page, half in its file.
  await openFind(page, 'culvert equinoctial');
  await expect(found(page).locator('.finding-page')).toContainText(['Culvert']);
  await lines(page).click();
  await expect(titleOf(page)).toHaveText('Culvert');
  await expect(textOf(page).getByRole('link', { name: 'Culvert report.pdf' })).toBeInViewport();
});

test('F1 what another window writes and renames is found at once, where it is linked too', async ({
  pages,
  context,
}) => {
  const page = await pages(NOTES);
  await openFind(page, 'forged osric');
  await expect(page.getByText('Nothing holds all of these words.')).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await openPage(other, 'Callum Frayne');
  await titleOf(other).fill('Osric Pell');
  await saved(other);
  await expect(lines(page)).toHaveText(['Forged by Osric Pell in March. ironwork']);
  await openPage(other, 'Bands');
  await into(other, 'Forged');
  await other.keyboard.press('End');
  await other.keyboard.type(' Twice');
  await saved(other);
  await expect(lines(page)).toContainText(['Twice']);
});

test('F3 slips, forms and beginnings find what was meant, and it is said', async ({ pages }) => {
  const page = await pages(NOTES);
  await openFind(page, 'gudgoen');
  await expect(lines(page).locator('.marked')).toHaveText(['gudgeon']);
  await expect(page.getByText('also: gudgeon')).toBeVisible();
  await field(page).fill('grease');
  await expect(found(page).getByRole('option', { name: /^Winch/u })).toBeVisible();
  await field(page).fill('nothing of it here');
  await expect(page.getByText('Nothing holds all of these words.')).toBeVisible();
});

test('F1 what led somewhere is looked for again with a tap, and forgotten with one', async ({ pages, context }) => {
  const page = await pages(NOTES);
  await openFind(page, 'gudgeon');
  await lines(page).first().click();
  await expect(titleOf(page)).toHaveText('Sluice gate');
  await openFind(page, '');
  const lately = page.getByRole('region', { name: 'Looked for lately' });
  const other = await context.newPage();
  await other.goto(new URL('/find', page.url()).href);
  await lately.getByRole('button', { name: 'gudgeon' }).click();
  await expect(field(page)).toHaveValue('gudgeon ');
  await expect(lines(page)).toHaveText(['The gudgeon is worn.']);
  await other.getByRole('button', { name: 'Forget them' }).click();
  await expect(other.getByRole('region', { name: 'Looked for lately' })).toHaveCount(0);
  await page.reload();
  await field(page).fill('');
  await expect(page.getByText('changed lately')).toBeVisible();
  await expect(lately).toHaveCount(0);
});

test('F1 without network the pages that this window keeps are searched, what was just written too', async ({
  pages,
  context,
}) => {
  const page = await pages(NOTES);
  await openPage(page, 'Sluice gate');
  await expect.poll(() => keptPages(page)).toBe(1);
  await openFind(page, '');
  await expect(page.getByText('changed lately')).toBeVisible();
  await openPage(page, 'Callum Frayne');
  await into(page, 'Smith');
  await page.keyboard.press('End');
  // What searches without the server comes once the screen is at rest.
  await expect
    .poll(() => page.evaluate(() => performance.getEntriesByType('resource').some(({ name }) => /\/here-/u.test(name))))
    .toBe(true);
  await context.setOffline(true);
  await page.keyboard.type(' Quenched in brine');
  await expect(page.getByText('Offline, kept here').first()).toBeVisible();
  // The bar of a phone is there once nothing is written any more.
  if (isPhone(page)) {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.getByRole('link', { name: 'Find', exact: true }).click({ timeout: 10_000 });
  } else {
    await page.keyboard.press('Escape');
    await page.keyboard.press('f');
  }
  await field(page).fill('brien');
  await expect(page.getByText('this is from the 2 pages that this browser keeps')).toBeVisible();
  await expect(lines(page).locator('.marked')).toHaveText(['brine']);
  await field(page).fill('gudgeon has:tasks');
  await expect(page.getByText('Filters wait for the server.')).toBeVisible();
  await field(page).fill('gudgeon');
  await lines(page).click();
  await expect(titleOf(page)).toHaveText('Sluice gate');
  await expect(line(page, 'gudgeon is')).toBeInViewport();
  // What is looked for is asked again as soon as the server is there.
  await page.goBack();
  await field(page).fill('forged by callum');
  await expect(page.getByText('this is from the 2 pages that this browser keeps')).toBeVisible();
  await context.setOffline(false);
  await expect(found(page).getByRole('option', { name: /^Bands/u })).toBeVisible();
  await expect(page.getByText('The server can’t be reached')).toHaveCount(0);
});

test('F1 F3 finding on a page knows the same words, and replaces those alone that are as they were typed', async ({
  pages,
}) => {
  const page = await pages({
    Works: 'Gates and a gâte, ask [[Gate keeper]].\n\nOne gate, a left-handed thread.\n',
    'Gate keeper': 'Tomas\n',
  });
  if (isPhone(page)) {
    await page.getByRole('button', { name: 'Page', exact: true }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Find and replace here', exact: true }).click();
  } else {
    await page.getByRole('main').focus();
    await page.keyboard.press('r');
  }
  const panel = page.getByRole('search', { name: 'Find and replace on this page' });
  const sought = panel.getByRole('textbox', { name: 'Find on this page' });
  const marked = page.locator('.ProseMirror .search-match');
  await sought.fill('gate ');
  await expect(panel).toContainText('also: gates, gâte');
  await expect(marked).toHaveCount(4);
  await sought.fill('left hand');
  await expect(marked).toHaveText(['left-handed']);
  await sought.fill('kepeer');
  await expect(marked).toHaveText(['Gate keeper']);
  await sought.fill('gate');
  await panel.getByRole('textbox', { name: 'Replace with' }).fill('sluice');
  await panel.getByRole('button', { name: 'Replace all' }).click();
  await expect(panel.getByRole('status')).toHaveText('2 were replaced.');
  await expect(line(page, 'a gâte')).toContainText('sluices and a gâte, ask Gate keeper.');
});

test('F2 the sentence and the line are one query: by taps, by keys, and back', async ({ pages }) => {
  const page = await pages(NOTES);
  await openFind(page, 'the');
  await expect(sentence(page)).toContainText('2 found');
  await sentence(page).getByRole('button', { name: 'with any tag' }).click();
  const sheet = page.getByRole('dialog', { name: 'Tag' });
  await expect(sheet.getByRole('option')).toHaveText(['timber/elm1']);
  await sheet.getByRole('option').click();
  await expect(field(page)).toHaveValue('tag:timber/elm the');
  await expect(found(page).locator('.finding-title')).toHaveText(['Sluice gate']);
  await expect(sentence(page).getByRole('button', { name: 'with the tag timber/elm' })).toBeVisible();
  await expect(sentence(page).getByRole('button', { name: 'with the tag timber/elm' })).toBeFocused();

  // The line says the same: what is typed there stands in the sentence.
  await field(page).fill('kind:person ');
  await expect(sentence(page).getByRole('button', { name: 'of the kind person' })).toBeVisible();
  await expect(found(page).locator('.finding-title')).toHaveText(['Callum Frayne']);
  await sentence(page).getByRole('button', { name: 'of the kind person' }).click();
  await page.getByRole('dialog', { name: 'Kind' }).getByRole('option', { name: 'of any kind' }).click();
  await expect(field(page)).toHaveValue('');

  await field(page).fill('has:tasks written:today');
  await expect(found(page).locator('.finding-title')).toHaveText(['Sluice gate']);
  await field(page).fill('weather:fair elm');
  await expect(page.getByText('There is no filter or field “weather”: searched as words.')).toBeVisible();

  // What is being typed is completed.
  await field(page).fill('elm tag:tim');
  const offered = page.getByRole('listbox', { name: 'What “tag:” can be' });
  if (isPhone(page)) await offered.getByRole('option', { name: 'timber/elm' }).click();
  else {
    await expect(offered.getByRole('option').first()).toBeVisible();
    for (let step = 0; step < 3; step += 1) {
      await page.keyboard.press('ArrowDown');
      if ((await offered.getByRole('option', { selected: true }).textContent())?.startsWith('timber/elm')) break;
    }
    await expect(found(page).getByRole('option', { selected: true })).toHaveCount(0);
    await page.keyboard.press('Enter');
  }
  await expect(field(page)).toHaveValue('elm tag:timber/elm ');
  await expect(found(page).locator('.finding-title')).toHaveText(['Sluice gate']);

  // By keys alone: to the sentence, days in words, Enter.
  await field(page).fill('elm');
  await field(page).press('Tab');
  while (
    !(await sentence(page)
      .getByRole('button', { name: 'written at any time' })
      .evaluate((one) => one === document.activeElement))
  )
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Written' }).getByRole('combobox')).toBeFocused();
  await page.keyboard.type('since yesterday');
  await page.keyboard.press('Enter');
  await expect(field(page)).toHaveValue('written:"since yesterday" elm');
  await expect(found(page).locator('.finding-title')).toHaveText(['Sluice gate']);
});

test('F5 a search is saved by name, found again before anything is typed, put in another place and let go of', async ({
  pages,
  context,
}) => {
  const page = await pages(NOTES);
  await openFind(page, 'worn gudgeon');
  await page.getByRole('button', { name: 'Save this search' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('textbox', { name: 'Name' }).fill('What is worn');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Saved as “What is worn”' })).toBeVisible();
  const other = await context.newPage();
  await other.goto(new URL('/desk', page.url()).href);
  const saved = other.getByRole('region', { name: 'Saved searches' });
  // On the Desk too.
  await saved.getByRole('link', { name: /^What is worn/u }).click();
  await expect(lines(other)).toHaveText(['The gudgeon is worn.']);
  await field(other).fill('');
  await expect(saved.getByRole('listitem')).toHaveText(['What is wornworn gudgeon⋯']);

  await field(page).fill('has:tasks ');
  await page.getByRole('button', { name: 'Save this search' }).click();
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(saved.getByRole('listitem')).toHaveText([/^What is worn/u, /^has:tasks/u]);
  await other.reload();
  await saved.getByRole('button', { name: 'Change “has:tasks”' }).click();
  await other.getByRole('button', { name: 'Move up' }).click();
  await expect(saved.getByRole('listitem')).toHaveText([/^has:tasks/u, /^What is worn/u]);
  await other.keyboard.press('Escape');
  await saved.getByRole('button', { name: 'What is worn worn gudgeon' }).click();
  await expect(lines(other)).toHaveText(['The gudgeon is worn.']);
  await other.getByRole('button', { name: 'Saved as “What is worn”' }).click();
  await other.getByRole('button', { name: 'Let go of it' }).click();
  await expect(other.getByRole('button', { name: 'Save this search' })).toBeVisible();
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByRole('button', { name: 'Saved as “What is worn”' })).toBeVisible();
});

test('F5 a search stands on a page as a live list: pages, lines or tasks, in an order and number of one’s own', async ({
  pages,
  context,
}) => {
  const page = await pages({
    Plan: 'What is to be done.\n',
    Gate: 'The gudgeon is worn. #iron\n\n- [ ] Grease the gudgeon\n',
    Weir: 'A gudgeon of the [[Gate]]. #iron\n\n- [ ] Ask Callum\n',
  });
  await into(page, 'What is to be done');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('/list of');
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog', { name: 'What is listed' });
  await sheet.getByRole('combobox').fill('tag:iron');
  await sheet.getByRole('radio', { name: 'By title' }).click();
  await sheet.getByRole('combobox').focus();
  await page.keyboard.press('Enter');
  const list = page.getByRole('region', { name: /^tag:iron/u });
  await expect(list.getByRole('listitem')).toHaveText([/^Gate/u, /^Weir/u]);
  await expect(list).toContainText('2 pages, by title');

  await list.getByRole('button', { name: 'Change' }).click();
  await sheet.getByRole('radio', { name: 'Open tasks' }).click();
  await page.keyboard.press('Escape');
  await expect(list.getByRole('article')).toHaveText([/Grease the gudgeon/u, /Ask Callum/u]);
  // Ticked where it is listed, and told by another window.
  await list.getByRole('checkbox', { name: /Ask Callum/u }).click();
  await expect(list.getByRole('article')).toHaveText([/Grease the gudgeon/u]);
  await saved(page);
  await page.reload();
  await expect(list.getByRole('article')).toHaveText([/Grease the gudgeon/u]);
  const weir = await context.newPage();
  await weir.goto(new URL(`/p/${await idOf(page, 'Weir')}`, page.url()).href);
  await into(weir, 'A gudgeon of');
  await weir.keyboard.press('End');
  await weir.keyboard.press('Enter');
  await weir.keyboard.type('[] Order bronze');
  await saved(weir);
  await expect(list.getByRole('article')).toHaveText([/Grease the gudgeon/u, /Order bronze/u]);
  await list.getByRole('link', { name: 'tag:iron' }).click();
  await expect(found(page).locator('.finding-page')).toHaveCount(2);
});

test('F1 somebody says which languages they write, and finds words in all their forms there', async ({ pages }) => {
  const page = await pages({ Mühle: 'Kindern\n', Other: 'Nothing of it.\n' });
  await openFind(page, 'kind ');
  await expect(page.getByText('Nothing holds all of these words.')).toBeVisible();
  await page.goto(new URL('/settings', page.url()).href);
  const german = page.getByRole('checkbox', { name: 'German' });
  await german.press('Space');
  await expect(german).toBeChecked();
  await page.reload();
  await expect(german).toBeChecked();
  await expect(async () => {
    await openFind(page, 'kind ');
    await expect(lines(page).locator('.marked')).toHaveText(['Kindern'], { timeout: 2_000 });
  }).toPass();
});
