import {
  deed,
  expect,
  insert,
  into,
  isPhone,
  line,
  lines,
  linesKept,
  menu,
  saved,
  test,
  textOf,
} from './support/lines';

test('X1 every kind of block is there by its name, and stays', async ({ pages }) => {
  const page = await pages({ Kinds: '\n', Callum: 'Smith at the lifeboat house.\n' });
  await textOf(page).click();
  const kinds: [string, string, string][] = [
    ['great', 'Great heading', 'heading1: One'],
    ['head', 'Heading', 'heading2: Two'],
    ['small', 'Small heading', 'heading3: Three'],
    ['least', 'Least heading', 'heading4: Four'],
    ['bull', 'Bulleted item', 'bulleted: Five'],
    ['numb', 'Numbered item', 'numbered: Six'],
    ['task', 'To-do', 'todo open: Seven'],
    ['cit', 'Quote', 'quote: Eight'],
    ['callout', 'Note box', 'note: Nine'],
    ['collapse', 'Foldable', 'fold: Ten'],
  ];
  const words = ['One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
  for (const [index, [letters, name]] of kinds.entries()) {
    await insert(page, letters, name);
    await page.keyboard.type(words[index]!);
    await page.keyboard.press('Enter');
    // Items and quotes go on; an empty one steps out.
    if ((await lines(page)).at(-1) !== 'paragraph:') await page.keyboard.press('Enter');
  }
  await insert(page, 'list', 'Code');
  await page.keyboard.type('open(gate)');
  await page.keyboard.press('Enter');
  await page.keyboard.type('close(gate)');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await insert(page, 'rule', 'Divider');
  await insert(page, 'preview', 'Page card');
  await page.getByRole('combobox').fill('callum');
  await page.getByRole('option', { name: /Callum/u }).click();
  await expect(page.locator('.page-card')).toContainText('Smith at the lifeboat house.');
  await insert(page, 'grid', 'Table');
  await page.keyboard.type('Part');
  await linesKept(page, [
    ...kinds.map(([, , shown]) => shown),
    'code: open(gate)\nclose(gate)',
    'divider:',
    'card-block:',
    'table: Part',
    'paragraph:',
  ]);
});

test('X1 what stands beneath a foldable line is folded away and found open again', async ({ pages }) => {
  const page = await pages({ Folds: '- Tools {kind=fold}\n  - winch\n  - shackles\n\nAfter.\n' });
  await page.getByRole('button', { name: 'Fold what is beneath' }).click();
  await expect(line(page, 'winch')).toBeHidden();
  await saved(page);
  await page.reload();
  await expect(line(page, 'After.')).toBeVisible();
  await expect(line(page, 'winch')).toBeHidden();
  await page.getByRole('button', { name: 'Open what is folded' }).click();
  await expect(line(page, 'winch')).toBeVisible();
});

test('X2 a line is turned into another kind with its words, its styles and what stands beneath it', async ({
  pages,
}) => {
  const page = await pages({ Turns: '- the **old** gate\n  - pintle\n\n```js\nlet a = 1;\nlet b = 2;\n```\n' });
  await into(page, 'the old gate');
  await deed(page, 'Heading');
  await expect(line(page, 'the old gate').locator('strong')).toHaveText('old');
  await expect
    .poll(() => lines(page))
    .toEqual(['heading2: the old gate', '  bulleted: pintle', 'code: let a = 1;\nlet b = 2;']);
  await textOf(page).locator('pre').click();
  await deed(page, 'Quote');
  await linesKept(page, ['heading2: the old gate', '  bulleted: pintle', 'quote: let a = 1;let b = 2;']);
});

test(
  'X2 Markdown typed at the start of a line turns it: foldable, note box, code',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Typed: '\n' });
    await textOf(page).click();
    await page.keyboard.type('>> Tools');
    await page.keyboard.press('Enter');
    await page.keyboard.type('! Mind the sill');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await page.keyboard.type('```ts let a;');
    await linesKept(page, ['fold: Tools', 'note: Mind the sill', 'code: let a;']);
  },
);

