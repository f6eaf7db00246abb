import { expect, type Locator, type Page } from '@playwright/test';
import { begin, isPhone, openPage, saved, test as base, textOf, type NoteFile } from './test';

/** A notebook with the pages that a test of writing needs, by what they are called. */
export const noted = (pages: Record<string, string>): NoteFile[] => [
  { path: 'Mill/index.md', text: '---\npigment: lapis\n---\n' },
  ...Object.entries(pages).map(([title, text]) => ({ path: `Mill/Works/${title}.md`, text })),
];

interface Fixtures {
  /** Signs in to a new account that has these pages, and opens the first of them. */
  pages: (pages: Record<string, string>, more?: NoteFile[]) => Promise<Page>;
}

export const test = base.extend<Fixtures>({
  pages: async ({ context, page, server, signIn }, use) => {
    await use(async (pages, more = []) => {
      await signIn(context, server.url, [...noted(pages), ...more]);
      await begin(page, server);
      await openPage(page, Object.keys(pages)[0]!);
      await expect(textOf(page)).toBeVisible();
      return page;
    });
  },
});

/** The lines of the page: kind, depth and words of each, as they are shown. */
export const lines = (page: Page): Promise<string[]> =>
  textOf(page)
    .locator('> *:not(.list-owner)')
    .evaluateAll((elements) =>
      elements.map((element) => {
        // One that React has not drawn yet stands empty for a moment.
        const drawn = element.classList.contains('react-renderer') ? element.firstElementChild : null;
        const block = (drawn ?? element) as HTMLElement;
        const { kind, depth, level, state } = block.dataset;
        const solid = block.classList.contains('tableWrapper')
          ? 'table'
          : (block.className.split(' ')[0] ?? '') || block.tagName.toLowerCase();
        const words =
          (block.matches('.words') ? block : block.querySelector('.words'))?.textContent ??
          (block.tagName === 'PRE' ? block.textContent : '');
        const name = `${kind ?? (block.tagName === 'PRE' ? 'code' : block.tagName === 'HR' ? 'divider' : solid)}${level ?? ''}`;
        return `${'  '.repeat(Number(depth ?? 0))}${name}${state ? ` ${state}` : ''}: ${words}`.trimEnd();
      }),
    );

/** The same after the page was loaded anew: what is seen is what is stored. */
export async function linesKept(page: Page, expected: string[]): Promise<void> {
  await expect.poll(() => lines(page)).toEqual(expected);
  await saved(page);
  await page.reload();
  await expect(textOf(page)).toBeVisible();
  await expect.poll(() => lines(page)).toEqual(expected);
}

export const line = (page: Page, words: string): Locator => textOf(page).locator('.words', { hasText: words }).first();

/** Puts the cursor at the end of a line. */
export async function into(page: Page, words: string): Promise<void> {
  const target = line(page, words);
  const box = (await target.boundingBox())!;
  await target.click({ position: { x: Math.min(6, box.width / 2), y: Math.min(14, box.height / 2) } });
  await page.keyboard.press('End');
}

/** Opens the menu of the line with the cursor, or of those chosen: by the toolbar on a phone, by ¶ on a wide screen. */
export async function menu(page: Page): Promise<Locator> {
  const chosen = page.getByRole('toolbar', { name: /chosen/u });
  if (await chosen.isVisible()) await chosen.getByRole('button', { name: 'What can be done with them' }).click();
  else if (isPhone(page)) {
    await page
      .getByRole('toolbar', { name: 'Writing' })
      .getByRole('button', { name: 'What can be done with this line' })
      .click();
  } else await page.locator('.block-handle').click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toBeVisible();
  return dialog;
}

/** Does something with the line with the cursor, or with those chosen. */
export async function deed(page: Page, name: string): Promise<void> {
  await (await menu(page)).getByRole('button', { name, exact: true }).click();
}

/** Chooses a thing of the Insert menu by some letters. */
export async function insert(page: Page, letters: string, name: string): Promise<void> {
  await page.keyboard.type(`/${letters}`);
  await page.getByRole('listbox', { name: 'Insert' }).getByRole('option', { name }).first().click();
}

export { expect };
export { isPhone, openPage, saved, textOf } from './test';
