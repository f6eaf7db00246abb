import type { Page } from '@playwright/test';
import {
  expect,
  insert,
  into,
  isPhone,
  line,
  lines,
  linesKept,
  noted,
  openPage,
  saved,
  test,
  textOf,
} from './support/lines';
import { said } from './support/outline';
import { idOf } from './support/test';
import { timeHere } from './support/timeHere';

const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

const pageMenu = async (page: Page, name: string) => {
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name, exact: true }).click();
};

test(
  'X8 there is nothing to save: a quiet sign tells how far it is',
  { tag: '@once' },
  async ({ context, page, ownServer, signIn }) => {
    await signIn(context, ownServer.url, noted({ Works: 'start\n' }));
    await page.goto(`${ownServer.url}/notebooks`);
    await openPage(page, 'Works');
    await into(page, 'start');
    await expect(page.getByTestId('saving')).toHaveText('Saved');
    await ownServer.kill();
    await page.keyboard.type(' unseen');
    await expect(page.getByTestId('saving')).toHaveText(/kept here/u);
    await ownServer.start();
    await expect(page.getByTestId('saving')).toHaveText('Saved');
    await linesKept(page, ['paragraph: start unseen']);
    await expect(page.getByRole('button', { name: /^save/iu })).toHaveCount(0);
  },
);

test(
  'X8 cut off without a word, it is said within three seconds and what can’t be done at once; what was missed is shown after',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n\nSee [[Pintle]].\n', Pintle: 'Iron.\n' });
    await into(page, 'start');
    await page.keyboard.type(' one');
    await saved(page);
    // Nothing comes through any more, and nothing says so.
    let isCut = false;
    await page.routeWebSocket(/socket/u, (window) => {
      if (isCut) return void window.close();
      const server = window.connectToServer();
      window.onMessage((message) => !isCut && server.send(message));
      server.onMessage((message) => !isCut && window.send(message));
    });
    await page.route('**/api/**', (route) => (isCut ? undefined : route.continue()));
    await page.reload();
    await expect(textOf(page)).toContainText('start one');
    await expect(page.getByRole('main')).toContainText('Begun today');
    isCut = true;
    await into(page, 'start one');
    await page.keyboard.type(' two');
    const took = timeHere();
    await expect(page.getByTestId('saving')).toHaveText('Offline, kept here');
    expect(took()).toBeLessThan(3_500);
    await page.getByRole('button', { name: 'Page', exact: true }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Pin to the Desk' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'can’t be reached' })).toBeVisible();
    // Meanwhile something is done in another place.
    const { origin } = new URL(page.url());
    const acts = [
      { do: 'name', id: await idOf(page, 'Pintle'), name: 'Hinge' },
      { do: 'name', id: new URL(page.url()).pathname.split('/').at(-1), name: 'Ironwork' },
    ];
    const done = await page.request.post(`${origin}/api/acts`, { headers: { Origin: origin }, data: { acts } });
    expect(done.ok()).toBe(true);
    isCut = false;
    await expect(page.getByTestId('saving')).toHaveText('Saved');
    await expect(textOf(page).locator('a.link')).toHaveText('Hinge');
    await expect(page).toHaveTitle(/Ironwork/u);
    if (!isPhone(page)) await expect(page.getByRole('treeitem', { name: /Ironwork/u })).toBeVisible();
  },
);

