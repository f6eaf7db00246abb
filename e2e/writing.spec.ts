import type { Page } from '@playwright/test';
import { clickEnd, expect, openPage, saved, test, textOf } from './support/test';

const kinds = (page: Page) =>
  textOf(page)
    .locator('> .block, > hr')
    .evaluateAll((blocks) =>
      blocks.map((block) => {
        const { kind, depth, state } = (block as HTMLElement).dataset;
        return [
          kind ?? 'divider',
          Number(depth ?? 0),
          (block.matches('.words') ? block : block.querySelector('.words'))?.textContent ?? '',
          state,
        ].filter((each) => each !== undefined);
      }),
    );

test('Markdown typed at the start of a line turns it, and Enter goes on', { tag: '@once' }, async ({ mill }) => {
  await openPage(mill, 'Lift method statement');
  await textOf(mill).click();
  const lines = [
    '## Before the lift',
    '- slings',
    'shackles',
    '',
    '1. logs in',
    'pool at sill',
    '',
    '[] ring the bridge',
    '',
    '> by custom alone',
  ];
  for (const line of lines) {
    await mill.keyboard.type(line);
    await mill.keyboard.press('Enter');
  }
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('---');
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('After.');
  await saved(mill);
  const expected = [
    ['heading', 0, 'Before the lift'],
    ['bulleted', 0, 'slings'],
    ['bulleted', 0, 'shackles'],
    ['numbered', 0, 'logs in'],
    ['numbered', 0, 'pool at sill'],
    ['todo', 0, 'ring the bridge', 'open'],
    ['quote', 0, 'by custom alone'],
    ['divider', 0, ''],
    ['paragraph', 0, 'After.'],
  ];
  expect(await kinds(mill)).toEqual(expected);
  await mill.reload();
  await expect(textOf(mill)).toContainText('After.');
  expect(await kinds(mill)).toEqual(expected);
});

test(
  'Tab indents with children, Alt and an arrow move a line with them, Ctrl+Enter ticks, all undone by Ctrl+Z',
  { tag: '@once' },
  async ({ mill }) => {
    await openPage(mill, 'Lift method statement');
    await textOf(mill).click();
    await mill.keyboard.type('- one');
    await mill.keyboard.press('Enter');
    await mill.keyboard.type('two');
    await mill.keyboard.press('Enter');
    await mill.keyboard.press('Tab');
    await mill.keyboard.type('three');
    await mill.waitForTimeout(700);
    await mill.keyboard.press('ArrowUp');
    await mill.keyboard.press('Alt+ArrowUp');
    const moved = [
      ['bulleted', 0, 'two'],
      ['bulleted', 1, 'three'],
      ['bulleted', 0, 'one'],
    ];
    expect(await kinds(mill)).toEqual(moved);
    await mill.keyboard.press('Control+z');
    expect((await kinds(mill)).map(([, , words]) => words)).toEqual(['one', 'two', 'three']);
    await mill.keyboard.press('Control+Shift+z');
    expect(await kinds(mill)).toEqual(moved);
    await openPage(mill, 'Sluice gate no. 2');
    await clickEnd(mill, 'Measure the gudgeon');
    await mill.keyboard.press('Control+Enter');
    const box = textOf(mill).locator('.block', { hasText: 'Measure' }).getByRole('checkbox');
    await expect(box).toBeChecked();
    await box.click();
    await expect(box).not.toBeChecked();
  },
);

test(
  'styles by keys and as typed, tags, links to the outside and pasted addresses',
  { tag: '@once' },
  async ({ mill }) => {
    const id = await openPage(mill, 'Budget');
    await openPage(mill, 'Lift method statement');
    await textOf(mill).click();
    await mill.keyboard.type(
      'A **bold** word, `code`, ==bright==, #iron-work and [chart](https://tides.example/x) done. ',
    );
    await expect(textOf(mill).locator('strong')).toHaveText('bold');
    await expect(textOf(mill).locator('code')).toHaveText('code');
    await expect(textOf(mill).locator('mark')).toHaveText('bright');
    await expect(textOf(mill).locator('.tag')).toHaveText('iron-work');
    await expect(textOf(mill).locator('a[href="https://tides.example/x"]')).toHaveText('chart');
    await mill.keyboard.press('Control+i');
    await mill.keyboard.type('leaning');
    await mill.keyboard.press('Control+i');
    await expect(textOf(mill).locator('em')).toHaveText('leaning');
    await mill.evaluate((address) => navigator.clipboard.writeText(address), new URL(`/p/${id}`, mill.url()).href);
    await mill.keyboard.press('Control+v');
    await expect(textOf(mill).locator('a.link')).toHaveText('Budget');
    await saved(mill);
    await mill.reload();
    await expect(textOf(mill)).toContainText('A bold word, code, bright, iron-work and chart done. leaningBudget');
  },
);

