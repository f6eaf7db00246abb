import { expect, into, line, test } from './support/lines';
import { glossesIn, marginOf, secondWindow } from './support/margin';
import { isPhone, openPage, saved, textOf, type NoteFile } from './support/test';
import type { Locator, Page } from '@playwright/test';

const LEAF = 'The lower leaf has dropped forty millimetres.';
const OAK = 'Boards of elm in a frame of oak.';
const WINCH = 'The winch has no rating plate any more.';

/** A page of some lines, one of which more lines speak to than there is room for. */
const mill = {
  'Sluice gate': `${LEAF}\n\n${OAK}\n\n${WINCH}\n\nNothing is lifted before spring.\n`,
  Survey: Array.from({ length: 6 }, (_each, at) => `The leaf dropped again, round ${at}, at the [[Sluice gate]].`).join(
    '\n\n',
  ),
  Timber: 'Oak for a new frame of the [[Sluice gate]] is ordered.\n',
  Letters: 'My aunt asks after the [[Sluice gate]].\n',
};

/** The stack beside a line of the page, or beside its title. */
const stackOf = async (page: Page, words: string | null): Promise<Locator> => {
  const id = words === null ? 'head' : (await blockOf(page, words)).slice('b-'.length);
  return page.locator(`[data-stack="${id}"]`);
};
const blockOf = async (page: Page, words: string): Promise<string> =>
  (await textOf(page).locator('.block', { hasText: words }).first().getAttribute('id'))!;
const topOf = async (element: Locator): Promise<number> => Math.round((await element.boundingBox())!.y);
/** Once what moved has come to rest. */
const atRest = (page: Page) => page.waitForTimeout(400);

/** How far each stack lies from the top of the window. */
const tops = (page: Page): Promise<Record<string, number>> =>
  page
    .locator('.margin-stack')
    .evaluateAll((all) =>
      Object.fromEntries(all.map((each) => [each.getAttribute('data-stack'), each.getBoundingClientRect().top])),
    );

test('L10 a line’s glosses gather where they have no room, and open in their place by pointer and by key', async ({
  pages,
}) => {
  const page = await pages(mill);
  await marginOf(page);
  const leaf = await stackOf(page, LEAF);
  if (isPhone(page)) {
    // On a phone each line has its count, and the sheet opens there.
    await page.locator('.margin-grab').click();
    await page.getByRole('button', { name: /^6 in the Margin for this line/u }).tap();
    await expect(leaf.locator('.gloss')).toHaveCount(6);
    await expect(page.locator('.margin-steps')).toContainText(`beside “${LEAF}”`);
    return;
  }
  const closed = leaf.getByRole('button', { name: /^6 here, beside “The lower leaf/u });
  await expect(closed).toBeVisible();
  await expect(closed).toContainText('The leaf dropped again, round 0');
  expect(Math.abs((await topOf(leaf)) - (await topOf(line(page, LEAF))))).toBeLessThan(60);
  // What fits is open.
  const oak = await stackOf(page, OAK);
  await expect(oak.getByRole('article', { name: /Timber/u })).toBeVisible();
  const before = await topOf(oak);
  await closed.click();
  await expect(leaf.getByRole('article').first()).toBeVisible();
  await expect(leaf.getByRole('button', { name: 'Close 6 here' })).toBeFocused();
  await expect.poll(() => topOf(oak)).toBeGreaterThan(before);
  await page.keyboard.press('Enter');
  await expect(leaf.getByRole('article')).toHaveCount(0);
  await expect.poll(() => topOf(oak)).toBe(before);
  await page.keyboard.press('Enter');
  await expect(leaf.getByRole('article').first()).toBeVisible();
  // It is found as it was left.
  await page.reload();
  await expect((await stackOf(page, LEAF)).getByRole('article').first()).toBeVisible();
});

