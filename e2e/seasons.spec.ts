import { act, line, lines, openNotebook, said, START } from './support/outline';
import { expect, isPhone, openPage, test, textOf } from './support/test';

test('W5 for later and laid aside: folded away, findable, shown as such, brought back to its place', async ({
  outline,
}) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Sluice gate'), 'Lay aside');
  await expect(line(outline, 'Sluice gate')).toHaveCount(0);
  await expect(line(outline, 'Laid aside')).toContainText('2');
  await act(outline, line(outline, 'Budget'), 'Set for later');
  await expect(line(outline, 'Later')).toContainText('1');

  await openPage(outline, 'Stop logs');
  const link = textOf(outline).getByRole('link', { name: 'Sluice gate, laid aside' });
  await expect(link).toHaveAttribute('data-state', 'aside');
  await link.click();
  await expect(outline.locator('.page-state')).toHaveText('laid aside');
  if (isPhone(outline)) await outline.getByRole('button', { name: /^Margin/ }).click();
  await expect(outline.locator('.gloss', { hasText: 'Eleven logs' })).toBeVisible();
  await outline.goto(new URL('/find?q=belongs', outline.url()).href);
  await expect(outline.locator('.finding', { hasText: 'Pintle' })).toBeVisible();

  await openNotebook(outline);
  await outline.reload();
  await line(outline, 'Laid aside').click();
  await act(outline, line(outline, 'Sluice gate'), 'Bring back to the daily view');
  // What comes back moves the lines below it.
  await expect(line(outline, 'Laid aside')).toHaveCount(0);
  await line(outline, 'Later').click();
  await act(outline, line(outline, 'Budget'), 'Bring back to the daily view');
  await expect.poll(() => lines(outline)).toEqual(START);
});

test('W5 a notebook is laid aside as a whole', async ({ outline }) => {
  await outline.goto(new URL('/notebooks', outline.url()).href);
  await act(outline, outline.locator('main .spine', { hasText: 'Field Craft' }), 'Lay aside');
  await expect(outline.locator('main .spine')).toHaveCount(1);
  await outline.reload();
  await outline.getByRole('button', { name: /Laid aside/ }).click();
  await act(outline, outline.locator('main .spine', { hasText: 'Field Craft' }), 'Bring back to the daily view');
  await expect(outline.getByRole('button', { name: /Laid aside/ })).toHaveCount(0);
  await expect(outline.locator('main .spine')).toHaveCount(2);
});

test('W6 the bin: what is beneath goes along, is found there, comes back, and breaks nothing until it is gone for good', async ({
  outline,
}) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Sluice gate'), 'Delete page');
  await expect(line(outline, 'Pintle')).toHaveCount(0);
  await openPage(outline, 'Stop logs');
  await expect(textOf(outline).getByRole('link', { name: 'Sluice gate, in the bin' })).toBeVisible();

  await outline.goto(new URL('/bin', outline.url()).href);
  await outline.getByRole('textbox', { name: 'Find in the bin' }).fill('belongs');
  await expect(outline.locator('.binned')).toContainText('went along with “Sluice gate”');
  await outline.getByRole('textbox', { name: 'Find in the bin' }).fill('');
  await outline.getByRole('button', { name: 'Bring back Sluice gate' }).click();
  await expect(outline.getByText('The bin is empty.')).toBeVisible();
  await openNotebook(outline);
  await expect.poll(() => lines(outline)).toEqual(START);

  await act(outline, line(outline, 'Sluice gate'), 'Delete page');
  await outline.goto(new URL('/bin', outline.url()).href);
  await outline.getByRole('button', { name: 'Delete Sluice gate for good' }).click();
  const sheet = outline.getByRole('dialog');
  await expect(sheet).toContainText('One link will break, on these pages:');
  await expect(sheet).toContainText('Stop logs');
  await sheet.getByRole('button', { name: 'Delete for good' }).click();
  await expect(said(outline, 'gone for good')).toBeVisible();
  await outline.reload();
  await expect(outline.getByText('The bin is empty.')).toBeVisible();
  await openPage(outline, 'Stop logs');
  await expect(textOf(outline).getByRole('link', { name: 'Sluice gate, gone' })).toBeVisible();
});

test(
  'W6 what was deleted from a notebook that is deleted too comes back to the nearest that is left',
  { tag: '@once' },
  async ({ outline }) => {
    await openNotebook(outline);
    await act(outline, line(outline, 'Tailrace'), 'Delete page');
    await act(outline, line(outline, 'Waterworks'), 'Delete section');
    await outline.goto(new URL('/bin', outline.url()).href);
    await outline.getByRole('button', { name: 'Bring back Tailrace' }).click();
    await openNotebook(outline);
    await expect.poll(() => lines(outline)).toEqual(['Tailrace', ...START.slice(5)]);
  },
);