test('X8 the menu of a page opens when the server has not told of the page yet, and offers the rest when it has', async ({
  pages,
}) => {
  const page = await pages({ Works: 'start\n\nThe old weir.\n' });
  await saved(page);
  let tell = () => {};
  const told = new Promise<void>((resolve) => (tell = resolve));
  await page.route('**/api/pages/*', async (route) => {
    await told;
    await route.continue();
  });
  await page.reload();
  await expect(textOf(page)).toContainText('old weir');
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  const menu = page.getByRole('dialog', { name: 'Works' });
  await expect(menu).toContainText('offered here as soon as the server can be reached');
  await expect(menu.getByRole('button', { name: 'Find and replace here' })).toBeVisible();
  await expect(menu.getByRole('button', { name: 'Pin to the Desk' })).toHaveCount(0);
  tell();
  await menu.getByRole('button', { name: 'Pin to the Desk' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'pinned to the Desk' })).toBeVisible();
  // What can be done with its pin waits until it is known whether there is one; the rest waits for nothing.
  let tellPins = () => {};
  const pinsTold = new Promise<void>((resolve) => (tellPins = resolve));
  await page.route('**/api/pins', async (route) => {
    await pinsTold;
    await route.continue();
  });
  await page.reload();
  await expect(page.getByRole('main')).toContainText('Begun today');
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await expect(menu.getByRole('button', { name: 'Find and replace here' })).toBeVisible();
  await expect(menu).not.toContainText('offered here as soon as');
  await expect(menu.getByRole('button', { name: 'Lay aside' })).toBeEnabled();
  await expect(menu.getByRole('button', { name: 'Pin to the Desk' })).toBeDisabled();
  tellPins();
  await menu.getByRole('button', { name: 'Take from the pins' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'not pinned any more' })).toBeVisible();
});

test('X12 words, characters and reading time are told', async ({ pages }) => {
  const page = await pages({ Works: 'The gate 水車.\n' });
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await expect(page.getByRole('dialog')).toContainText('4 words, 12 characters, about 1 minute to read');
});

test('X12 finding and replacing on the page: case, whole words, regular expressions, undone as one', async ({
  pages,
}) => {
  const page = await pages({ Works: 'Gate, gate and gates.\n\n- the gate 12 and 7\n' });
  if (isPhone(page)) await pageMenu(page, 'Find and replace here');
  else {
    await page.getByRole('main').focus();
    await page.keyboard.press('r');
  }
  const panel = page.getByRole('search', { name: 'Find and replace on this page' });
  const find = panel.getByRole('textbox', { name: 'Find on this page' });
  const found = panel.getByRole('status');
  await find.fill('gate');
  await expect(found).toHaveText('4 found');
  await panel.getByRole('checkbox', { name: 'Case' }).check();
  await expect(found).toHaveText('3 found');
  await panel.getByRole('checkbox', { name: 'Whole words' }).check();
  await expect(found).toHaveText('2 found');
  await panel.getByRole('textbox', { name: 'Replace with' }).fill('sluice');
  await panel.getByRole('button', { name: 'Next' }).click();
  await expect(textOf(page).locator('.search-match.active')).toHaveText('gate');
  await panel.getByRole('button', { name: 'Replace all' }).click();
  await expect(found).toHaveText('2 were replaced.');
  await expect.poll(() => lines(page)).toEqual(['paragraph: Gate, sluice and gates.', 'bulleted: the sluice 12 and 7']);
  await into(page, 'the sluice');
  await page.keyboard.press('Control+z');
  await expect.poll(() => lines(page)).toEqual(['paragraph: Gate, gate and gates.', 'bulleted: the gate 12 and 7']);
  await panel.getByRole('checkbox', { name: 'Whole words' }).uncheck();
  await panel.getByRole('checkbox', { name: 'Regular expression' }).check();
  await find.fill('(\\d');
  await expect(found).toHaveText('That is no regular expression.');
  await find.fill('(\\d+) and (\\d+)');
  await panel.getByRole('textbox', { name: 'Replace with' }).fill('$2 and $1');
  await panel.getByRole('button', { name: 'Replace all' }).click();
  await linesKept(page, ['paragraph: Gate, gate and gates.', 'bulleted: the gate 7 and 12']);
});

