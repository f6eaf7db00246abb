import { act, ask, line, lines, openNotebook, said, tree } from './support/outline';
import { clickEnd, expect, idOf, isPhone, openPage, openToday, saved, test, textOf } from './support/test';

const title = (page: Parameters<typeof openPage>[0]) => page.getByRole('textbox', { name: 'Title', exact: true });

test('W9 an overview of a section is current, ordered, and flashes what it leads to', async ({ outline }) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Waterworks'), 'Make an overview page');
  const overview = outline.getByRole('navigation', { name: 'Overview of Waterworks' });
  await expect(overview.locator('.overview-words')).toHaveText(['Sluice gate', 'Pintle', 'Tailrace', 'Stop logs']);
  const address = outline.url();
  const origin = new URL(address).origin;
  const id = await idOf(outline, 'Tailrace');
  const acts = [{ do: 'name', id, name: 'Tail race, silted' }];
  await outline.request.post(`${origin}/api/acts`, { headers: { Origin: origin }, data: { acts } });
  await expect(overview).toContainText('Tail race, silted');

  await overview.getByRole('button', { name: 'Change' }).click();
  await outline.getByRole('radio', { name: 'By name' }).click();
  await outline.getByRole('radio', { name: '1 level' }).click();
  await outline.keyboard.press('Escape');
  await expect(overview.locator('.overview-words')).toHaveText(['Sluice gate', 'Stop logs', 'Tail race, silted']);
  await saved(outline);
  await outline.reload();
  await expect(overview.locator('.overview-words')).toHaveText(['Sluice gate', 'Stop logs', 'Tail race, silted']);
  await overview.getByRole('link', { name: /Stop logs/ }).click();
  await expect(title(outline)).toHaveText('Stop logs');
  await outline.goBack();
  await expect(outline).toHaveURL(address);
});

test(
  'W9 overviews from the Insert menu: of the headings here, and of pages and lines chosen by hand',
  { tag: '@once' },
  async ({ outline }) => {
    const log = await openPage(outline, 'Stop logs');
    const block = (await textOf(outline).locator('.block', { hasText: 'Eleven' }).getAttribute('id'))!.slice(2);
    await openPage(outline, 'Tailrace');
    await clickEnd(outline, 'Silt to');
    await outline.keyboard.press('Enter');
    await outline.keyboard.type('/headings here');
    await outline.keyboard.press('Enter');
    await outline.keyboard.type('## Soundings');
    await outline.keyboard.press('Enter');
    for (let index = 0; index < 30; index += 1) {
      await outline.keyboard.type(`Reading ${index}.`);
      await outline.keyboard.press('Enter');
    }
    await outline.keyboard.type('## Dredging');
    const headings = outline.getByRole('navigation', { name: 'Overview of this page' });
    await expect(headings.locator('.overview-words')).toHaveText(['Soundings', 'Dredging']);
    await saved(outline);
    await headings.getByRole('link', { name: /Dredging/ }).click();
    await expect(outline.locator('.landed')).toContainText('Dredging');
    await expect(outline.locator('.landed')).toBeInViewport();
    await outline.goBack();

    await openPage(outline, 'Budget');
    await clickEnd(outline, 'Cogs:');
    await outline.keyboard.press('Enter');
    await outline.keyboard.type('/chosen');
    await outline.keyboard.press('Enter');
    const field = outline.getByRole('combobox', { name: 'Overview' });
    await field.fill('pintle');
    await outline.getByRole('option', { name: /Pintle/ }).click();
    await field.fill(new URL(`/b/${block}`, outline.url()).href);
    await outline.getByRole('option', { name: /What this address leads to/ }).click();
    await expect(field).toHaveValue('');
    await outline.keyboard.press('Escape');
    const chosen = outline.getByRole('navigation', { name: 'Overview of chosen places' });
    await expect(chosen.locator('.overview-words')).toHaveText(['Pintle', /Eleven logs for the Sluice gate/]);
    await saved(outline);
    await outline.reload();
    await chosen.getByRole('link', { name: /Eleven logs/ }).click();
    await expect(outline.locator(`#b-${block}.landed`)).toBeVisible();
    expect(log).toBeTruthy();
  },
);

