import { expect, isPhone, lines, openPage, saved, test, textOf, into } from './support/lines';

/** What every hand needs: keys, mouse and touch, each by itself. */

test('L1 L3 a list is chosen from by a pointer that moves; brackets closed around a name link; addresses link to the web', async ({
  pages,
}) => {
  const page = await pages({
    Works: 'start\n\nthe other line\n',
    'Sluice gate': 'Oak.\n',
    'Sluice pit': 'Deep.\n',
    'Slow sand': 'Fine.\n',
  });
  await into(page, 'start');
  await page.keyboard.type(' [[sluice');
  const list = page.getByRole('listbox', { name: 'What to link to' });
  await expect(list.getByRole('option', { selected: true })).toHaveText(/Sluice/u);
  const box = (await list.getByRole('option').nth(2).boundingBox())!;
  const deleteTyped = async () => {
    for (let each = 0; each < '[[sluice'.length; each += 1) await page.keyboard.press('Backspace');
  };
  await deleteTyped();
  if (!isPhone(page)) {
    // The mouse rests where the list comes to stand.
    await page.mouse.move(box.x + 10, box.y + 4);
    await page.mouse.move(box.x + 20, box.y + box.height / 2);
    await page.keyboard.type('[[sluice');
    const first = list.getByRole('option').first();
    await expect(first).toHaveAttribute('aria-selected', 'true');
    await page.waitForTimeout(300);
    await expect(first).toHaveAttribute('aria-selected', 'true');
    const now = (await list.getByRole('option').nth(2).boundingBox())!;
    await page.mouse.move(now.x + 40, now.y + now.height / 2);
    await expect(list.getByRole('option').nth(2)).toHaveAttribute('aria-selected', 'true');
    await deleteTyped();
  }
  await into(page, 'the other line');
  await page.keyboard.type(' by [[Sluice gate]] and [[Nobody there]] ');
  await expect(textOf(page).locator('a.link')).toHaveText('Sluice gate');
  await expect(textOf(page)).toContainText('and [[Nobody there]]');
  await textOf(page).evaluate((element) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', 'from [[Slow sand]] and [[No one]]');
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(textOf(page).locator('a.link')).toHaveText(['Sluice gate', 'Slow sand']);
  await expect(textOf(page)).toContainText('and [[No one]]');
  await page.keyboard.type(' see https://example.org/sill now');
  await expect(textOf(page).locator('a[href="https://example.org/sill"]')).toHaveText('https://example.org/sill');
  await into(page, 'start');
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('https://example.org/other');
  await page.keyboard.press('Enter');
  await expect(textOf(page).locator('a[href="https://example.org/other"]')).toHaveText(/^start/u);
});

test(
  'L6 a chosen link is followed by Enter and removed by Delete and Backspace alone',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n', Pintle: 'Iron.\n' });
    await into(page, 'start');
    await page.keyboard.type(' [[Pintle');
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.keyboard.press('Enter');
    const link = textOf(page).locator('a.link');
    await expect(link).toHaveText('Pintle');
    await page.keyboard.press('ArrowLeft');
    await expect(textOf(page).locator('.ProseMirror-selectednode')).toHaveCount(1);
    await page.keyboard.type('x');
    await expect(link).toHaveText('Pintle');
    await expect.poll(() => lines(page)).toEqual(['paragraph: start Pintlex']);
    // A keyboard on a screen has no arrows: a link is tapped there.
    if (isPhone(page)) return;
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await expect(textOf(page).locator('.ProseMirror-selectednode')).toHaveCount(1);
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/p\//u);
    await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Pintle');
  },
);

test(
  'X6 L1 underscores, back ticks and Enter mean what they mean; Esc takes the slash away',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n' });
    await into(page, 'start');
    await page.keyboard.type(' _leaning_ and __heavy__ file_name_here');
    await expect(textOf(page).locator('em')).toHaveText('leaning');
    await expect(textOf(page).locator('strong')).toHaveText('heavy');
    await expect(textOf(page)).toContainText('file_name_here');
    await page.keyboard.type(' /');
    await expect(page.getByRole('listbox', { name: 'Insert' })).toBeVisible();
    await page.keyboard.type('tab');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('listbox', { name: 'Insert' })).toBeHidden();
    await expect(textOf(page)).not.toContainText('/');
    await page.keyboard.press('Enter');
    await page.keyboard.type('```ts');
    await page.keyboard.press('Enter');
    await page.keyboard.type('let sill = 2');
    await expect
      .poll(() => lines(page))
      .toEqual(['paragraph: start leaning and heavy file_name_here', 'code: let sill = 2']);
  },
);