test(
  'L10 the sheet goes from line to line by arrow and by swipe, and Back and reload keep its place',
  { tag: '@phone' },
  async ({ pages }) => {
    const page = await pages(mill);
    await expect(page.getByRole('complementary', { name: 'Margin' })).toBeVisible();
    await page.getByRole('button', { name: /^6 in the Margin for this line/u }).tap();
    const steps = page.locator('.margin-steps');
    await expect(steps).toContainText('2 of 3');
    await steps.getByRole('button', { name: 'The next line' }).tap();
    await expect(steps).toContainText(`3 of 3: beside “${OAK}”`);
    const list = page.locator('.margin-list');
    const box = (await list.boundingBox())!;
    const touch = await page.context().newCDPSession(page);
    const at = (x: number) => [{ x, y: box.y + 60 }];
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(60) });
    for (const x of [120, 200, 280])
      await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(x) });
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await expect(steps).toContainText(`2 of 3: beside “${LEAF}”`);
    await page.reload();
    await expect(steps).toContainText('2 of 3');
    await (
      await stackOf(page, LEAF)
    )
      .getByRole('link', { name: /Survey/u })
      .first()
      .tap();
    await expect(line(page, 'round 0')).toBeVisible();
    await page.goBack();
    await expect(steps).toContainText(`2 of 3: beside “${LEAF}”`);
  },
);

test(
  'L10 the cursor opens what its line has, beside it, and what is typed moves nothing',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(mill);
    await marginOf(page);
    const leaf = await stackOf(page, LEAF);
    const oak = await stackOf(page, OAK);
    await into(page, LEAF);
    await expect(leaf.getByRole('article')).toHaveCount(6);
    await atRest(page);
    expect(Math.abs((await topOf(leaf)) - (await topOf(line(page, LEAF))))).toBeLessThan(12);
    const before = await tops(page);
    const seen = new Set<string>();
    for (const letter of ' and it leaks more') {
      await page.keyboard.type(letter);
      seen.add(JSON.stringify(await tops(page)));
    }
    await saved(page);
    await atRest(page);
    seen.add(JSON.stringify(await tops(page)));
    expect([...seen]).toEqual([JSON.stringify(before)]);
    // Leaving closes what had to be closed, and the next begins beside its line.
    await into(page, OAK);
    await expect(leaf.getByRole('article')).toHaveCount(0);
    await atRest(page);
    expect(Math.abs((await topOf(oak)) - (await topOf(line(page, OAK))))).toBeLessThan(12);
    // A line pointed at opens its own too, until a key is pressed.
    await line(page, LEAF).hover();
    await expect(leaf.getByRole('article')).toHaveCount(6);
    await page.keyboard.press('ArrowRight');
    await expect(leaf.getByRole('article')).toHaveCount(0);
  },
);

test('L9 a gloss that is written in stays in its place while another window adds one above and both lines change', async ({
  pages,
}) => {
  const page = await pages(mill);
  const other = await secondWindow(page);
  await openPage(other, 'Timber');
  await marginOf(page);
  const oak = await stackOf(page, OAK);
  const gloss = oak.getByRole('article', { name: /Timber/u });
  if (!isPhone(page)) await gloss.hover();
  await gloss.getByRole('button', { name: /Edit this line/u }).click();
  const field = oak.getByRole('textbox');
  await expect(field).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type(' The lower leaf');
  await atRest(page);
  const top = await topOf(field);
  // A newer one for the same line, and this one speaks to another line by now.
  await other.keyboard.press('Escape');
  await openPage(other, 'Letters');
  await into(other, 'My aunt');
  await other.keyboard.press('Enter');
  await other.keyboard.type('Boards of elm and a frame of oak at the [[Sluice ga');
  await expect(other.getByRole('listbox', { name: 'What to link to' })).toBeVisible();
  await other.keyboard.press('Enter');
  await saved(other);
  await expect(oak.getByRole('article')).toHaveCount(2);
  expect(await topOf(field)).toBe(top);
  await expect(field).toBeFocused();
  await page.keyboard.type(' has dropped more than forty millimetres.');
  await expect(field).toContainText('The lower leaf has dropped more than forty millimetres.');
  await page.waitForTimeout(1200);
  await expect(field).toBeFocused();
  // On a phone the line that grew is kept in sight.
  if (!isPhone(page)) expect(await topOf(field)).toBe(top);
  await page.keyboard.press('Enter');
  await expect(oak.getByRole('textbox')).toHaveCount(0);
  await openPage(other, 'Timber');
  await expect(line(other, 'Oak for')).toContainText('has dropped more than forty millimetres.');
});

