import { randomUUID } from 'node:crypto';
import { act, drag, line, lines, openNotebook, said, START, tree } from './support/outline';
import { expect, isPhone, openPage, saved, test } from './support/test';

const title = (page: Parameters<typeof openPage>[0]) => page.getByRole('textbox', { name: 'Title', exact: true });

test('W1 notebooks: name, pigment, description and order', async ({ outline }) => {
  await outline.goto(new URL('/notebooks', outline.url()).href);
  await outline.getByRole('button', { name: 'New notebook' }).click();
  await outline.getByRole('button', { name: 'Make notebook' }).click();
  await expect(outline.getByText('A notebook needs a name.')).toBeVisible();
  await outline.getByRole('textbox', { name: 'Name' }).fill('Reading');
  await outline.getByRole('textbox', { name: 'Described in a line' }).fill('Books and papers.');
  await outline.getByRole('radio', { name: 'ochre' }).click();
  await outline.getByRole('button', { name: 'Make notebook' }).click();
  const spines = outline.locator('main .spine');
  await expect(outline.getByText('Books and papers.')).toBeVisible();
  await expect(spines).toHaveText([/Saltmere/, /Field Craft/, /Reading/]);

  await spines.nth(2).getByRole('link').click();
  await drag(outline, spines.nth(2), spines.nth(0), 0.2);
  await expect(spines).toHaveText([/Reading/, /Saltmere/, /Field Craft/]);
  await spines.nth(0).getByRole('link').focus();
  await outline.keyboard.press('Alt+ArrowDown');
  await expect(spines).toHaveText([/Saltmere/, /Reading/, /Field Craft/]);
  await spines.nth(1).getByRole('link').focus();
  await outline.keyboard.press('Alt+ArrowUp');
  await expect(spines).toHaveText([/Reading/, /Saltmere/, /Field Craft/]);
  await act(outline, spines.nth(0), 'Name and look');
  await outline.getByRole('textbox', { name: 'Name' }).fill('Reading notes');
  await outline.getByRole('radio', { name: 'plum' }).click();
  await outline.getByRole('button', { name: 'Keep changes' }).click();
  await expect(spines.nth(0)).toHaveText(/Reading notes/);
  await outline.reload();
  await expect(spines).toHaveText([/Reading notes/, /Saltmere/, /Field Craft/]);
  await expect(spines.nth(0)).toHaveAttribute('style', /spine-plum/);
});

test('W2 sections: nested, named, given an ornament, moved in and out, folded, remembered', async ({ outline }) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Waterworks'), 'New section within');
  await outline.getByRole('textbox', { name: 'Name' }).fill('Gates');
  await outline.getByRole('radio', { name: 'anchor' }).click();
  await outline.getByRole('button', { name: 'Make section' }).click();
  await expect(line(outline, 'Gates')).toHaveAttribute('aria-level', '2');
  await expect(line(outline, 'Gates').locator('svg')).toBeVisible();

  await act(outline, line(outline, 'Gates'), 'Rename');
  await outline.getByRole('textbox', { name: 'Name of Gates' }).fill('Gates and logs');
  await outline.keyboard.press('Enter');
  await expect(line(outline, 'Gates and logs')).toBeVisible();

  await drag(outline, line(outline, 'Gates and logs'), line(outline, 'Wheel and gears'), 0.9);
  await expect(line(outline, 'Gates and logs')).toHaveAttribute('aria-level', '1');
  await drag(outline, line(outline, 'Gates and logs'), line(outline, 'Wheel and gears'), 0.5);
  await expect(line(outline, 'Gates and logs')).toHaveAttribute('aria-level', '2');

  await line(outline, 'Waterworks').getByRole('button', { name: 'Fold Waterworks' }).click();
  await expect(line(outline, 'Tailrace')).toHaveCount(0);
  await outline.reload();
  await expect(line(outline, 'Waterworks')).toHaveAttribute('aria-expanded', 'false');
  await expect(line(outline, 'Pit wheel cogs')).toBeVisible();
  await line(outline, 'Waterworks').click();
  await expect(line(outline, 'Tailrace')).toBeVisible();
});

