import { expect, insert, into, isPhone, lines, linesKept, saved, test, textOf } from './support/lines';
import { tap } from './support/outline';

/** What every hand needs in the text: its tools by keys and by touch. */

const chosenBar = (page: Parameters<typeof lines>[0]) => page.getByRole('toolbar', { name: /chosen/u });
const table = '| Wood | Logs |\n| --- | --- |\n| oak | 11 |\n| elm | 7 |\n| ash | 9 |\n';

test('L1 undo takes back the page that a link made; selected words are linked by touch; Insert keeps its place', async ({
  pages,
}) => {
  const page = await pages({ Works: 'start\n\nthe old hinge is worn\n' });
  await into(page, 'start');
  await page.keyboard.type(' [[Penstock');
  await page.getByRole('option', { name: /New page “Penstock”.*beneath/u }).click();
  await expect(textOf(page).locator('a.link')).toHaveText('Penstock');
  const named = async () => {
    const found = await page.request.get(new URL('/api/names?q=Penstock', page.url()).href);
    return ((await found.json()) as { title: string }[]).map(({ title }) => title);
  };
  await expect.poll(named).toEqual(['Penstock']);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(textOf(page).locator('a.link')).toHaveCount(0);
  await expect.poll(named).toEqual([]);
  await page.keyboard.press('Control+y');
  await expect(textOf(page).locator('a.link')).toHaveText('Penstock');
  await expect.poll(named).toEqual(['Penstock']);

  await into(page, 'the old hinge');
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  if (isPhone(page)) {
    await page.getByRole('toolbar', { name: 'Writing' }).getByRole('button', { name: 'Link', exact: true }).tap();
  } else await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'What to link to' }).fill('Pensto');
  await page
    .getByRole('option', { name: /Penstock/u })
    .first()
    .click();
  await expect(textOf(page).locator('a.link').last()).toHaveText('the old hinge is worn');

  await into(page, 'start');
  await page.keyboard.type(' x');
  await page.keyboard.type(' /');
  const menu = page.locator('.picker');
  await expect(menu).toBeVisible();
  await menu.evaluate((element) => (element.scrollTop = 120));
  await saved(page);
  await page.waitForTimeout(300);
  expect(await menu.evaluate((element) => element.scrollTop)).toBe(120);
});

test(
  'X2 L1 what is chosen from a list that is still on its way is put in, and what was typed after it stands after it',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n', Pintle: 'Iron.\n' });
    const isPickers = /\/pickers-/u;
    await page.route(isPickers, async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 2_500));
      await route.continue();
    });
    await page.reload();
    await into(page, 'start');
    await page.keyboard.press('Enter');
    await page.keyboard.type('/headings here');
    await page.keyboard.press('Enter');
    await page.keyboard.type('## Soundingg');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('s');
    await page.keyboard.press('Enter');
    await page.keyboard.type('The [[Pintle');
    await page.keyboard.press('Enter');
    await page.keyboard.type(' is worn');
    // The overview is an element of no kind.
    const written = ['paragraph: start', 'div:', 'heading2: Soundings', 'paragraph: The Pintle is worn'];
    await expect.poll(() => lines(page)).toEqual(written);
    await expect(textOf(page).locator('a.link')).toHaveText('Pintle');
    await expect(textOf(page).locator('.overview-words')).toHaveText('Soundings');

    // A list that never comes leaves the keys to the text.
    await page.unroute(isPickers);
    await page.route(isPickers, (route) => route.abort());
    await saved(page);
    await page.reload();
    await into(page, 'start');
    await page.keyboard.press('Enter');
    await page.keyboard.type('[[Pint');
    await page.keyboard.press('Enter');
    await page.keyboard.type('next');
    const given = ['paragraph: start', 'paragraph: [[Pint', 'paragraph: next'];
    await expect.poll(async () => (await lines(page)).slice(0, 3)).toEqual(given);
  },
);

