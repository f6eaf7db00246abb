import { Hands } from './support/handwork';
import { line, lines, openNotebook, said } from './support/outline';
import { expect, isPhone, openPage, saved, test, textOf, type NoteFile } from './support/test';

const title = (page: Parameters<typeof openPage>[0]) => page.getByRole('textbox', { name: 'Title', exact: true });

/** A section with this many pages, in a notebook of its own. */
const section = (name: string, pages: number): NoteFile[] =>
  Array.from({ length: pages }, (_each, index) => ({ path: `Jobs/${name}/${name} ${index + 1}.md`, text: 'Notes.\n' }));

test('an overview page of a section with 8 pages, which stays current', async ({ outline }) => {
  const origin = new URL(outline.url()).origin;
  const headers = { Origin: origin };
  await outline.request.post(`${origin}/api/imports`, { headers, data: { files: section('Roof', 8) } });
  await openPage(outline, 'Roof 3');
  const hands = new Hands(outline);
  await hands.press('v');
  const words = outline.locator('.overview-words');
  await expect(words).toHaveCount(8);
  hands.atMost('overview page of a section with 8 pages', 1);
  await outline.request.post(`${origin}/api/imports`, { headers, data: { files: section('Other', 1) } });
  const made = { do: 'make', kind: 'page', id: crypto.randomUUID(), name: 'Roof 9' };
  const found = await outline.request.get(`${origin}/api/names?q=Roof`);
  const [holder] = ((await found.json()) as { id: string; kind: string }[]).filter((each) => each.kind === 'section');
  const acts = [{ ...made, parentId: holder!.id }];
  await outline.request.post(`${origin}/api/acts`, { headers, data: { acts } });
  await expect(words).toHaveCount(9);
});

test('a finished project of 12 pages is filed away, by keys and by touch alike', async ({ outline }) => {
  const origin = new URL(outline.url()).origin;
  await outline.request.post(`${origin}/api/imports`, {
    headers: { Origin: origin },
    data: { files: section('Gable', 12) },
  });
  await openNotebook(outline, 'Jobs');
  const hands = new Hands(outline);
  if (isPhone(outline)) {
    // The long touch is the first of the two.
    const box = (await line(outline, 'Gable').boundingBox())!;
    const touch = await outline.context().newCDPSession(outline);
    const touchPoints = [{ x: box.x + 40, y: box.y + box.height / 2 }];
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints });
    await outline.waitForTimeout(420);
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    hands.count += 1;
    await hands.tap(outline.getByRole('button', { name: 'Lay aside', exact: true }));
  } else {
    await line(outline, 'Gable').focus();
    await hands.press('a');
  }
  await expect(said(outline, '“Gable” is laid aside.')).toBeVisible();
  hands.atMost('file away a finished project of 12 pages', 2);
  await expect(line(outline, 'Laid aside')).toContainText('12');
  expect(await lines(outline)).toEqual(['Laid aside']);
});

test('going back to where a link was followed', async ({ outline }) => {
  await openPage(outline, 'Stop logs');
  await textOf(outline).locator('a.link').click();
  await expect(title(outline)).toHaveText('Sluice gate');
  const hands = new Hands(outline);
  await hands.tap(outline.getByRole('navigation', { name: 'Trail' }).getByRole('button', { name: 'Back' }));
  await expect(title(outline)).toHaveText('Stop logs');
  hands.atMost('go back to where a link was followed', 1);
});

test('a page linked from the middle of a sentence, what points there seen, and linked back', async ({ outline }) => {
  await openPage(outline, 'Stop logs');
  const line = textOf(outline).locator('.words').first();
  await line.click({ position: { x: 4, y: 12 } });
  await outline.keyboard.press('Home');
  await outline.waitForTimeout(600);
  const hands = new Hands(outline);
  await hands.type('[[');
  await hands.type('tailr');
  await hands.press('Enter');
  await expect(textOf(outline).getByRole('link', { name: /Tailrace/u })).toBeVisible();
  hands.atMost('link to a page from the middle of a sentence', 3);
  await saved(outline);
  await openPage(outline, 'Tailrace');
  // Nothing is asked for: what points here stands there, and it is the way back.
  const margin = outline.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toContainText(/\d linked/u);
  const seeing = new Hands(outline);
  if (!isPhone(outline)) await expect(margin.getByRole('article', { name: /Stop logs/u })).toBeVisible();
  seeing.atMost('see everything that points here', 0);
  seeing.atMost('link back to a page that links here', 0);
});

test('a page that 40 places mention is renamed', async ({ outline }) => {
  const origin = new URL(outline.url()).origin;
  const lines = Array.from({ length: 8 }, (_each, index) => `Line ${index} of the [[Roof]].`).join('\n\n');
  const files = [
    { path: 'Jobs/Roof.md', text: 'Slate.\n' },
    ...Array.from({ length: 5 }, (_each, index) => ({ path: `Jobs/Visit ${index}.md`, text: lines })),
  ];
  await outline.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
  await openPage(outline, 'Roof');
  const field = title(outline);
  await field.click();
  await outline.keyboard.press('End');
  const hands = new Hands(outline);
  await hands.type(' over the stone floor');
  hands.atMost('rename a page that 40 places mention', 1);
  await saved(outline);
  await openPage(outline, 'Visit 3');
  await expect(textOf(outline).locator('a.link')).toHaveText(Array(8).fill('Roof over the stone floor'));
});

test('a tag that 60 lines wear is renamed', async ({ outline }) => {
  const origin = new URL(outline.url()).origin;
  const lines = Array.from({ length: 20 }, (_each, index) => `Line ${index} of it. #slatework\n`).join('\n');
  const files = [1, 2, 3].map((each) => ({ path: `Jobs/Roof ${each}.md`, text: lines }));
  await outline.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
  await openPage(outline, 'Roof 1');
  await textOf(outline).locator('a.tag').first().click();
  await expect(outline.getByText('60 lines on 3 pages')).toBeVisible();
  const hands = new Hands(outline);
  await hands.tap(outline.getByRole('button', { name: 'Rename slatework' }));
  await hands.type('slating');
  hands.atMost('rename a tag that 60 lines wear', 2);
  await outline.locator('.tag-lines').getByRole('link', { name: 'Roof 2' }).click();
  await expect(textOf(outline).locator('a.tag')).toHaveText(Array(20).fill('slating'));
});