test('W3 pages: beside, beneath and at the end, twelve deep, each level folded; a nameless page shows its words', async ({
  outline,
}) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Sluice gate'), 'New page beside');
  await expect(title(outline)).toBeFocused();
  await outline.keyboard.type('Paddle');
  await saved(outline);
  await openNotebook(outline);
  await act(outline, line(outline, 'Sluice gate'), 'New page at the end');
  await expect(title(outline)).toBeFocused();
  await outline.keyboard.type('Winch');
  await saved(outline);
  await openNotebook(outline);
  expect(await lines(outline)).toEqual([
    'Waterworks',
    '  Sluice gate',
    '    Pintle',
    '  Paddle',
    '  Tailrace',
    '  Stop logs',
    '  Winch',
    ...START.slice(5),
  ]);

  let parentId = await openPage(outline, 'Winch');
  const levels = Array.from({ length: 7 }, (_each, index) => {
    const id = randomUUID();
    const made = { do: 'make', id, kind: 'page', parentId, name: `Level ${index + 1}` };
    parentId = id;
    return made;
  });
  const done = await outline.request.post(new URL('/api/acts', outline.url()).href, {
    headers: { Origin: new URL(outline.url()).origin },
    data: { acts: levels },
  });
  expect(done.ok()).toBe(true);
  await openPage(outline, 'Level 7');
  for (let depth = 8; depth <= 10; depth += 1) {
    await outline.getByRole('button', { name: 'Page', exact: true }).click();
    await outline.getByRole('button', { name: 'New page beneath' }).click();
    await expect(title(outline)).toBeFocused();
    await outline.keyboard.type(`Level ${depth}`);
    await saved(outline);
  }
  await openNotebook(outline);
  await expect(line(outline, 'Level 10')).toHaveAttribute('aria-level', '12');
  await line(outline, 'Level 4').getByRole('button', { name: 'Fold Level 4' }).click();
  await expect(line(outline, 'Level 5')).toHaveCount(0);
  await outline.reload();
  await expect(line(outline, 'Level 4')).toBeVisible();
  await expect(line(outline, 'Level 5')).toHaveCount(0);

  await outline.getByRole('button', { name: 'New page', exact: true }).click();
  await expect(title(outline)).toBeFocused();
  await outline.keyboard.press('Enter');
  await outline.keyboard.type('The gudgeon is bronze, not iron.');
  await saved(outline);
  await openNotebook(outline);
  await expect(line(outline, 'The gudgeon is bronze, not iron.')).toBeVisible();
});

test('W4 moving by dragging: before, after and inside are told apart; taken back', async ({ outline }) => {
  await openNotebook(outline);
  const mark = outline.locator('.drop-mark');
  await drag(outline, line(outline, 'Stop logs'), line(outline, 'Tailrace'), 0.1, async () => {
    await expect(mark).toHaveAttribute('data-zone', 'before');
  });
  await expect
    .poll(() => lines(outline))
    .toEqual(['Waterworks', '  Sluice gate', '    Pintle', '  Stop logs', '  Tailrace', ...START.slice(5)]);
  await drag(outline, line(outline, 'Stop logs'), line(outline, 'Tailrace'), 0.5, async () => {
    await expect(mark).toHaveAttribute('data-zone', 'inside');
  });
  await expect(line(outline, 'Stop logs')).toHaveAttribute('aria-level', '3');
  await drag(outline, line(outline, 'Tailrace'), line(outline, 'Budget'), 0.9, async () => {
    await expect(mark).toHaveAttribute('data-zone', 'after');
  });
  await expect
    .poll(() => lines(outline))
    .toEqual([
      'Waterworks',
      '  Sluice gate',
      '    Pintle',
      'Wheel and gears',
      '  Budget',
      '  Tailrace',
      '    Stop logs',
      '  Pit wheel cogs',
      '  Lift plan',
    ]);
  await outline.getByRole('button', { name: 'Undo' }).click();
  await expect(said(outline, 'Taken back')).toBeVisible();
  await tree(outline).getByRole('treeitem').first().focus();
  await outline.keyboard.press('Control+z');
  await expect(line(outline, 'Stop logs')).toHaveAttribute('aria-level', '2');
  await outline.keyboard.press('Control+z');
  await expect.poll(() => lines(outline)).toEqual(START);
  await outline.reload();
  await expect.poll(() => lines(outline)).toEqual(START);
});

test('W4 a move into what stands beneath is refused, and what is held over opens', async ({ outline }) => {
  await openNotebook(outline);
  await drag(outline, line(outline, 'Sluice gate'), line(outline, 'Pintle'), 0.5);
  await expect(said(outline, 'can’t be moved into itself')).toBeVisible();
  await expect.poll(() => lines(outline)).toEqual(START);
  await line(outline, 'Sluice gate').getByRole('button', { name: 'Fold Sluice gate' }).click();
  await expect(line(outline, 'Pintle')).toHaveCount(0);
  await drag(outline, line(outline, 'Stop logs'), line(outline, 'Sluice gate'), 0.5, async () => {
    await expect(line(outline, 'Pintle')).toBeVisible();
  });
});