test('W10 the trail opens at each step, is never cut to a stub, and back, forward, up and the places visited work', async ({
  outline,
}) => {
  const long = 'A title that goes on and on about the seaward leaf and all that hangs from it '.repeat(3).trim();
  const deep = Array.from({ length: 9 }, (_each, index) => (index === 4 ? long : `Step ${index}`));
  const origin = new URL(outline.url()).origin;
  const files = deep.map((_name, index) => ({
    path: `Deep/Section/${deep.slice(0, index + 1).join('/')}.md`,
    text: `At ${index}.\n`,
  }));
  await outline.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
  await openPage(outline, 'Step 8');
  const trail = outline.getByRole('navigation', { name: 'Trail' });
  await expect(trail.getByRole('link').first()).toBeVisible();
  for (const step of await trail.getByRole('link').all()) {
    const box = (await step.boundingBox())!;
    expect(box.width).toBeGreaterThan(30);
    expect(box.x + box.width).toBeLessThanOrEqual(outline.viewportSize()!.width);
  }
  await trail.getByRole('button', { name: /Show the whole trail/ }).click();
  const steps = outline.getByRole('dialog').getByRole('link');
  await expect(steps).toHaveText(['Deep', 'Section', ...deep.slice(0, 8)]);
  await steps.nth(6).click();
  await expect(title(outline)).toHaveText(long);

  await trail.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(title(outline)).toHaveText('Step 8');
  if (isPhone(outline)) {
    await outline.getByRole('button', { name: 'Page', exact: true }).click();
    await outline.getByRole('button', { name: 'Forward →' }).click();
  } else {
    await trail.getByRole('button', { name: 'Forward' }).click();
  }
  await expect(title(outline)).toHaveText(long);
  await outline.getByRole('main').focus();
  await outline.keyboard.press('i');
  await expect(title(outline)).toHaveText('Step 3');
  await outline.getByRole('main').focus();
  await outline.keyboard.press('h');
  await expect(outline.getByRole('dialog', { name: 'Places visited' }).getByRole('link')).toContainText([
    'Step 3',
    /^A title/,
    'Step 8',
  ]);
  await outline.getByRole('dialog').getByRole('link', { name: 'Step 8' }).click();
  await expect(title(outline)).toHaveText('Step 8');
});

test('W11 everything but the text is put away and brought back with one key', { tag: '@once' }, async ({ outline }) => {
  await outline.setViewportSize({ width: 1280, height: 800 });
  await openPage(outline, 'Sluice gate');
  await expect(outline.getByRole('navigation', { name: 'Contents' })).toBeVisible();
  await outline.keyboard.press('o');
  for (const name of ['Contents', 'Places', 'Trail']) {
    await expect(outline.getByRole('navigation', { name })).toHaveCount(0);
  }
  await expect(outline.locator('.gloss')).toHaveCount(0);
  await expect(textOf(outline)).toBeVisible();
  await outline.keyboard.press('o');
  await expect(outline.getByRole('navigation', { name: 'Contents' })).toBeVisible();
  await outline.keyboard.press('o');
  await outline.getByRole('button', { name: 'Show all' }).click();
  await expect(outline.getByRole('navigation', { name: 'Trail' })).toBeVisible();
});