test(
  'X3 a style that was chosen for what comes next outlasts what comes from another window',
  { tag: '@once' },
  async ({ mill, context }) => {
    await openPage(mill, 'Stop logs');
    const other = await context.newPage();
    await other.goto(mill.url());
    await clickEnd(mill, 'Eleven logs for');
    await mill.keyboard.press('Control+i');
    await clickEnd(other, 'Eleven logs for');
    await other.keyboard.press('Home');
    await other.keyboard.type('Still: ');
    await expect(textOf(mill)).toContainText('Still: Eleven logs');
    await mill.bringToFront();
    await mill.keyboard.type(' leaning');
    await expect(textOf(mill).locator('em')).toHaveText(' leaning');
    await saved(mill);
    await expect(textOf(mill)).toHaveText(/^Still: Eleven logs for.*2\. leaning$/u);
  },
);

/** A second window with its cursor at the end of a line in which the first has its own before these words. */
async function bothWriting(mill: Page, words: string): Promise<Page> {
  await openPage(mill, 'Stop logs');
  await clickEnd(mill, 'Eleven logs for');
  await mill.keyboard.type(' They lean here.');
  await saved(mill);
  const other = await mill.context().newPage();
  await other.goto(mill.url());
  await clickEnd(other, 'Eleven logs for');
  for (const _letter of words) await mill.keyboard.press('ArrowLeft');
  return other;
}

test(
  '0 X1 the cursor keeps its place between the same words while another window writes before and after them',
  { tag: '@once' },
  async ({ mill }) => {
    const shown = () => textOf(mill).innerText();
    const other = await bothWriting(mill, 'here.');
    await other.keyboard.type(' Still.');
    await other.keyboard.press('Home');
    await other.keyboard.type('All of the ');
    await expect(textOf(mill)).toContainText('All of the Eleven logs');
    await mill.keyboard.type('out ');
    const whole = 'All of the Eleven logs for Sluice gate no. 2. They lean out here. Still.';
    await expect.poll(shown).toBe(whole);

    // What is chosen stays chosen, and undo puts the cursor where its own words were.
    await mill.keyboard.press('Shift+Home');
    await other.keyboard.type('now ');
    await expect(textOf(mill)).toContainText('All of the now Eleven');
    await mill.keyboard.press('ArrowRight');
    await mill.keyboard.type('in and ');
    await expect.poll(shown).toBe(whole.replace('the ', 'the now ').replace('out ', 'out in and '));
    await mill.keyboard.press('Control+z');
    await expect.poll(shown).toBe(whole.replace('the ', 'the now '));
    await other.keyboard.type('and then ');
    await expect(textOf(mill)).toContainText('now and then Eleven');
    await mill.keyboard.type('over ');
    await expect.poll(shown).toBe(whole.replace('the ', 'the now and then ').replace('out ', 'out over '));
    // Where the line itself is moved, its cursor goes with it.
    await expect(textOf(other)).toContainText('out over here. Still.');
    await other.keyboard.press('Control+End');
    await other.keyboard.press('Enter');
    await other.keyboard.type('Tarred.');
    await other.keyboard.press('Alt+ArrowUp');
    await expect(textOf(mill)).toContainText(/^Tarred\./u);
    await mill.keyboard.type('well ');
    await expect(textOf(mill)).toContainText('lean out over well here. Still.');
    await other.keyboard.press('Alt+ArrowDown');
    await expect(textOf(mill)).toContainText(/Tarred\.$/u);
    await mill.keyboard.type('and far ');
    await expect(textOf(mill)).toContainText('lean out over well and far here. Still.');
    await saved(mill);
    await expect.poll(() => textOf(other).innerText()).toBe(await shown());
  },
);

