import type { Page } from '@playwright/test';
import { expect, into, lines, linesKept, line, saved, test, textOf } from './support/lines';

/** Pastes as a browser does, with whatever forms the clipboard has. */
const paste = (page: Page, forms: Record<string, string>) =>
  textOf(page).evaluate((element, data) => {
    const transfer = new DataTransfer();
    for (const [form, content] of Object.entries(data)) transfer.setData(form, content);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true, cancelable: true }));
  }, forms);

const PIXEL = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==';

/** What a word processor and a web page put on the clipboard: clutter around a few words. */
const web = `<html><head><style>p{color:red}</style></head><body><!--StartFragment-->
<article><h2 class="x">Setting  out</h2><p style="margin:0"><span style="font-weight:700">Measure</span> the
<a href="https://example.org/sill?a=1">sill</a> <i>twice</i>.<script>window.ran = true</script></p>
<ul><li>level</li><li>line<ul><li>chalk</li></ul></li></ul>
<ol><li><p>first</p></li></ol>
<table><tr><th>Tool</th><th>Where</th></tr><tr><td colspan="2">winch</td></tr></table>
<img src="data:image/png;base64,${PIXEL}" alt="the sill" onerror="window.ran = true">
<p><a href="javascript:window.ran=true">odd</a> <img src="https://elsewhere.example/x.png" alt="far away"></p>
<p class="MsoNormal"><o:p>&nbsp;</o:p></p></article><!--EndFragment--></body></html>`;

test(
  'X6 what comes from the web and from word processors becomes clean blocks',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Paste: '\n' });
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await textOf(page).click();
    await paste(page, { 'text/html': web, 'text/plain': 'Setting out' });
    await expect(textOf(page).locator('img')).toHaveAttribute('src', /\/api\/files\//u);
    await linesKept(page, [
      'heading2: Setting out',
      'paragraph: Measure the sill twice.',
      'bulleted: level',
      'bulleted: line',
      '  bulleted: chalk',
      'numbered: first',
      'table: Tool',
      'picture:',
      'paragraph: odd far away',
    ]);
    await expect(line(page, 'Measure').locator('strong')).toHaveText('Measure');
    await expect(line(page, 'Measure').locator('a')).toHaveAttribute('href', 'https://example.org/sill?a=1');
    await expect(textOf(page).locator('a[href^=javascript]')).toHaveCount(0);
    await expect(textOf(page).locator('img')).toHaveAttribute('alt', 'the sill');
    expect(await page.evaluate(() => 'ran' in window)).toBe(false);
    expect(asked.filter((url) => url.includes('elsewhere.example'))).toEqual([]);
  },
);

test(
  'X6 Markdown that is pasted becomes blocks; as plain text it stays as it is',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Paste: '\n' });
    await textOf(page).click();
    const markdown = '# Lift\n\n- [x] slings\n- [ ] **shackles**\n\n> by custom alone\n\nSee [[Nowhere]].\n';
    await paste(page, { 'text/plain': markdown });
    const blocks = [
      'heading1: Lift',
      'todo done: slings',
      'todo open: shackles',
      'quote: by custom alone',
      'paragraph: See [[Nowhere]].',
    ];
    await expect.poll(() => lines(page)).toEqual(blocks);
    await page.keyboard.press('Enter');
    await page.evaluate((text) => navigator.clipboard.writeText(text), '# not a heading\n- not an item');
    await page.keyboard.press('Control+Shift+v');
    await linesKept(page, [...blocks, 'paragraph: # not a heading', 'paragraph: - not an item']);
  },
);

test(
  'X6 a few words are pasted among words, and lines of plain text are lines',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Paste: 'one two\n' });
    await into(page, 'one two');
    await page.keyboard.press('Control+ArrowLeft');
    await paste(page, { 'text/html': '<b>and</b> a half ', 'text/plain': 'and a half ' });
    await expect(line(page, 'one')).toHaveText('one and a half two');
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await paste(page, { 'text/plain': 'three\nfour' });
    await linesKept(page, ['paragraph: one and a half two', 'paragraph: three', 'paragraph: four']);
  },
);

test('X6 what is copied is HTML, Markdown and plain text at once', { tag: '@once' }, async ({ pages }) => {
  const page = await pages({ Copy: '## Lift\n\n- [x] **slings**\n  - to [[Callum]]\n', Callum: 'Smith.\n' });
  await into(page, 'slings');
  await page.keyboard.press('Control+a');
  await page.waitForTimeout(1500);
  const forms = await textOf(page).evaluate((element) => {
    const transfer = new DataTransfer();
    element.dispatchEvent(new ClipboardEvent('copy', { clipboardData: transfer, bubbles: true, cancelable: true }));
    return Object.fromEntries([...transfer.types].map((type) => [type, transfer.getData(type)]));
  });
  expect(forms['text/plain']).toBe('## Lift\n- [x] slings\n  - to Callum');
  expect(forms['text/markdown']).toMatch(/^## Lift\n\n- \[x\] \*\*slings\*\*\n {2}- to \[Callum\]\(http/u);
  expect(forms['text/html']).toContain('<strong>slings</strong>');
  await saved(page);
});

test(
  'X6 X8 without the code of other formats the words are pasted, and what opens is seen all the same',
  { tag: '@once' },
  async ({ pages }) => {
    const page = await pages({ Paste: 'first\n' });
    const missing = /formatParts|floating-ui/u;
    await page.route(missing, (route) => route.abort());
    await page.reload();
    await into(page, 'first');
    await page.keyboard.press('Enter');
    const forms = { 'text/html': '<h2>Setting out</h2><p>Twice.</p>', 'text/plain': 'Setting out\nTwice.' };
    await paste(page, forms);
    await expect(page.getByText('Pasted as plain text, without a network.')).toBeVisible();
    await expect.poll(() => lines(page)).toEqual(['paragraph: first', 'paragraph: Setting out', 'paragraph: Twice.']);
    await page.keyboard.type(' [[pas');
    const picker = page.getByRole('listbox', { name: 'What to link to' });
    await expect(picker).toBeVisible();
    await expect(picker).toHaveCSS('opacity', '1');
    await expect(picker.getByRole('option').first()).toBeInViewport();
    await page.keyboard.press('Escape');
    for (const _letter of ' [[pas') await page.keyboard.press('Backspace');
    await page.unroute(missing);
    await page.keyboard.press('Control+End');
    await page.keyboard.press('Enter');
    await paste(page, forms);
    await linesKept(page, [
      'paragraph: first',
      'paragraph: Setting out',
      'paragraph: Twice.',
      'heading2: Setting out',
      'paragraph: Twice.',
    ]);
  },
);