test(
  'W11 contents and Margin are each put away, remembered so, and brought back',
  { tag: '@once' },
  async ({ outline }) => {
    await outline.setViewportSize({ width: 1280, height: 800 });
    await openPage(outline, 'Sluice gate');
    const contents = outline.getByRole('navigation', { name: 'Contents' });
    const margin = outline.getByRole('complementary', { name: 'Margin' });
    // The keys go on from the screen, and not to nowhere.
    const main = outline.locator('#main');
    await contents.hover();
    await contents.getByRole('button', { name: 'Put away' }).click();
    await expect(contents).toHaveCount(0);
    await expect(main).toBeFocused();
    await expect(margin).toBeVisible();
    await margin.getByRole('button', { name: 'Put away' }).press('Enter');
    await expect(margin).toHaveCount(0);
    await expect(main).toBeFocused();
    await outline.reload();
    await expect(textOf(outline)).toBeVisible();
    await expect(contents).toHaveCount(0);
    await outline.getByRole('button', { name: /^Margin put away/ }).click();
    await expect(margin).toBeVisible();
    await outline.getByRole('button', { name: 'Contents', exact: true }).click();
    await expect(line(outline, 'Sluice gate')).toHaveAttribute('aria-current', 'page');
    await contents.hover();
    await contents.getByRole('button', { name: 'Put away' }).click();
    await expect(contents).toHaveCount(0);
  },
);

test(
  'W10 where there is no room for the contents they are drawn over the page, and lead on',
  { tag: '@once' },
  async ({ outline }) => {
    await outline.setViewportSize({ width: 834, height: 1112 });
    await openPage(outline, 'Sluice gate');
    await expect(outline.getByRole('navigation', { name: 'Contents' })).toHaveCount(0);
    await outline.getByRole('button', { name: 'Contents', exact: true }).click();
    const drawer = outline.getByRole('dialog', { name: 'Contents' });
    await expect(line(outline, 'Sluice gate')).toHaveAttribute('aria-current', 'page');
    await outline.keyboard.press('Escape');
    await expect(drawer).toHaveCount(0);
    await expect(outline.getByRole('button', { name: 'Contents', exact: true })).toBeFocused();
    await outline.keyboard.press('Enter');
    await line(outline, 'Tailrace').click({ button: 'right' });
    const asked = outline.getByRole('dialog', { name: 'Tailrace' });
    await expect(asked).toBeVisible();
    await outline.keyboard.press('Escape');
    await expect(asked).toHaveCount(0);
    await expect(drawer).toBeVisible();
    await line(outline, 'Tailrace').focus();
    await outline.keyboard.press('F2');
    await outline.keyboard.type('Not this');
    await outline.keyboard.press('Escape');
    await expect(drawer).toBeVisible();
    await line(outline, 'Tailrace').click();
    await expect(title(outline)).toHaveText('Tailrace');
    await expect(drawer).toHaveCount(0);
    await outline.keyboard.press('c');
    await outline.mouse.click(820, 600);
    await expect(drawer).toHaveCount(0);
  },
);

test('W12 leaves: the pages beneath across the top, one tap apart', async ({ outline }) => {
  await openPage(outline, 'Sluice gate');
  await outline.getByRole('button', { name: 'Page', exact: true }).click();
  await outline.getByRole('button', { name: 'Show the pages beneath as leaves' }).click();
  const leaves = outline.getByRole('navigation', { name: 'Leaves' });
  await expect(leaves.getByRole('link')).toHaveText(['Sluice gate', 'Pintle']);
  await leaves.getByRole('link', { name: 'Pintle' }).click();
  await expect(title(outline)).toHaveText('Pintle');
  await outline.reload();
  await expect(leaves.getByRole('link', { name: 'Pintle' })).toHaveAttribute('aria-current', 'page');
  await leaves.getByRole('link', { name: 'Sluice gate' }).click();
  await expect(title(outline)).toHaveText('Sluice gate');
});

