import type { Page } from '@playwright/test';
import { expect, saved, test, textOf } from './support/lines';

/** Random commands in two windows on one page. `npm run soak` does ten thousand of them. */
const COMMANDS = Number(process.env.SOAK_COMMANDS ?? 160);
const SEED = Number(process.env.SOAK_SEED ?? Date.now() % 100_000);

/** Numbers that look random and are the same for the same seed (mulberry32, Tommy Ettinger). */
function randomFrom(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) % below;
  };
}

type Command = (page: Page, word: string) => Promise<void>;
const press =
  (...chords: string[]): Command =>
  async (page) => {
    for (const chord of chords) await page.keyboard.press(chord);
  };

/**
 * Lets Backspace and Delete join blocks, and nothing else. Home and End go to the ends of a line as it is
 * shown, and within a block that takes several lines the next Backspace or Delete is meant to take a sign.
 */
const keepSigns = (page: Page) =>
  page.evaluate(() => {
    document.addEventListener(
      'keydown',
      (event) => {
        if (event.key !== 'Backspace' && event.key !== 'Delete') return;
        const { anchorNode, anchorOffset, isCollapsed } = getSelection()!;
        const words = (anchorNode instanceof Element ? anchorNode : anchorNode?.parentElement)?.closest('.words');
        if (!words || !isCollapsed) return;
        const beside = document.createRange();
        beside.selectNodeContents(words);
        if (event.key === 'Backspace') beside.setEnd(anchorNode!, anchorOffset);
        else beside.setStart(anchorNode!, anchorOffset);
        if (beside.toString() === '') return;
        event.preventDefault();
        event.stopImmediatePropagation();
      },
      true,
    );
  });

/** Everything but what is meant to take words away. */
const COMMAND_TABLE: readonly { weight: number; run: Command; types?: boolean }[] = [
  { weight: 10, types: true, run: async (page, word) => page.keyboard.type(` ${word}`) },
  { weight: 5, run: press('End', 'Enter') },
  { weight: 2, run: press('Enter') },
  { weight: 3, run: press('Home', 'Backspace') },
  { weight: 2, run: press('End', 'Delete') },
  { weight: 4, run: press('Tab') },
  { weight: 3, run: press('Shift+Tab') },
  { weight: 3, run: press('Alt+ArrowUp') },
  { weight: 3, run: press('Alt+ArrowDown') },
  { weight: 8, run: press('ArrowUp') },
  { weight: 8, run: press('ArrowDown') },
  { weight: 2, run: press('Control+ArrowLeft') },
  { weight: 2, run: press('Control+Enter') },
  { weight: 2, run: press('Shift+Home', 'Control+b', 'End') },
  { weight: 1, run: press('Escape', 'Shift+ArrowDown', 'Alt+Shift+ArrowRight', 'Enter') },
  { weight: 1, run: press('Escape', 'Alt+ArrowUp', 'Enter') },
  { weight: 1, run: async (page) => (await page.keyboard.press('Home'), page.keyboard.type('- ')) },
  { weight: 1, run: async (page) => (await page.keyboard.press('Home'), page.keyboard.type('## ')) },
  { weight: 1, run: async (page) => (await page.keyboard.press('Home'), page.keyboard.type('[] ')) },
];

const total = COMMAND_TABLE.reduce((sum, { weight }) => sum + weight, 0);

interface StoredBlock {
  attrs?: { id?: string };
  content?: { text?: string }[];
}

test('X7 random commands in two windows leave both equal, with ids of their own and every typed word', async ({
  pages,
  context,
}) => {
  test.setTimeout(60_000 + COMMANDS * 150);
  const first = await pages({ Works: 'one\n\n- two\n  - three\n\n## four\n\n- [ ] five\n' });
  const second = await context.newPage();
  await second.goto(first.url());
  const windows = [first, second];
  for (const each of windows) {
    await expect(textOf(each)).toBeVisible();
    await textOf(each).locator('.words').first().click();
    await keepSigns(each);
  }
  const random = randomFrom(SEED);
  const typed: string[] = [];
  for (let count = 0; count < COMMANDS; count += 1) {
    let place = random(total);
    const command = COMMAND_TABLE.find(({ weight }) => (place -= weight) < 0)!;
    const page = windows[random(2)]!;
    // One sign that nothing else types: two who write at one place may part a longer word, and nothing is lost by it.
    const word = String.fromCodePoint(0x4e00 + count);
    if (command.types) typed.push(word);
    await command.run(page, word);
  }
  for (const each of windows) await saved(each);
  const shown = (page: Page) => textOf(page).locator('.words').allTextContents();
  await expect
    .poll(async () => JSON.stringify(await shown(first)) === JSON.stringify(await shown(second)), { timeout: 20_000 })
    .toBe(true);
  const stored = (await (await first.request.get(first.url().replace('/p/', '/api/pages/'))).json()) as {
    body: { content: StoredBlock[] };
  };
  const words = stored.body.content
    .flatMap((node) => (node.content ?? []).map((inline) => inline.text ?? ''))
    .join('\n');
  const missing = typed.filter((word) => !words.replaceAll('\n', '').includes(word));
  expect({ seed: SEED, missing }).toEqual({ seed: SEED, missing: [] });
  const ids = stored.body.content.map((node) => node.attrs?.id);
  expect(new Set(ids).size).toBe(ids.length);
  await second.close();
});