test(
  'W4 moving with keys alone: steps, the picker, several at once, to another notebook',
  { tag: '@once' },
  async ({ outline }) => {
    await openNotebook(outline);
    await line(outline, 'Tailrace').focus();
    await outline.keyboard.press('Alt+ArrowUp');
    await expect.poll(async () => (await lines(outline))[1]).toBe('  Tailrace');
    await expect(line(outline, 'Tailrace')).toBeFocused();
    await outline.keyboard.press('Alt+ArrowDown');
    await expect.poll(async () => (await lines(outline))[1]).toBe('  Sluice gate');
    await outline.keyboard.press('Alt+Shift+ArrowRight');
    await expect(line(outline, 'Tailrace')).toHaveAttribute('aria-level', '3');
    await outline.keyboard.press('Alt+Shift+ArrowLeft');
    await expect(line(outline, 'Tailrace')).toHaveAttribute('aria-level', '2');

    await line(outline, 'Tailrace').focus();
    await outline.keyboard.press('Shift+ArrowDown');
    await expect(outline.getByText('2 chosen')).toBeVisible();
    await outline.keyboard.press('s');
    await expect(outline.getByRole('combobox')).toBeFocused();
    await outline.keyboard.type('timber craft');
    await expect(outline.getByRole('option', { name: /Timber.*Field Craft/ })).toBeVisible();
    await outline.keyboard.press('Enter');
    await expect(said(outline, '2 entries moved into “Timber”.')).toBeVisible();
    await openNotebook(outline, 'Field Craft');
    await expect.poll(() => lines(outline)).toEqual(['Timber', '  Budget', '  Tailrace', '  Stop logs']);
  },
);

test('W4 several chosen by tapping are moved together', async ({ outline }) => {
  await openNotebook(outline);
  await outline.getByRole('button', { name: 'Choose', exact: true }).click();
  await line(outline, 'Tailrace').click();
  await line(outline, 'Budget').click();
  const bar = outline.getByRole('toolbar', { name: 'Chosen entries' });
  await expect(bar).toContainText('2 chosen');
  await bar.getByRole('button', { name: 'Move to…' }).click();
  await outline.getByRole('combobox', { name: /Move 2 entries/ }).fill('sluice');
  await outline
    .getByRole('option', { name: /^Sluice gate/ })
    .first()
    .click();
  await expect(bar).toHaveCount(0);
  await expect
    .poll(() => lines(outline))
    .toEqual([
      'Waterworks',
      '  Sluice gate',
      '    Pintle',
      '    Tailrace',
      '    Budget',
      '  Stop logs',
      'Wheel and gears',
      '  Pit wheel cogs',
      '  Lift plan',
    ]);
});

test('W4 a second window sees a move at once', { tag: '@once' }, async ({ outline, context }) => {
  await openNotebook(outline);
  const other = await context.newPage();
  await other.goto(outline.url());
  await expect(line(other, 'Stop logs')).toBeVisible();
  await line(outline, 'Stop logs').focus();
  await outline.keyboard.press('Alt+ArrowUp');
  await expect.poll(async () => (await lines(other))[3]).toBe('  Stop logs');
});

test('W4 a contents longer than the screen scrolls while something is held near its edge', async ({ outline }) => {
  const origin = new URL(outline.url()).origin;
  const files = Array.from({ length: 50 }, (_each, index) => ({
    path: `Log/Tides/Tide ${String(index + 1).padStart(2, '0')}.md`,
    text: 'Written.\n',
  }));
  await outline.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
  await openNotebook(outline, 'Log');
  const scrolled = () => outline.evaluate(() => document.getElementById('main')!.scrollTop);
  await outline.evaluate(() => (document.getElementById('main')!.scrollTop = 0));
  const before = await scrolled();
  const edge = outline.viewportSize()!.height - (isPhone(outline) ? 90 : 25);
  const shown = await line(outline, 'Tide 01').boundingBox();
  const height = (edge - shown!.y) / shown!.height;
  await drag(outline, line(outline, 'Tide 01'), line(outline, 'Tide 01'), height, async () => {
    await expect.poll(scrolled).toBeGreaterThan(before + 300);
  });
  await expect
    .poll(async () => (await lines(outline)).findIndex((each) => each.trim() === 'Tide 01'))
    .toBeGreaterThan(8);
});

test('W3 a contents of hundreds of pages stands beside a page, with the page’s line in sight', async ({
  page,
  context,
  server,
  signIn,
}) => {
  if (isPhone(page)) return;
  const pages = Array.from({ length: 220 }, (_each, index) => ({
    path: `Mill/Log ${index}.md`,
    text: `Entry ${index}.`,
  }));
  await signIn(context, server.url, pages);
  await page.goto(`${server.url}/desk`);
  await openPage(page, 'Log 180');
  const contents = page.getByRole('tree', { name: 'Contents of Mill' });
  const line = contents.getByRole('treeitem', { name: /^Log 180/ });
  await expect(line).toBeInViewport();
  await line.click();
  await page.keyboard.press('Home');
  await expect(contents.getByRole('treeitem', { name: /^Log 0/ })).toBeInViewport();
});
