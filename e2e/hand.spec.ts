import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { isPhone, menu } from './support/lines';
import { glossesIn, marginOf } from './support/margin';
import { clickEnd, expect, openPage, saved, test, textOf } from './support/test';

/** What is written stays in the hand of whoever writes it: by keys, by a keyboard on the screen, in a Margin, at a picture. */

const lines = (page: Page) =>
  textOf(page)
    .locator('.words')
    .allTextContents()
    .then((all) => all.map((each) => each.trim()));

test('0 X1 a keyboard on the screen makes a new line, and joins two, in every kind of line', async ({ mill }) => {
  await openPage(mill, 'Stop logs');
  await clickEnd(mill, 'Eleven logs for');
  const client = await mill.context().newCDPSession(mill);
  /** A key as such a keyboard gives it: without a name, only with what it does to the text. */
  const enter = async () => {
    await client.send('Input.dispatchKeyEvent', {
      type: 'keyDown',
      key: 'Unidentified',
      code: '',
      windowsVirtualKeyCode: 229,
      text: '\r',
      unmodifiedText: '\r',
    });
    await client.send('Input.dispatchKeyEvent', { type: 'keyUp', key: 'Unidentified', windowsVirtualKeyCode: 229 });
  };
  await enter();
  for (const sign of ['- ', '1. ', '[] ']) {
    await mill.keyboard.type(sign);
    await client.send('Input.imeSetComposition', { text: 'mil', selectionStart: 3, selectionEnd: 3 });
    await client.send('Input.insertText', { text: 'milk' });
    await enter();
    await client.send('Input.insertText', { text: 'bread' });
    await enter();
    await enter();
    // An empty item steps out of its list; a quote goes on.
    await enter();
  }
  const found = await lines(mill);
  expect(found.filter((each) => each === 'milk')).toHaveLength(3);
  expect(found.filter((each) => each === 'bread')).toHaveLength(3);
  await saved(mill);
  await mill.reload();
  await expect.poll(() => lines(mill)).toEqual(found);
});

test('0 X4 what stands beneath a line is cut, copied and deleted with it, and counted', async ({ mill }) => {
  // What writes other formats comes late, as over a slow network.
  await mill.route(/formatParts/u, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 4_000));
    await route.continue();
  });
  await openPage(mill, 'Stop logs');
  await clickEnd(mill, 'Eleven logs for');
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('- tools');
  await mill.keyboard.press('Enter');
  await mill.keyboard.press('Tab');
  await mill.keyboard.type('adze');
  await mill.keyboard.press('Enter');
  await mill.keyboard.type('slick');
  await mill.keyboard.press('Enter');
  await mill.keyboard.press('Shift+Tab');
  await mill.keyboard.type('rope');
  await mill.keyboard.press('ArrowUp');
  await mill.keyboard.press('ArrowUp');
  await mill.keyboard.press('ArrowUp');
  await mill.keyboard.press('Escape');
  await expect(mill.getByRole('toolbar', { name: '3 lines are chosen' })).toBeVisible();
  await mill.keyboard.press('Control+x');
  await expect.poll(() => lines(mill)).toEqual(['Eleven logs for Sluice gate no. 2.', 'rope']);
  await mill.keyboard.press('End');
  await mill.keyboard.press('Enter');
  await mill.keyboard.press('Control+v');
  await expect.poll(async () => (await lines(mill)).filter((each) => /tools|adze|slick/u.test(each))).toHaveLength(3);
  await clickEnd(mill, 'tools');
  if (!isPhone(mill)) await textOf(mill).getByText('tools').hover();
  const sheet = await menu(mill);
  await expect(sheet).toHaveAccessibleName('This line and 2 beneath it');
  await expect(sheet.getByRole('button', { name: 'Delete 3 lines' })).toBeVisible();
  await mill.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  if (isPhone(mill)) return;
  await textOf(mill).getByText('tools').hover();
  const handle = (await mill.locator('.block-handle').boundingBox())!;
  await mill.mouse.move(handle.x + 8, handle.y + 8);
  await mill.mouse.down();
  await mill.mouse.move(handle.x + 8, handle.y - 30, { steps: 4 });
  await expect(mill.locator('.block-drop')).toHaveText('3 lines');
  await mill.mouse.up();
});

