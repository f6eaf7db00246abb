import { ask, line, lines, openNotebook, said, START } from './support/outline';
import { expect, isPhone, openPage, saved, test, textOf } from './support/test';

/** What every hand needs in the contents and the menus of what stands in them. */

const title = (page: Parameters<typeof openPage>[0]) => page.getByRole('textbox', { name: 'Title', exact: true });

// Keys; the bar and the menu are the same on a phone.
test(
  'W4 several chosen act together for every key, and for the menu of each of them',
  { tag: '@once' },
  async ({ outline }) => {
    await openNotebook(outline);
    const chooseTwo = async () => {
      await line(outline, 'Tailrace').focus();
      await outline.keyboard.press('Space');
      await line(outline, 'Stop logs').focus();
      await outline.keyboard.press('Space');
      await expect(outline.getByRole('status').filter({ hasText: '2 chosen' })).toBeVisible();
    };
    await chooseTwo();
    await outline.keyboard.press('Alt+ArrowUp');
    await expect
      .poll(() => lines(outline))
      .toEqual([START[0], '  Tailrace', '  Stop logs', START[1], START[2], ...START.slice(5)]);
    await outline.keyboard.press('Alt+ArrowDown');
    await expect.poll(() => lines(outline)).toEqual(START);
    await outline.keyboard.press('Alt+Shift+ArrowRight');
    await expect
      .poll(() => lines(outline))
      .toEqual([...START.slice(0, 3), '    Tailrace', '    Stop logs', ...START.slice(5)]);
    await outline.keyboard.press('Alt+Shift+ArrowLeft');
    await expect.poll(() => lines(outline)).toEqual(START);
    await line(outline, 'Stop logs').focus();
    await outline.keyboard.press('p');
    await expect(said(outline, '2 entries are pinned to the Desk.')).toBeVisible();
    await outline.keyboard.press('a');
    await expect(said(outline, '2 entries are laid aside.')).toBeVisible();
    await outline.keyboard.press('Escape');
    await outline.keyboard.press('z');
    await expect.poll(() => lines(outline)).toEqual(START);
    await outline.keyboard.press('Escape');
    await chooseTwo();
    await ask(outline, line(outline, 'Tailrace'));
    const dialog = outline.getByRole('dialog', { name: '2 chosen' });
    await expect(dialog).toContainText('Tailrace · Stop logs');
    await dialog.getByRole('button', { name: 'Delete them' }).click();
    await expect(said(outline, '2 entries are in the bin.')).toBeVisible();
    await outline.keyboard.press('z');
    await expect.poll(() => lines(outline)).toEqual(START);
  },
);

test('X8 the menu of an entry that can’t be asked for says so, and is there once the server is', async ({
  outline,
}) => {
  await openNotebook(outline);
  const tools = line(outline, 'Pit wheel cogs').getByRole('button', { name: 'What can be done with Pit wheel cogs' });
  await line(outline, 'Pit wheel cogs').hover();
  let isCut = true;
  await outline.route('**/api/entries/*', (route) => (isCut ? route.abort() : route.continue()));
  await tools.click();
  await expect(outline.getByRole('dialog', { name: 'Not reached' })).toContainText('The server can’t be reached');
  await outline.keyboard.press('Escape');
  await expect(outline.getByRole('dialog')).toHaveCount(0);
  // Else the answer comes late.
  isCut = false;
  let tell = () => {};
  const told = new Promise<void>((resolve) => (tell = resolve));
  await outline.route('**/api/entries/*', async (route) => {
    await told;
    await route.continue();
  });
  await tools.click();
  await expect(outline.getByRole('dialog', { name: 'One moment' })).toBeVisible();
  tell();
  const menu = outline.getByRole('dialog', { name: 'Pit wheel cogs' });
  await menu.getByRole('button', { name: 'Copy link' }).focus();
  await outline.keyboard.press('Escape');
  // On a wide screen the tools show under the pointer only.
  await expect(isPhone(outline) ? tools : line(outline, 'Pit wheel cogs')).toBeFocused();
});