test('X13 pictures, sounds, PDFs and any file are attached by picking, dropping and pasting, and shown in place', async ({
  pages,
}) => {
  const page = await pages({ Works: 'start\n' });
  await into(page, 'start');
  await page.keyboard.press('Enter');
  const pick = async (letters: string, name: string, file: { name: string; mimeType: string; buffer: Buffer }) => {
    const chooser = page.waitForEvent('filechooser');
    await insert(page, letters, name);
    await (await chooser).setFiles(file);
  };
  await pick('photo', 'Picture', { name: 'gate.png', mimeType: 'image/png', buffer: PIXEL });
  const pictures = textOf(page).locator('.picture');
  const picture = pictures.first();
  await expect(picture.locator('img')).toBeVisible();
  await picture.locator('img').click();
  await picture.getByRole('textbox', { name: 'Caption' }).fill('The leaf, seaward');
  await picture.getByRole('textbox', { name: 'What it shows, in words' }).fill('A gate with a worn heel');
  await picture.getByRole('button', { name: 'Half' }).click();
  await textOf(page).locator('> .block').last().click();
  const wave = Buffer.concat([
    Buffer.from(
      'RIFF$\0\0\0WAVEfmt \u0010\0\0\0\u0001\0\u0001\0\u0040\u001f\0\0\u0040\u001f\0\0\u0001\0\u0008\0data\0\0\0\0',
      'latin1',
    ),
  ]);
  await pick('pdf', 'File', { name: 'bell.wav', mimeType: 'audio/wav', buffer: wave });
  await expect(textOf(page).locator('audio')).toBeVisible();
  await textOf(page).evaluate((element) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File(['%PDF-1.4\n%%EOF'], 'tide table.pdf', { type: 'application/pdf' }));
    const box = element.getBoundingClientRect();
    const at = { clientX: box.left + 20, clientY: box.top + 10 };
    element.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true, ...at }));
  });
  await expect(textOf(page).getByRole('link', { name: 'tide table.pdf' })).toBeVisible();
  await page.evaluate(
    (bytes) =>
      navigator.clipboard.write([
        new ClipboardItem({ 'image/png': new Blob([new Uint8Array(bytes)], { type: 'image/png' }) }),
      ]),
    [...PIXEL],
  );
  await textOf(page).locator('> .block').last().click();
  await page.keyboard.press('Control+v');
  await expect(pictures).toHaveCount(2);
  await saved(page);
  await page.reload();
  await expect(pictures).toHaveCount(2);
  await expect(pictures.last().locator('img')).toBeVisible();
  await expect(picture.locator('img')).toHaveAttribute('alt', 'A gate with a worn heel');
  await expect(picture.locator('img')).toHaveCSS('width', /.+/u);
  await expect(picture.getByRole('textbox', { name: 'Caption' })).toHaveValue('The leaf, seaward');
  await expect(textOf(page).locator('audio')).toBeVisible();
  await expect(textOf(page).getByRole('link', { name: 'tide table.pdf' })).toBeVisible();
  const shown = await page.request.get(new URL((await picture.locator('img').getAttribute('src'))!, page.url()).href);
  expect(await shown.body()).toEqual(PIXEL);
});

test('X13 a voice note is recorded and can be heard', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Works: 'start\n' });
  await into(page, 'start');
  await page.keyboard.press('Enter');
  await insert(page, 'memo', 'Voice note');
  const dialog = page.getByRole('dialog', { name: 'Voice note' });
  await expect(dialog.getByRole('status')).toHaveText('0:01');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  const sound = textOf(page).locator('audio');
  await expect(sound).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(sound).toBeVisible();
  const media = await page.request.head(new URL((await sound.getAttribute('src'))!, page.url()).href);
  expect(media.headers()['content-type']).toMatch(/^audio\//u);
  await expect.poll(() => sound.evaluate((element: HTMLAudioElement) => element.readyState)).toBeGreaterThan(0);
});