test('X3 styles by keys, and on a phone by the toolbar that keeps the keyboard', async ({ pages }) => {
  const page = await pages({ Styles: 'oak and iron\n' });
  await into(page, 'oak');
  const styles: [string, string, string][] = [
    ['Bold', 'Control+b', 'strong'],
    ['Italic', 'Control+i', 'em'],
    ['Underline', 'Control+u', 'u'],
    ['Strike through', 'Control+Shift+x', 's'],
    ['Code', 'Control+e', 'code'],
  ];
  for (const [name, chord, tag] of styles) {
    await page.keyboard.press('Control+Shift+ArrowLeft');
    const tool = page.getByRole('toolbar', { name: 'Writing' }).getByRole('button', { name, exact: true });
    const press = () => (isPhone(page) ? tool.click() : page.keyboard.press(chord));
    await press();
    await expect(textOf(page).locator(tag)).toHaveText('iron');
    if (isPhone(page)) await expect(tool).toHaveAttribute('aria-pressed', 'true');
    await press();
    await expect(textOf(page).locator(tag)).toHaveCount(0);
    await page.keyboard.press('End');
  }
  await page.keyboard.press('Control+Shift+ArrowLeft');
  if (isPhone(page)) {
    const bar = page.getByRole('toolbar', { name: 'Writing' });
    await bar.getByRole('button', { name: 'Highlighter' }).click();
    await bar.getByRole('button', { name: 'Highlight in plum' }).click();
    await expect(textOf(page)).toBeFocused();
    await expect(textOf(page).locator('mark[data-pigment=plum]')).toHaveText('iron');
  } else {
    await page.keyboard.press('Control+Shift+h');
    await expect(textOf(page).locator('mark')).toHaveText('iron');
  }
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('listbox', { name: 'What to link to' })).toBeVisible();
});

const works = 'alpha\n\n- beta\n  - gamma\n  - delta\n- epsilon\n\nomega\n';

test(
  'X4 whole lines are chosen by keys, and moved, indented, tinted, turned, duplicated and deleted together',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: works });
    const start = [
      'paragraph: alpha',
      'bulleted: beta',
      '  bulleted: gamma',
      '  bulleted: delta',
      'bulleted: epsilon',
      'paragraph: omega',
    ];
    await into(page, 'beta');
    await page.keyboard.press('Escape');
    // With what stands beneath it.
    await expect(page.getByRole('toolbar', { name: '3 lines are chosen' })).toBeFocused();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(() => lines(page)).toEqual([start[1], start[2], start[3], start[0], start[4], start[5]]);
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(() => lines(page)).toEqual(start);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(page.getByRole('toolbar', { name: '2 lines are chosen' })).toBeVisible();
    await page.keyboard.press('Alt+Shift+ArrowLeft');
    await expect
      .poll(() => lines(page))
      .toEqual([
        'paragraph: alpha',
        'bulleted: beta',
        'bulleted: gamma',
        'bulleted: delta',
        'bulleted: epsilon',
        'paragraph: omega',
      ]);
    await deed(page, 'To-do');
    await expect
      .poll(() => lines(page))
      .toEqual([
        'paragraph: alpha',
        'bulleted: beta',
        'todo open: gamma',
        'todo open: delta',
        'bulleted: epsilon',
        'paragraph: omega',
      ]);
    await into(page, 'gamma');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+ArrowDown');
    await (await menu(page)).getByRole('button', { name: 'verdigris' }).click();
    await expect(textOf(page).locator('.block[data-tint=verdigris]')).toHaveCount(2);
    await into(page, 'gamma');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+d');
    await expect.poll(() => lines(page)).toContain('todo open: gamma');
    await expect(textOf(page).locator('.words', { hasText: 'gamma' })).toHaveCount(2);
    await page.keyboard.press('Delete');
    await expect(textOf(page).locator('.words', { hasText: 'gamma' })).toHaveCount(1);
    await linesKept(page, [
      'paragraph: alpha',
      'bulleted: beta',
      'todo open: gamma',
      'todo open: delta',
      'bulleted: epsilon',
      'paragraph: omega',
    ]);
    await expect(textOf(page).locator('.block[data-tint=verdigris]')).toHaveCount(2);
  },
);