test(
  'W16 the same titles are told apart, and any word of title or trail finds',
  { tag: '@once' },
  async ({ outline }) => {
    await openToday(outline);
    await outline.keyboard.press('g');
    await outline.keyboard.type('budget');
    const options = outline.getByRole('option', { name: /^Budget/ });
    await expect(options).toHaveText([/Wheel and gears/, /Timber/]);
    await outline.getByRole('combobox', { name: 'Go to' }).fill('budget craft');
    await expect(options).toHaveText([/Field Craft \/ Timber/]);
    await outline.keyboard.press('Enter');
    await expect(textOf(outline)).toContainText('Oak by the cube.');
    await outline.goto(new URL('/find?q=budget', outline.url()).href);
    await expect(outline.locator('.finding-trail')).toHaveText([/Timber|Wheel/, /Timber|Wheel/]);
  },
);

test('W17 a copy has everything beneath it, and its links point inside it', { tag: '@once' }, async ({ outline }) => {
  await openNotebook(outline);
  await act(outline, line(outline, 'Sluice gate'), 'Duplicate with everything beneath');
  await expect(title(outline)).toHaveText('Copy of Sluice gate');
  const original = await idOf(outline, 'Sluice gate');
  await expect(textOf(outline).locator('a.link')).toHaveText('Pintle');
  await textOf(outline).locator('a.link').click();
  await expect(title(outline)).toHaveText('Pintle');
  await expect(outline.getByRole('navigation', { name: 'Trail' })).toContainText('Copy of Sluice gate');
  await expect(textOf(outline).locator('a.link')).toHaveText('Copy of Sluice gate');
  expect(outline.url()).not.toContain(original);
  await openNotebook(outline);
  await expect
    .poll(async () => (await lines(outline)).slice(1, 5))
    .toEqual(['  Sluice gate', '    Pintle', '  Copy of Sluice gate', '    Pintle']);
  await outline.reload();
  await expect(line(outline, 'Copy of Sluice gate')).toBeVisible();
});

test(
  'single letters can be turned off, and the strip acts on the shown page all the same',
  { tag: '@once' },
  async ({ outline }) => {
    await outline.goto(new URL('/settings', outline.url()).href);
    await outline.getByRole('switch', { name: 'Single letters act out of text' }).click();
    await openPage(outline, 'Tailrace');
    await outline.keyboard.press('t');
    await outline.waitForTimeout(300);
    await expect(title(outline)).toHaveText('Tailrace');
    await clickEnd(outline, 'Silt');
    await outline.keyboard.press('Shift');
    await outline.keyboard.press('Shift');
    await outline.keyboard.press('p');
    await expect(said(outline, '“Tailrace” is pinned to the Desk.')).toBeVisible();
  },
);

test(
  'what can be done is asked with the keyboard too, and the tree is a tree to a screen reader',
  { tag: '@once' },
  async ({ outline }) => {
    await openNotebook(outline);
    await expect(tree(outline)).toHaveAttribute('aria-label', 'Contents of Saltmere Tide Mill');
    await expect(line(outline, 'Stop logs')).toHaveAttribute('aria-posinset', '3');
    await expect(line(outline, 'Stop logs')).toHaveAttribute('aria-setsize', '3');
    await line(outline, 'Waterworks').focus();
    await outline.keyboard.press('ArrowDown');
    await expect(line(outline, 'Sluice gate')).toBeFocused();
    await outline.keyboard.press('ArrowLeft');
    await expect(line(outline, 'Sluice gate')).toHaveAttribute('aria-expanded', 'false');
    await outline.keyboard.press('F2');
    await outline.keyboard.type('Seaward gate');
    await outline.keyboard.press('Enter');
    await expect(line(outline, 'Seaward gate')).toBeFocused();
    await outline.keyboard.press('.');
    await expect(outline.getByRole('dialog', { name: 'Seaward gate' })).toBeVisible();
    await outline.keyboard.press('Escape');
    await expect(line(outline, 'Seaward gate')).toBeFocused();
    await outline.keyboard.press('Delete');
    await expect(said(outline, '“Seaward gate” is in the bin.')).toBeVisible();
    await ask(outline, line(outline, 'Tailrace'));
    await expect(outline.getByRole('dialog', { name: 'Tailrace' })).toBeVisible();
  },
);