/** What another window does with the words before the cursor, and what the page says when "far " was typed at it. */
const elsewhere = {
  'are written anew': {
    act: async (other: Page) => {
      for (let letter = 0; letter < 6; letter += 1) await other.keyboard.press('Shift+ArrowRight');
      await other.keyboard.type('Seven teen');
    },
    wanted: /^Seven teen logs.*They far lean here\.$/u,
  },
  'are cut off and joined again': {
    act: async (other: Page) => {
      for (let letter = 0; letter < 6; letter += 1) await other.keyboard.press('ArrowRight');
      await other.keyboard.press('Enter');
      await expect(other.locator('.writing[contenteditable=true] > .block')).toHaveCount(2);
      await saved(other);
      await other.keyboard.press('Backspace');
    },
    wanted: /^Eleven logs.*They far lean here\.$/u,
  },
  'turn to code': {
    act: async (other: Page) => other.keyboard.type('``` '),
    wanted: /^Eleven logs.*They far lean here\.$/u,
  },
};

for (const [name, { act, wanted }] of Object.entries(elsewhere)) {
  test(`0 X1 the cursor stays at its words when those before it ${name}`, { tag: '@once' }, async ({ mill }) => {
    const other = await bothWriting(mill, 'lean here.');
    await other.keyboard.press('Home');
    await act(other);
    await saved(other);
    await expect.poll(() => textOf(mill).innerText()).toBe(await textOf(other).innerText());
    await mill.keyboard.type('far ');
    await expect(textOf(mill)).toHaveText(wanted);
    await saved(mill);
    await expect(textOf(other)).toHaveText(wanted);
  });
}

test('joining lines keeps links to the lost line alive', { tag: '@once' }, async ({ mill }) => {
  await openPage(mill, 'Lift method statement');
  await textOf(mill).click();
  await mill.keyboard.type('first half ');
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('second half');
  const lost = (await textOf(mill).locator('.block', { hasText: 'second half' }).getAttribute('id'))!.slice(2);
  await mill.keyboard.press('Home');
  await mill.keyboard.press('Backspace');
  await expect(textOf(mill).locator('.block')).toHaveCount(1);
  await saved(mill);
  await mill.goto(new URL(`/b/${lost}`, mill.url()).href, { waitUntil: 'commit' });
  await expect(mill.locator('.landed')).toContainText('first half second half');
});

test('items are a real list to a screen reader', { tag: '@once' }, async ({ mill }) => {
  await openPage(mill, 'Sluice gate no. 2');
  const list = textOf(mill).getByRole('list');
  await expect(list).toHaveAttribute('aria-owns', /^b-\S+ b-\S+$/);
  await expect(textOf(mill).getByRole('listitem')).toHaveCount(2);
});

const hostile: [string, string][] = [
  ['ten thousand characters', 'mill '.repeat(2000)],
  ['right to left', 'קטע בעברית וגם العربية מימין'],
  ['emoji', '👩🏽‍🔧🏴󠁧󠁢󠁷󠁬󠁳󠁿🧵 done'],
  ['script', `<script>document.title='run'</script><img src=x onerror="document.title='run'">`],
  ['quotes', `"it's" \\ 'quoted' ; DROP TABLE pages; --`],
  // Last: Chromium selects only the first character of these, so that they could not be replaced.
  ['combining marks', 'e\u0301\u0323 Z\u0351\u036B\u0343 a\u0300\u0301\u0302'],
];

test('text and title keep anything exactly and run nothing', { tag: '@once' }, async ({ mill }) => {
  await openPage(mill, 'Lift method statement');
  const title = mill.getByRole('textbox', { name: 'Title', exact: true });
  for (const [name, words] of hostile) {
    await textOf(mill).click();
    await mill.keyboard.press('Control+a');
    await mill.keyboard.insertText(words);
    await title.fill(words.trim());
    await saved(mill);
    await mill.reload();
    await expect(textOf(mill)).toBeVisible();
    await expect.poll(() => textOf(mill).locator('.words').first().textContent(), { message: name }).toBe(words);
    await expect.poll(() => title.textContent(), { message: name }).toBe(words.trim());
    expect(await mill.title()).not.toBe('run');
  }
});