test('X4 lines are chosen by drawing over them, or by a long press, copied, cut and pasted as they are', async ({
  pages,
}) => {
  const page = await pages({ Works: works });
  const box = async (words: string) => (await line(page, words).boundingBox())!;
  if (isPhone(page)) {
    const { x, y } = await box('beta');
    const session = await page.context().newCDPSession(page);
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: x + 20, y: y + 10 }] });
    await page.waitForTimeout(700);
    await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    const bar = page.getByRole('toolbar', { name: '3 lines are chosen' });
    await bar.getByRole('button', { name: 'Choose the line below too' }).click();
    await page.getByRole('button', { name: 'Choose the line below too' }).click();
  } else {
    const [from, to] = [await box('beta'), await box('delta')];
    await page.mouse.move(from.x - 60, from.y + 8);
    await page.mouse.down();
    await page.mouse.move(to.x - 90, to.y + 8, { steps: 5 });
    await page.mouse.up();
  }
  await expect(page.getByRole('toolbar', { name: '3 lines are chosen' })).toBeFocused();
  await page.keyboard.press('Control+x');
  await expect.poll(() => lines(page)).toEqual(['paragraph: alpha', 'bulleted: epsilon', 'paragraph: omega']);
  await into(page, 'omega');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+v');
  await linesKept(page, [
    'paragraph: alpha',
    'bulleted: epsilon',
    'paragraph: omega',
    'bulleted: beta',
    '  bulleted: gamma',
    '  bulleted: delta',
  ]);
});

test('X4 a line is dragged by its ¶ with what stands beneath it, to the depth it is dragged in', async ({ pages }) => {
  const page = await pages({ Works: works });
  await into(page, 'epsilon');
  if (isPhone(page)) await deed(page, 'Choose lines');
  else await line(page, 'epsilon').hover();
  const handle = page.locator('.block-handle');
  await expect(handle).toBeVisible();
  // It follows to the line, and the page may be scrolled for the bar beneath it.
  const away = async () => {
    const [mark, words] = [await handle.boundingBox(), await line(page, 'epsilon').boundingBox()];
    return Math.abs(mark!.y - words!.y);
  };
  await expect.poll(away).toBeLessThan(14);
  const from = (await handle.boundingBox())!;
  const to = (await line(page, 'gamma').boundingBox())!;
  const [start, end] = [
    { x: from.x + 12, y: from.y + 12 },
    { x: from.x + 12 + 30, y: to.y + 24 },
  ];
  const steps = [0.2, 0.5, 0.8, 1, 1].map((share) => ({
    x: start.x + (end.x - start.x) * share,
    y: start.y + (end.y - start.y) * share,
  }));
  if (isPhone(page)) {
    const session = await page.context().newCDPSession(page);
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [start] });
    await page.waitForTimeout(700);
    for (const point of steps)
      await session.send('Input.dispatchTouchEvent', {
        type: 'touchMove',
        touchPoints: [{ ...point, x: Math.min(point.x, 388) }],
      });
    await expect(page.locator('.block-drop')).toBeVisible();
    await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  } else {
    await page.mouse.move(start.x, start.y);
    await page.mouse.down();
    for (const point of steps) await page.mouse.move(point.x, point.y);
    await expect(page.locator('.block-drop')).toBeVisible();
    await page.mouse.up();
  }
  await linesKept(page, [
    'paragraph: alpha',
    'bulleted: beta',
    '  bulleted: gamma',
    '  bulleted: epsilon',
    '  bulleted: delta',
    'paragraph: omega',
  ]);
});

test(
  'X7 undo and redo reach back over the whole visit, through other pages, and leave others’ words',
  { tag: '@once' },
  async ({ pages, context }) => {
    const page = await pages({ Works: 'start\n', Other: 'elsewhere\n' });
    await into(page, 'start');
    await page.keyboard.type(' one');
    await page.waitForTimeout(700);
    await page.keyboard.type(' two');
    await saved(page);
    const second = await context.newPage();
    await second.goto(page.url());
    await into(second, 'start');
    await second.keyboard.press('Enter');
    await second.keyboard.type('theirs');
    await expect(line(page, 'theirs')).toBeVisible();
    await page.getByRole('navigation', { name: 'Trail' }).getByRole('link', { name: 'Works' }).click();
    await expect(textOf(page)).toHaveCount(0);
    await page.goBack();
    await into(page, 'start');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect.poll(() => lines(page)).toEqual(['paragraph: start', 'paragraph: theirs']);
    await page.keyboard.press('Control+Shift+z');
    await page.keyboard.press('Control+Shift+z');
    await expect.poll(() => lines(page)).toEqual(['paragraph: start one two', 'paragraph: theirs']);
    await second.close();
  },
);