test(
  'W10 S3 an address that names nothing says so; the label of a text follows its title; a new page leaves no mark',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n' });
    const origin = new URL(page.url()).origin;
    for (const address of ['/p/nothing-at-all', '/n/nothing-at-all', '/b/nothing-at-all', '/day/2026-13-45']) {
      await page.goto(origin + address);
      await expect(page.getByRole('heading', { name: /^Not (here|a day)$/u })).toBeVisible();
    }
    await openPage(page, 'Works');
    await page.getByRole('textbox', { name: 'Title', exact: true }).click();
    await page.keyboard.press('End');
    await page.keyboard.type(' and days');
    await expect(page.getByRole('textbox', { name: 'Text of Works and days', exact: true })).toBeVisible();
    await saved(page);
    await page.locator('main').focus();
    await page.keyboard.press('n');
    await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toBeFocused();
    await expect(page).not.toHaveURL(/at=title/u);
  },
);

test('F4 Go to takes a day in words, finds screens and acts, and keeps what is typed while it comes', async ({
  pages,
}) => {
  const page = await pages({ Works: 'start\n' });
  // Keys that come with the focus are typed before what comes after them.
  await page.locator('main').focus();
  await page.evaluate(() => {
    const type = ({ target }: FocusEvent) =>
      queueMicrotask(() => {
        target!.dispatchEvent(new KeyboardEvent('keydown', { key: 't', bubbles: true }));
        document.execCommand('insertText', false, 'to');
      });
    document.addEventListener('focusin', type, { once: true });
  });
  await page.keyboard.press('g');
  await expect(page.getByRole('combobox', { name: 'Go to' })).toHaveValue('to');
  await page.keyboard.type('day');
  await expect(page.getByRole('combobox', { name: 'Go to' })).toHaveValue('today');
  await page.keyboard.press('Escape');
  const go = async (typed: string) => {
    await page.locator('main').focus();
    await page.keyboard.press('g');
    await page.keyboard.type(typed);
    await expect(page.getByRole('combobox', { name: 'Go to' })).toHaveValue(typed);
    await expect(page.getByRole('dialog').getByRole('option').first()).toBeVisible();
  };
  await go('2026-11-03');
  await expect(page.getByRole('option', { selected: true })).toContainText('3 November');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/day\/2026-11-03$/u);
  await go('yesterday');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/day\/\d{4}-\d\d-\d\d$/u);
  await go('settings');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/settings$/u);
  await go('all keys');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});

test('F4 what is found in code and in a table is scrolled into sight', async ({ pages }) => {
  const before = Array.from({ length: 60 }, (_each, index) => `Line ${index} of the works.`).join('\n\n');
  const page = await pages({
    Works: 'start\n',
    Bores: `${before}\n\n\`\`\`\nlet fulcrum = 41\n\`\`\`\n\n${before}\n\n| Pin | Bore |\n| - | - |\n| Gudgeon | 60 |\n\n${before}\n`,
  });
  for (const [word, block] of [
    ['fulcrum', 'pre'],
    ['gudgeon', '.tableWrapper'],
  ] as const) {
    await page.goto(new URL(`/find?q=${word}`, page.url()).href);
    await page.getByRole('option').first().click();
    const found = textOf(page).locator(block);
    await expect(found).toHaveClass(/landed/u);
    await expect(found).toBeInViewport();
    await expect(found).not.toHaveClass(/landed/u);
  }
  // What washes it in colour is none of the text.
  await expect(page.getByTestId('saving')).toHaveText('Saved');
  await expect(textOf(page).locator('pre')).toHaveText('let fulcrum = 41');
});

test('J2 the strip of days, or the calendar, belongs to the day that is open', async ({ pages }) => {
  const page = await pages({ Works: 'start\n' });
  await page.goto(new URL('/day/2026-03-09', page.url()).href);
  const around = isPhone(page)
    ? page.getByRole('navigation', { name: /days/iu })
    : page.getByRole('region', { name: 'Calendar' });
  await expect(around.locator('[aria-current=date]')).toHaveAttribute('href', '/day/2026-03-09');
  await expect(around.getByRole('link')).toHaveCount(isPhone(page) ? 7 : 42);
});