test(
  'W4 a long touch asks what can be done and opens nothing, however late the browser tells of its click',
  {
    tag: '@phone',
  },
  async ({ outline }) => {
    await openNotebook(outline);
    const section = line(outline, 'Waterworks');
    await expect(section).toHaveAttribute('aria-expanded', 'true');
    // The window has much to do when the finger is lifted, and the click comes late.
    await outline.evaluate(() => {
      const lateClick = (event: TouchEvent) => {
        const { target } = event;
        event.preventDefault();
        setTimeout(() => {
          for (const name of ['mousedown', 'mouseup', 'click'])
            target!.dispatchEvent(new MouseEvent(name, { bubbles: true, cancelable: true, detail: 1 }));
        }, 150);
      };
      addEventListener('touchend', lateClick, { once: true, passive: false });
    });
    await ask(outline, section);
    await outline.waitForTimeout(300);
    await outline.keyboard.press('Escape');
    await expect(section).toHaveAttribute('aria-expanded', 'true');
    // The next touch is one of its own.
    await section.tap();
    await expect(section).toHaveAttribute('aria-expanded', 'false');
  },
);

test('W3 W4 what is typed after n and u is the title; a second tap makes no second page; menus show that they are there', async ({
  outline,
}) => {
  await openNotebook(outline);
  const tools = line(outline, 'Pit wheel cogs').getByRole('button', { name: 'What can be done with Pit wheel cogs' });
  if (isPhone(outline)) await expect(tools).toBeVisible();
  // Letters wait until it is known whether they act, each in its turn.
  await outline.route('**/api/settings', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 900));
    await route.continue();
  });
  await openPage(outline, 'Stop logs');
  await outline.locator('main').focus();
  await outline.keyboard.press('n');
  await outline.keyboard.type('Penstock');
  await expect(title(outline)).toHaveText('Penstock');
  await saved(outline);
  await outline.locator('main').focus();
  await outline.keyboard.press('u');
  await outline.keyboard.type('Rack and pinion');
  await expect(title(outline)).toHaveText('Rack and pinion');
  await expect(title(outline)).toBeFocused();
  await saved(outline);

  await outline.getByRole('button', { name: 'Page', exact: true }).click();
  await outline.getByRole('dialog').getByRole('button', { name: 'Next in the series' }).dblclick();
  await expect(title(outline)).not.toHaveText('Rack and pinion');
  await openNotebook(outline);
  await outline.getByRole('button', { name: 'New page', exact: true }).dblclick();
  await expect(title(outline)).toBeFocused();
  await outline.keyboard.type('One only');
  await saved(outline);
  await openNotebook(outline);
  await expect
    .poll(() => lines(outline))
    .toEqual([
      'One only',
      ...START.slice(0, 5),
      '  Penstock',
      '    Rack and pinion',
      '    Rack and pinion 2',
      ...START.slice(5),
    ]);
});

test('W3 W4 new pages and sections are within reach of a long notebook; an empty section says what to do', async ({
  outline,
}) => {
  await openNotebook(outline);
  await outline.evaluate(() => (document.getElementById('main')!.scrollTop = 0));
  const make = outline.getByRole('button', { name: 'New section', exact: true });
  await expect(make).toBeInViewport();
  await make.click();
  await outline.getByRole('textbox', { name: 'Name' }).fill('Ropes');
  await outline.getByRole('button', { name: 'Make section' }).click();
  await line(outline, 'Ropes').click();
  const dialog = outline.getByRole('dialog', { name: 'Ropes' });
  await expect(dialog).toContainText('Nothing stands here yet.');
  await dialog.getByRole('button', { name: 'New page here' }).click();
  await expect(title(outline)).toBeFocused();
});

test('X9 folding back leaves nothing nameless in the bin, and is offered only where it can be done', async ({
  outline,
}) => {
  await openPage(outline, 'Tailrace');
  const menu = async () => {
    await outline.getByRole('button', { name: 'Page', exact: true }).click();
    return outline.getByRole('dialog');
  };
  await expect((await menu()).getByRole('button', { name: 'Copy link' })).toBeVisible();
  await expect(outline.getByRole('button', { name: /Fold back/u })).toHaveCount(0);
  await outline.keyboard.press('Escape');
  await openPage(outline, 'Sluice gate');
  await (await menu()).getByRole('button', { name: 'New page beneath' }).click();
  await expect(title(outline)).toBeFocused();
  await outline.keyboard.press('Enter');
  await outline.keyboard.type('grease the winch');
  await saved(outline);
  const address = outline.url();
  await (await menu()).getByRole('button', { name: 'Fold back into the page above' }).click();
  await expect(title(outline)).toHaveText('Sluice gate');
  await expect(textOf(outline)).toContainText('grease the winch');
  // Its own address leads to its lines.
  await outline.goto(address);
  await expect(title(outline)).toHaveText('Sluice gate');
  await openPage(outline, 'Pintle');
  await expect((await menu()).getByRole('button', { name: 'Fold back into the page above' })).toBeVisible();
  await outline.goto(new URL('/bin', outline.url()).href);
  await expect(outline.getByText('The bin is empty')).toBeVisible();
});