// Keys of a keyboard on a table.
test(
  'S4 X4 Esc frees Tab, Alt+Enter opens the tools of what has the cursor, and moves are said in words',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: `- leaf\n- pintle\n- winch\n\n${table}` });
    await into(page, 'pintle');
    await page.keyboard.press('Alt+Enter');
    await expect(page.getByRole('dialog', { name: 'This line' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(textOf(page)).toBeFocused();
    const announced = page.locator('body > .said[role=status]');
    await page.keyboard.press('Alt+ArrowUp');
    await expect(announced).toHaveText(/^Line 1 of \d+, beneath nothing, before “leaf”$/u);
    await page.keyboard.press('Alt+ArrowDown');
    await page.keyboard.press('Alt+Shift+ArrowRight');
    await expect(announced).toHaveText(/^Line 2 of \d+, beneath “leaf”, before “winch”$/u);
    await page.keyboard.press('Alt+Shift+ArrowLeft');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(chosenBar(page)).toBeVisible();
    await page.keyboard.press('Alt+Enter');
    await expect(chosenBar(page).getByRole('button', { name: 'Choose the line above too' })).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect.poll(() => lines(page)).toContain('  bulleted: winch');
    await page.keyboard.press('Tab');
    await expect(chosenBar(page)).toBeHidden();
    expect(await textOf(page).evaluate((text) => text.contains(document.activeElement))).toBe(false);
    await page.keyboard.press('Shift+Tab');
    await expect(textOf(page)).toBeFocused();

    await textOf(page).locator('td', { hasText: 'elm' }).click();
    await page.keyboard.press('Alt+Enter');
    const tools = page.getByRole('toolbar', { name: 'Table' });
    await expect(tools.getByRole('button', { name: 'Row …' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(tools.getByRole('button', { name: 'Back' })).toBeFocused();
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await expect(textOf(page).locator('td')).toHaveText(['oak', '11', 'ash', '9']);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(textOf(page)).toBeFocused();
  },
);

// Keys of a keyboard on a table.
test('S4 m and c go to what they show, and back; so does Esc', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Pintle: 'Iron.\n\nForged.\n', Works: 'The [[Pintle]] is worn.\n' });
  await into(page, 'Forged');
  await page.keyboard.press('Escape');
  const margin = page.getByRole('complementary', { name: 'Margin' });
  const contents = page.getByRole('navigation', { name: 'Contents' });
  await expect(margin.locator('.gloss')).toHaveCount(1);
  await page.keyboard.press('m');
  await expect(margin.locator(':focus')).toBeVisible();
  await page.keyboard.press('m');
  await expect(margin.locator(':focus')).toHaveCount(0);
  await expect(margin).toBeVisible();
  await page.keyboard.press('c');
  await expect(contents.getByRole('treeitem', { name: 'Pintle' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(contents.locator(':focus')).toHaveCount(0);
  await contents.hover();
  await contents.getByRole('button', { name: 'Put away' }).click();
  await margin.hover();
  await margin.getByRole('button', { name: 'Put away' }).click();
  await expect(margin).toHaveCount(0);
  await page.keyboard.press('m');
  await expect(margin.locator(':focus')).toBeVisible();
  await page.keyboard.press('m');
  await expect(margin).toHaveCount(0);
  await page.keyboard.press('c');
  await expect(contents.getByRole('treeitem', { name: 'Pintle' })).toBeFocused();
  await page.keyboard.press('c');
  await expect(contents).toHaveCount(0);
});

test('X3 X5 tools of a table by what is needed; sorting keeps its column; arrows go as one sees', async ({ pages }) => {
  const page = await pages({ Works: `start\n\n${table}\n\n| שלום | עולם |\n| --- | --- |\n| אלון | ברוש |\n` });
  const cell = (words: string) => textOf(page).locator('td, th', { hasText: words });
  const tools = page.getByRole('toolbar', { name: 'Table' });
  await cell('7').click();
  await tools.getByRole('button', { name: 'Sort up' }).click();
  await expect(textOf(page).locator('table').first().locator('td')).toHaveText(['elm', '7', 'ash', '9', 'oak', '11']);
  await page.keyboard.press('End');
  await page.keyboard.type(' logs');
  await expect(cell('7 logs')).toBeVisible();
  await tools.getByRole('button', { name: 'Column …' }).click();
  await tools.getByRole('button', { name: 'Column left' }).click();
  await expect(textOf(page).locator('table').first().locator('th')).toHaveText(['Logs', 'Wood']);
  if (isPhone(page)) return;
  await cell('אלון').click();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('!');
  await expect(cell('ברוש')).toHaveText('!ברוש');
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('?');
  await expect(cell('אלון')).toHaveText('אלון?');
});

test('X13 the caption of a new picture is written by touch', async ({ pages }) => {
  const page = await pages({ Works: 'start\n' });
  await into(page, 'start');
  await page.keyboard.press('Enter');
  const chooser = page.waitForEvent('filechooser');
  await insert(page, 'photo', 'Picture');
  const pixel = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await (await chooser).setFiles({ name: 'gate.png', mimeType: 'image/png', buffer: pixel });
  const picture = textOf(page).locator('.picture');
  await expect(picture.locator('img')).toBeVisible();
  await tap(page, picture.locator('img'));
  await tap(page, picture.getByRole('textbox', { name: 'Caption' }));
  await page.keyboard.type('The leaf, seaward');
  await into(page, 'start');
  await saved(page);
  await page.reload();
  await expect(textOf(page).locator('.picture').getByRole('textbox', { name: 'Caption' })).toHaveValue(
    'The leaf, seaward',
  );
});

test('X12 finding stays in sight, and moves the page only to a match that is asked for', async ({ pages }) => {
  const long = Array.from({ length: 60 }, (_each, index) => `Line ${index} of it.\n`).join('\n');
  const page = await pages({ Works: `${long}\nthe last gate\n` });
  const scrolled = () => page.evaluate(() => document.getElementById('main')!.scrollTop);
  await into(page, 'Line 3 of');
  await page.evaluate(() => (document.getElementById('main')!.scrollTop = 400));
  await page.getByRole('button', { name: 'Page', exact: true }).click({ force: true });
  await page.getByRole('dialog').getByRole('button', { name: 'Find and replace here' }).click();
  const panel = page.getByRole('search', { name: 'Find and replace on this page' });
  await expect(panel).toBeInViewport();
  const before = await scrolled();
  await panel.getByRole('textbox', { name: 'Find on this page' }).pressSequentially('gate');
  await expect(panel.getByRole('status')).toHaveText('1 found');
  expect(await scrolled()).toBe(before);
  await panel.getByRole('button', { name: 'Next' }).click();
  await expect(textOf(page).locator('.search-match.active')).toBeInViewport();
  await expect(panel).toBeInViewport();
  const shown = (await textOf(page).locator('.search-match.active').boundingBox())!;
  const over = (await panel.boundingBox())!;
  expect(shown.y + shown.height).toBeLessThan(over.y);
});

// Two pages stand beside each other where there is room.
test(
  'X11 lines and words that are dragged across come there as an excerpt with its source',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n\nthe leaf has dropped\n', Order: 'there\n\nlast\n' });
    await page.locator('main').focus();
    await page.keyboard.press('w');
    await page.keyboard.press('g');
    await page.getByRole('dialog').getByRole('combobox').fill('Order');
    await page.getByRole('dialog').getByRole('option', { name: /Order/u }).first().click();
    const beside = page.locator('.beside .writing');
    const main = page.locator('.page-text .writing');
    await expect(beside).toContainText('the leaf has dropped');
    await expect(main).toContainText('there');
    const leaf = beside.locator('.words', { hasText: 'the leaf' });
    await leaf.hover();
    const handle = page.locator('.beside .block-handle');
    const from = (await handle.boundingBox())!;
    const to = (await main.locator('.words', { hasText: 'there' }).boundingBox())!;
    await page.mouse.move(from.x + 8, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x - 40, from.y + 14, { steps: 4 });
    await page.mouse.move(to.x + 60, to.y + to.height - 2, { steps: 8 });
    await page.mouse.up();
    await expect(main.locator('.words')).toHaveText(['there', 'the leaf has dropped – Works', 'last']);
    await expect(beside).toContainText('the leaf has dropped');
    await leaf.click();
    await page.keyboard.press('Home');
    await page.keyboard.press('Shift+End');
    await expect.poll(() => page.evaluate(() => getSelection()?.toString())).toBe('the leaf has dropped');
    await leaf.dragTo(main.locator('.words', { hasText: 'last' }), {
      sourcePosition: { x: 30, y: 12 },
      targetPosition: { x: 26, y: 12 },
      steps: 8,
    });
    await expect(main.locator('.words').last()).toHaveText(/last.*the leaf has dropped – Works/u);
    await expect(leaf).toHaveText('the leaf has dropped');
    await main.locator('.words').last().locator('a.link').click();
    await expect(page.getByRole('textbox', { name: 'Title', exact: true }).first()).toHaveText('Works');
  },
);

test(
  'X3 who goes to the very beginning at once after the text took the focus types there',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'one two\n' });
    await into(page, 'one two');
    // Out of the text and in again, and on at once.
    for (let time = 0; time < 6; time += 1) {
      for (const key of ['End', 'Escape', 'Enter', 'Home']) await page.keyboard.press(key);
      await page.keyboard.type('x');
    }
    await expect.poll(() => lines(page)).toEqual(['paragraph: xxxxxxone two']);
  },
);

test('X3 words that the browser puts beside those of a line are taken into it', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Works: '- the weir\n- [ ] the wheel\n' });
  // As Chromium does when it types between two lines that another window has just changed.
  await textOf(page).evaluate((text) => {
    const [first, second] = [...text.querySelectorAll('.block')];
    first!.insertBefore(document.createTextNode('old '), first!.querySelector('.words'));
    second!.append(document.createTextNode(' turns'));
  });
  await linesKept(page, ['bulleted: old the weir', 'todo open: the wheel turns']);
});