test('S4 letters act by their place, Shift with a click opens no strip', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Works: 'start\n' });
  await page.locator('main').focus();
  await page.keyboard.down('Shift');
  await page.locator('main').click({ position: { x: 5, y: 700 } });
  await page.keyboard.up('Shift');
  await page.keyboard.press('Shift');
  await expect(page.getByRole('toolbar', { name: 'Keys' })).toBeHidden();
  await page.locator('main').focus();
  await page.evaluate(() =>
    document.activeElement!.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'а', code: 'KeyF', bubbles: true, cancelable: true }),
    ),
  );
  await expect(page).toHaveURL(/\/find/u);
});

test('S4 what comes first by keys leads past everything to the text', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Works: 'start\n' });
  const skip = page.getByRole('link', { name: 'Skip to the text' });
  expect(
    await skip.evaluate(
      (link) => document.querySelector('a[href], button, input, [tabindex="0"], [contenteditable]') === link,
    ),
  ).toBe(true);
  await skip.focus();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(textOf(page)).toBeFocused();
});

test(
  'X8 a window that is only beginning to connect does not say it is offline',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n' });
    await page.addInitScript(() => {
      const said: string[] = [];
      Object.assign(window, { said });
      const look = () => {
        const words = document.querySelector('[data-testid=saving]')?.textContent;
        if (words && said.at(-1) !== words) said.push(words);
        requestAnimationFrame(look);
      };
      look();
    });
    await page.reload();
    await expect(textOf(page)).toBeVisible();
    await expect(page.getByTestId('saving')).toHaveText('Saved');
    expect(await page.evaluate(() => (window as unknown as { said: string[] }).said)).not.toContain(
      'Offline, kept here',
    );
  },
);

test('X3 by touch the toolbar is there at every width, the most used without swiping, and Done leaves the text', async ({
  pages,
}) => {
  const page = await pages({ Works: 'start\n' });
  const toolbar = page.getByRole('toolbar', { name: 'Writing' });
  if (!isPhone(page)) {
    // A mouse has keys beside it.
    await into(page, 'start');
    await expect(toolbar).toBeHidden();
    return;
  }
  for (const size of [
    { width: 390, height: 844 },
    { width: 844, height: 390 },
    { width: 768, height: 1024 },
    { width: 1280, height: 800 },
  ]) {
    await page.setViewportSize(size);
    await textOf(page).locator('.words').first().tap();
    await expect(toolbar).toBeVisible();
    for (const name of ['Insert', 'To-do', 'Link', 'Undo', 'Done']) {
      const box = (await toolbar.getByRole('button', { name, exact: true }).boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(size.width + 1);
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
    }
    await toolbar.getByRole('button', { name: 'Done', exact: true }).tap();
    await expect(toolbar).toBeHidden();
    await expect(textOf(page)).not.toBeFocused();
  }
});

test('X7 a tick in the Margin is taken back, and deeds are after a reload', async ({ pages }) => {
  const page = await pages({
    Pintle: 'Iron.\n',
    Works: '- [ ] Oil the [[Pintle]]\n',
    Tailrace: 'Clear.\n',
  });
  if (isPhone(page)) await page.getByRole('button', { name: /^Margin/u }).click();
  const box = page.getByRole('complementary', { name: 'Margin' }).getByRole('checkbox');
  await box.click();
  await expect(box).toBeChecked();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(box).not.toBeChecked();
  await box.click();
  await expect(box).toBeChecked();
  await page.reload();
  await expect(textOf(page)).toBeVisible();
  await page.locator('main').focus();
  await page.keyboard.press('z');
  await expect(page.getByRole('status').filter({ hasText: 'Taken back' })).toBeVisible();
  await expect(box).not.toBeChecked();
});

test(
  'S4 W4 links and lines of the contents open another tab when that is asked for',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n', Pintle: 'Iron.\n' });
    await page.goto(new URL('/notebooks', page.url()).href);
    await page.locator('main').getByRole('link', { name: 'Mill' }).click();
    const line = page.getByRole('treeitem', { name: 'Pintle' });
    const opened = page.context().waitForEvent('page');
    await line.click({ modifiers: ['Control'] });
    const tab = await opened;
    await expect(tab).toHaveURL(/\/p\//u);
    await tab.close();
    await expect(page).toHaveURL(/\/n\//u);
  },
);