for (const { name, take } of [
  { name: 'deleted', take: async (page: Page) => page.keyboard.press('Backspace') },
  { name: 'cut', take: async (page: Page) => page.keyboard.press('Control+x') },
]) {
  test(
    `0 X1 whoever writes in a line that is ${name} in another window goes on in it`,
    { tag: '@once' },
    async ({ mill, context }) => {
      await openPage(mill, 'Stop logs');
      await clickEnd(mill, 'Eleven logs for');
      await mill.keyboard.press('Enter');
      await mill.keyboard.type('Two are rotten.');
      await saved(mill);
      const other = await context.newPage();
      await other.goto(mill.url());
      await expect(textOf(other)).toContainText('Two are rotten.');
      const before = await lines(mill);
      const index = before.findIndex((each) => each.startsWith('Eleven logs for'));
      const written = `${before[index]} They are stacked by the wheel pit, the short ones first.`;
      await clickEnd(other, 'Eleven logs for');
      await other.keyboard.press('Escape');
      await clickEnd(mill, 'Eleven logs for');
      const rest = written.slice(before[index]!.length);
      await mill.keyboard.type(rest.slice(0, 12), { delay: 30 });
      await Promise.all([mill.keyboard.type(rest.slice(12), { delay: 60 }), take(other)]);
      const expected = before.with(index, written);
      for (const window of [mill, other]) await expect.poll(() => lines(window)).toEqual(expected);
      await expect(mill.locator('.kept')).toContainText('Kept: this line was deleted in another window');
      await saved(mill);
      await mill.reload();
      await expect.poll(() => lines(mill)).toEqual(expected);
    },
  );
}

test(
  '0 X1 whoever writes in a line that is lifted in another window goes on in a line of its own',
  { tag: '@once' },
  async ({ mill, context }) => {
    await openPage(mill, 'Stop logs');
    // Links show their titles a moment after the words.
    await expect(textOf(mill)).toContainText('Eleven logs for Sluice gate no. 2.');
    const before = await lines(mill);
    const index = before.findIndex((each) => each.startsWith('Eleven logs for'));
    const other = await context.newPage();
    await other.goto(mill.url());
    await clickEnd(other, 'Eleven logs for');
    await other.keyboard.press('Escape');
    await clickEnd(mill, 'Eleven logs for');
    const rest = ' They are stacked by the wheel pit, the short ones first.';
    await mill.keyboard.type(rest.slice(0, 12), { delay: 30 });
    await Promise.all([mill.keyboard.type(rest.slice(12), { delay: 60 }), other.keyboard.press('x')]);
    await saved(mill);
    const others = (all: string[]) => all.toSpliced(index, 2);
    await expect.poll(async () => others(await lines(mill))).toEqual(before.toSpliced(index, 1));
    const typedAnew = (await lines(mill))[index + 1]!;
    await textOf(mill).locator('.words').nth(index).getByRole('link').click();
    // The line may part at a space, which neither end shows.
    const letters = (text: string) => text.replaceAll(' ', '');
    await expect
      .poll(async () => letters((await lines(mill)).join('') + typedAnew))
      .toBe(letters(before[index]! + rest));
  },
);

test('0 L9 a line edited in the Margin is stored as it is typed, wherever one goes', async ({ mill }) => {
  const edit = async () => {
    await openPage(mill, 'Sluice gate no. 2');
    const gloss = glossesIn(await marginOf(mill)).filter({ hasText: 'Eleven logs' });
    await gloss.locator('.gloss-origin').hover();
    await gloss.getByRole('button', { name: /Edit this line/u }).click();
    await expect(gloss.getByRole('textbox')).toBeFocused();
    await mill.keyboard.press('End');
  };
  await edit();
  await mill.keyboard.type(' Tarred.');
  await mill.goBack();
  await openPage(mill, 'Stop logs');
  await expect(textOf(mill)).toContainText('Tarred.');

  await edit();
  await mill.keyboard.type(' Twice.');
  await mill.reload();
  await expect(textOf(mill)).toBeVisible();
  await openPage(mill, 'Stop logs');
  await expect(textOf(mill)).toContainText('Tarred. Twice.');
});

test('0 X13 typing in the caption of a new picture is a caption, and never replaces the picture', async ({ mill }) => {
  await openPage(mill, 'Stop logs');
  await clickEnd(mill, 'Eleven logs for');
  const png = readFileSync(path.join(__dirname, '../docs/screenshots/desk-phone.png')).toString('base64');
  await mill.evaluate(async (data) => {
    const bytes = Uint8Array.from(atob(data), (sign) => sign.charCodeAt(0));
    const transfer = new DataTransfer();
    transfer.items.add(new File([bytes], 'desk.png', { type: 'image/png' }));
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true, cancelable: true }),
    );
  }, png);
  const picture = textOf(mill).locator('.picture img');
  await expect(picture).toBeVisible();
  await picture.click();
  const caption = mill.getByRole('textbox', { name: 'Caption' });
  await caption.click();
  await mill.keyboard.type('The desk', { delay: 20 });
  // The caption is stored while the typing rests, and goes on.
  await mill.waitForTimeout(700);
  await mill.keyboard.type(' in spring', { delay: 20 });
  await expect(caption).toHaveValue('The desk in spring');
  await expect(picture).toBeVisible();
  await picture.click();
  await mill.keyboard.type('after it');
  await expect(picture).toBeVisible();
  await expect(textOf(mill)).toContainText('after it');
});