test(
  'X13 a file that is refused is told in a sentence and leaves the page as it was',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n' });
    await into(page, 'start');
    const chooser = page.waitForEvent('filechooser');
    await page.keyboard.type(' ');
    await insert(page, 'pdf', 'File');
    await (await chooser).setFiles({ name: 'empty.pdf', mimeType: 'application/pdf', buffer: Buffer.alloc(0) });
    await expect(said(page, '“empty.pdf” was not attached. That file is empty.')).toBeVisible();
    await expect.poll(() => lines(page)).toEqual(['paragraph: start']);
  },
);

test('W14 a page becomes a template; a section’s pages begin with it, its questions asked and its number counted', async ({
  pages,
}) => {
  const page = await pages({ 'Draft {{number}}': 'For {{Whom is it for?}} in {{place}}.\n', Plain: 'x\n' });
  await pageMenu(page, 'Make this a template');
  await expect(said(page, 'Pages can be made from')).toBeVisible();
  const origin = new URL(page.url()).origin;
  const { trail } = (await (await page.request.get(page.url().replace('/p/', '/api/entries/'))).json()) as {
    trail: { id: string }[];
  };
  await page.goto(`${origin}/n/${trail[1]!.id}`);
  const section = page.locator(`[data-entry="${trail[1]!.id}"]`).first();
  const menu = async (name: string) => {
    await section.focus();
    await section.click({ button: 'right' });
    await page.getByRole('dialog').getByRole('button', { name, exact: true }).click();
  };
  await menu('Template of new pages in here');
  await page.getByRole('dialog').getByRole('button', { name: /Draft/u }).click();
  for (const number of [1, 2]) {
    await menu('New page here');
    await page.getByRole('textbox', { name: 'Whom is it for?' }).fill('Petra Vane');
    await page.getByRole('button', { name: 'Make page' }).click();
    await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText(`Draft ${number}`);
    await expect.poll(() => lines(page)).toEqual(['paragraph: For Petra Vane in Works.']);
    if (number === 1) await page.goto(`${origin}/n/${trail[1]!.id}`);
  }
  await pageMenu(page, 'Next in the series');
  await page.getByRole('textbox', { name: 'Whom is it for?' }).fill('Joss');
  await page.getByRole('button', { name: 'Make page' }).click();
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Draft 3');
  await linesKept(page, ['paragraph: For Joss in Works.']);
  await openPage(page, 'Plain');
  await pageMenu(page, 'Next in the series');
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveText('Plain 2');
});

test('W14 days begin with a template of one’s own', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ 'My day': '## Tide at {{date}}\n\n- [ ] \n' });
  await pageMenu(page, 'Make this a template');
  const origin = new URL(page.url()).origin;
  await page.goto(`${origin}/settings`);
  await page.getByRole('button', { name: /^Every day/u }).click();
  await page.getByRole('radio', { name: 'My day' }).click();
  await page.goto(`${origin}/day/2026-12-30`);
  await expect.poll(() => lines(page)).toEqual(['heading2: Tide at Wednesday 30 December', 'todo open:']);
  await textOf(page).locator('.words').nth(1).click();
  await page.keyboard.type('caulk the seam');
  await linesKept(page, ['heading2: Tide at Wednesday 30 December', 'todo open: caulk the seam']);
});

test(
  'an input method composes words, and lines from right to left stand at their own side',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Works: 'start\n' });
    await into(page, 'start');
    await page.keyboard.press('Enter');
    const session = await page.context().newCDPSession(page);
    for (const text of ['す', 'すい', 'すいしゃ']) {
      await session.send('Input.imeSetComposition', { text, selectionStart: text.length, selectionEnd: text.length });
    }
    await session.send('Input.insertText', { text: '水車' });
    await expect.poll(() => lines(page)).toEqual(['paragraph: start', 'paragraph: 水車']);
    await page.keyboard.press('Enter');
    await page.keyboard.type('بوابة');
    await expect(line(page, 'بوابة')).toHaveCSS('direction', 'rtl');
    await expect(textOf(page)).toHaveAttribute('spellcheck', 'true');
    await linesKept(page, ['paragraph: start', 'paragraph: 水車', 'paragraph: بوابة']);
  },
);