test(
  'L9 one gloss after the other is written in, and the second stays in its place too',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages(mill);
    await marginOf(page);
    const oak = await stackOf(page, OAK);
    const edit = async (gloss: Locator) => {
      await gloss.hover();
      await gloss.getByRole('button', { name: /Edit this line/u }).click();
      await expect(gloss.getByRole('textbox')).toBeFocused();
    };
    await edit((await stackOf(page, null)).getByRole('article', { name: /Letters/u }));
    await edit(oak.getByRole('article', { name: /Timber/u }));
    await page.waitForTimeout(400);
    await page.keyboard.press('End');
    await page.keyboard.type(' The lower leaf has dropped more than forty millimetres.');
    await page.waitForTimeout(1500);
    await expect(oak.getByRole('textbox')).toBeFocused();
  },
);

/** Sets a gloss beside another line by its menu. */
async function setBeside(page: Page, gloss: Locator, words: string): Promise<void> {
  if (!isPhone(page)) await gloss.hover();
  await gloss.getByRole('button', { name: /beside another line$/u }).click();
  const sheet = page.getByRole('dialog', { name: /^Set what/u });
  await sheet.getByRole('combobox').fill(words);
  await sheet.getByRole('option').first().click();
}

test('L10 a gloss is set beside another line by its menu, stays there whatever is written, and is let go again', async ({
  pages,
}) => {
  const page = await pages(mill);
  const other = await secondWindow(page);
  await marginOf(page);
  const timber = (stack: Locator) => stack.getByRole('article', { name: /Timber/u });
  await setBeside(page, timber(await stackOf(page, OAK)), 'winch');
  await expect(timber(await stackOf(page, WINCH))).toBeVisible();
  await expect(timber(await stackOf(page, OAK))).toHaveCount(0);
  await page.reload();
  await marginOf(page);
  await expect(timber(await stackOf(page, WINCH))).toBeVisible();
  // Both sides are written in.
  await openPage(other, 'Timber');
  await into(other, 'Oak for');
  await other.keyboard.type(' Boards of elm too.');
  await saved(other);
  await expect(timber(await stackOf(page, WINCH))).toContainText('Boards of elm too.');
  await openPage(other, 'Sluice gate');
  await into(other, WINCH);
  await other.keyboard.press('Home');
  await other.keyboard.type('Sadly: ');
  await saved(other);
  await expect(timber(await stackOf(page, WINCH))).toBeVisible();
  await setBeside(page, timber(await stackOf(page, WINCH)), 'fits by itself');
  await expect(timber(await stackOf(page, OAK))).toBeVisible();
  // Taken back, it stands where it was set.
  await page.locator('main').focus();
  await page.keyboard.press('Control+z');
  await expect(timber(await stackOf(page, WINCH))).toBeVisible();
});