test('W7 pins in an order of one’s own, and pages opened last', async ({ outline }) => {
  const visited = outline.waitForResponse((response) => response.url().endsWith('/visits'));
  await openPage(outline, 'Tailrace');
  await visited;
  await openNotebook(outline);
  await act(outline, line(outline, 'Stop logs'), 'Pin to the Desk');
  await act(outline, line(outline, 'Wheel and gears'), 'Pin to the Desk');
  await outline.goto(new URL('/desk', outline.url()).href);
  const pins = outline.getByRole('region', { name: 'Pins' }).locator('li');
  await expect(pins).toHaveText([/Stop logs/, /Wheel and gears/]);
  await outline.getByRole('button', { name: 'Arrange' }).click();
  await outline.getByRole('button', { name: 'Move up: Wheel and gears' }).click();
  await expect(pins).toHaveText([/Wheel and gears/, /Stop logs/]);
  await outline.reload();
  await expect(pins).toHaveText([/Wheel and gears/, /Stop logs/]);
  await expect(outline.getByRole('region', { name: 'Opened lately' }).locator('li').first()).toContainText('Tailrace');
  await pins.first().getByRole('link').click();
  await expect(line(outline, 'Pit wheel cogs')).toBeVisible();
});

test('W8 the Desk gathers, and is arranged for each kind of screen', async ({ outline }) => {
  await outline.goto(new URL('/desk', outline.url()).href);
  const part = (name: string) => outline.getByRole('region', { name });
  await expect(part('Linked, not yet written')).toContainText('Lift plan');
  await part('Open tasks').getByRole('checkbox').click();
  await expect(part('Open tasks')).toContainText('No task is open.');
  await openPage(outline, 'Pit wheel cogs');
  await expect(textOf(outline).getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');

  await outline.goto(new URL('/desk', outline.url()).href);
  await outline.getByRole('button', { name: 'Arrange' }).click();
  await outline.getByRole('button', { name: 'Up: Open tasks' }).click();
  await outline.getByRole('button', { name: 'Hide: Linked, not yet written' }).click();
  await outline.getByRole('button', { name: 'Show some: Opened lately' }).click();
  await outline.getByRole('button', { name: 'Done' }).click();
  await outline.reload();
  const heads = outline.locator('.desk-part h2');
  await expect(heads).toHaveText([
    'Pins',
    'Due and brought forward',
    'Tray',
    'Open tasks',
    'Opened lately',
    'What may be forgotten',
    'Worked on this week',
    'Saved searches',
  ]);
  await outline.setViewportSize(isPhone(outline) ? { width: 1280, height: 800 } : { width: 390, height: 844 });
  await outline.getByRole('button', { name: 'Arrange' }).click();
  await outline.getByRole('button', { name: 'Down: Pins' }).click();
  await outline.getByRole('button', { name: 'Done' }).click();
  await expect(heads.first()).toHaveText('Due and brought forward');
  await outline.setViewportSize(isPhone(outline) ? { width: 1280, height: 800 } : { width: 390, height: 844 });
  await expect(heads.first()).toHaveText('Pins');
});

test(
  'what is done is shown at once, and taken back with a sentence when it is refused',
  { tag: '@once' },
  async ({ outline }) => {
    await openNotebook(outline);
    const asked: ((how: 'goes' | 'is refused') => void)[] = [];
    // What is done is shown before it is asked of the server.
    const answer = async (how: 'goes' | 'is refused') => {
      await expect.poll(() => asked.length).toBe(1);
      asked.pop()!(how);
    };
    await outline.route('**/api/acts', async (route) => {
      const how = await new Promise<'goes' | 'is refused'>((resolve) => asked.push(resolve));
      if (how === 'goes') return route.continue();
      await route.fulfill({
        status: 400,
        contentType: 'application/problem+json',
        body: JSON.stringify({ detail: 'That can’t be done just now.' }),
      });
    });
    const shelved = line(outline, 'Stop logs');
    await act(outline, shelved, 'Delete page');
    // The server has not said anything yet.
    await expect(shelved).toHaveCount(0);
    await answer('is refused');
    await expect(said(outline, 'That can’t be done just now.')).toBeVisible();
    await expect(shelved).toBeVisible();
    await act(outline, shelved, 'Delete page');
    await expect(shelved).toHaveCount(0);
    await answer('goes');
    await expect(said(outline, 'is in the bin')).toBeVisible();
    await outline.reload();
    await expect(line(outline, 'Sluice gate')).toBeVisible();
    await expect(shelved).toHaveCount(0);
  },
);