test('L10 a gloss is moved by dragging its edge, and line by line by keys', { tag: '@once' }, async ({ pages }) => {
  const page = await pages(mill);
  await marginOf(page);
  const timber = (stack: Locator) => stack.getByRole('article', { name: /Timber/u });
  const gloss = timber(await stackOf(page, OAK));
  await gloss.hover();
  const grip = (await gloss.locator('.gloss-grip').boundingBox())!;
  const goal = (await line(page, 'Nothing is lifted').boundingBox())!;
  await page.mouse.move(grip.x + 7, grip.y + 12);
  await page.mouse.down();
  await page.mouse.move(grip.x + 7, goal.y - 20, { steps: 4 });
  await page.mouse.move(grip.x + 7, goal.y + 8, { steps: 4 });
  await page.mouse.up();
  const nothing = await stackOf(page, 'Nothing is lifted');
  await expect(timber(nothing)).toBeVisible();
  // Esc leaves it where it is.
  await timber(nothing).hover();
  const again = (await timber(nothing).locator('.gloss-grip').boundingBox())!;
  await page.mouse.move(again.x + 7, again.y + 12);
  await page.mouse.down();
  await page.mouse.move(again.x + 7, again.y - 150, { steps: 4 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(timber(nothing)).toBeVisible();
  await timber(nothing).getByRole('link').first().focus();
  await page.keyboard.press('Alt+ArrowUp');
  const winch = await stackOf(page, WINCH);
  await expect(timber(winch)).toBeVisible();
  // The focus goes along.
  await expect.poll(() => winch.evaluate((element) => element.contains(document.activeElement))).toBe(true);
  await page.keyboard.press('Alt+ArrowUp');
  await expect(timber(await stackOf(page, OAK))).toBeVisible();
  await page.reload();
  await expect(timber(await stackOf(page, OAK))).toBeVisible();
});

test('L10 m goes from a line to its glosses, and back to the line', { tag: '@once' }, async ({ pages }) => {
  const page = await pages(mill);
  await marginOf(page);
  const leaf = await stackOf(page, LEAF);
  await into(page, LEAF);
  await expect(leaf.getByRole('article')).toHaveCount(6);
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await expect.poll(() => leaf.evaluate((element) => element.contains(document.activeElement))).toBe(true);
  await page.keyboard.press('m');
  await expect.poll(() => leaf.evaluate((element) => element.contains(document.activeElement))).toBe(false);
  await expect(textOf(page).locator('.block.chosen')).toHaveText(LEAF);
});

test(
  'L10 glosses of what is folded away stand beside the line it is folded into',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({
      'Sluice gate': 'Before all.\n\n- Tools {kind=fold}\n  - The winch and its plate\n\nAfter all.\n\nOak and elm.\n',
      Hoists: 'A plate for the winch of the [[Sluice gate]].\n',
      Timber: 'Elm and oak for the [[Sluice gate]].\n',
    });
    await marginOf(page);
    const [winch, oak] = [await stackOf(page, 'The winch'), await stackOf(page, 'Oak and')];
    const apart = async (stack: Locator, words: string) =>
      Math.abs((await topOf(stack)) - (await topOf(line(page, words))));
    await expect.poll(() => apart(winch, 'The winch')).toBeLessThan(12);
    await page.getByRole('button', { name: 'Fold what is beneath' }).click();
    await expect(line(page, 'The winch')).toBeHidden();
    await expect.poll(() => apart(winch, 'Tools')).toBeLessThan(12);
    await expect.poll(() => apart(oak, 'Oak and')).toBeLessThan(60);
  },
);

/** Pages that point 800 times at one. */
const crowd: NoteFile[] = Array.from({ length: 16 }, (_page, page) => ({
  path: `Mill/Days/Day ${page}.md`,
  text: Array.from({ length: 50 }, (_line, at) => `Number ${page * 50 + at} at the [[Sluice gate]].`).join('\n\n'),
}));

test('L10 a page that 800 lines point at stays as tall as its text and one screen, and shows all that is opened', async ({
  pages,
}) => {
  const page = await pages({ 'Sluice gate': mill['Sluice gate'] }, crowd);
  const margin = await marginOf(page);
  await expect(margin).toContainText('800 linked');
  if (isPhone(page)) {
    const list = page.locator('.margin-list');
    await list.evaluate((element) => element.scrollTo(0, 1e7));
    await expect(list.locator('.gloss', { hasText: 'Number 49 ' }).last()).toBeVisible();
    expect(await list.locator('.gloss').count()).toBeLessThan(420);
    return;
  }
  const heights = () =>
    page.evaluate(() => ({
      margin: document.querySelector('.margin')!.scrollHeight,
      text: document.querySelector('.page-column')!.getBoundingClientRect().height,
      drawn: document.querySelectorAll('.gloss').length,
      window: innerHeight,
    }));
  const closed = await heights();
  expect(closed.margin).toBeLessThanOrEqual(closed.text + closed.window);
  expect(closed.drawn).toBeLessThan(100);
  const head = await stackOf(page, null);
  await head.getByRole('button', { name: /^800 here, beside the title/u }).click();
  const list = head.locator('.stack-open');
  await expect(list.locator('.gloss').first()).toBeVisible();
  const open = await heights();
  expect(open.margin).toBeLessThanOrEqual(open.text + open.window);
  await list.evaluate((element) => element.scrollTo(0, 1e7));
  await expect(list.locator('.gloss', { hasText: /Number \d+ at/u }).last()).toBeVisible();
  await expect.poll(() => list.locator('.gloss').last().isVisible()).toBe(true);
  await list.evaluate((element) => element.scrollTo(0, 1e7));
  await expect(glossesIn(margin).filter({ hasText: 'Number 49 ' }).last()).toBeVisible();
});

/** By the words of each line that is spoken of, what it leads to and what speaks there, as assistive software is told. */
async function heard(page: Page): Promise<Record<string, string[]>> {
  const session = await page.context().newCDPSession(page);
  const { nodes } = (await session.send('Accessibility.getFullAXTree')) as { nodes: Heard[] };
  const byId = new Map(nodes.map((node) => [node.nodeId, node]));
  const beneath = (node: Heard): Heard[] => [
    node,
    ...(node.childIds ?? []).flatMap((id) => (byId.has(id) ? beneath(byId.get(id)!) : [])),
  ];
  const told: Record<string, string[]> = {};
  for (const node of nodes) {
    const details = node.properties?.find(({ name }) => name === 'details')?.value.relatedNodes;
    if (!details) continue;
    const words = beneath(node)
      .filter(({ role }) => role?.value === 'StaticText')
      .map(({ name }) => name?.value)
      .join('');
    told[words] = details.flatMap(({ backendDOMNodeId }) => {
      const place = nodes.find((each) => each.backendDOMNodeId === backendDOMNodeId)!;
      const glosses = beneath(place).filter(({ role }) => role?.value === 'article');
      return [place, ...glosses].map(({ role, name }) => `${role!.value} ${name!.value}`);
    });
  }
  return told;
}

interface Heard {
  nodeId: string;
  backendDOMNodeId: number;
  childIds?: string[];
  role?: { value: string };
  name?: { value: string };
  properties?: { name: string; value: { relatedNodes?: { backendDOMNodeId: number }[] } }[];
}

test('L10 a line that is spoken of says so and leads there, and each gloss says which line it speaks to', async ({
  pages,
}) => {
  const page = await pages(mill);
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toContainText('8 linked');
  if (isPhone(page)) {
    await expect
      .poll(() => heard(page))
      .toEqual({
        [LEAF]: ['button 6 in the Margin for this line'],
        [OAK]: ['button 1 in the Margin for this line'],
      });
  } else {
    await expect
      .poll(() => heard(page))
      .toEqual({
        [LEAF]: [`group 6 here, beside “${LEAF}”`],
        [OAK]: [`group 1 here, beside “${OAK}”`, `article Timber, Mill / Works, today, beside “${OAK}”`],
      });
    await into(page, LEAF);
    const survey = `article Survey, Mill / Works, today, beside “${LEAF}”`;
    await expect
      .poll(async () => (await heard(page))[LEAF])
      .toEqual([`group 6 here, beside “${LEAF}”`, ...Array.from({ length: 6 }, () => survey)]);
  }
  await marginOf(page);
  await expect(margin.getByRole('article', { name: /^Letters.*, beside the title$/u })).toBeVisible();
});
