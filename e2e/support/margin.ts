import { expect, type Locator, type Page } from '@playwright/test';
import { isPhone, textOf } from './test';

/** The Margin of the page that is shown, drawn up where it is a sheet. */
export async function marginOf(page: Page): Promise<Locator> {
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toBeVisible();
  if (isPhone(page)) {
    const grab = margin.locator('.margin-grab');
    if ((await grab.getAttribute('aria-expanded')) !== 'true') await grab.click();
  }
  return margin;
}

/** The glosses of a Margin, without what stands at its foot. */
export const glossesIn = (margin: Locator): Locator =>
  margin.locator('.margin-gloss .gloss, .margin-list-gloss .gloss, .margin-group .gloss');

/** Opens what the Margin can show. */
export async function showTools(page: Page): Promise<Locator> {
  const margin = await marginOf(page);
  const tools = margin.getByRole('group', { name: 'What the Margin shows' });
  if (!(await tools.isVisible())) {
    if (isPhone(page)) await margin.getByRole('button', { name: 'Show', exact: true }).click();
    else await margin.getByRole('button', { name: 'Show', exact: true }).click();
  }
  await expect(tools).toBeVisible();
  return tools;
}

/** A second window on the same address, as the same person. */
export async function secondWindow(page: Page): Promise<Page> {
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(textOf(other)).toBeVisible();
  return other;
}

export const picker = (page: Page): Locator => page.getByRole('listbox', { name: 'What to link to' });

/** Shows the preview of a link by the mouse, or by a long touch on a phone. */
export async function previewOf(page: Page, link: Locator): Promise<Locator> {
  await link.scrollIntoViewIfNeeded();
  if (isPhone(page)) {
    const box = (await link.boundingBox())!;
    const touch = await page.context().newCDPSession(page);
    const touchPoints = [{ x: box.x + Math.min(20, box.width / 2), y: box.y + Math.min(10, box.height / 2) }];
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints });
    await page.waitForTimeout(560);
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  } else {
    await page.mouse.move(2, 2);
    await link.hover();
  }
  const preview = page.getByRole('dialog', { name: /^Preview of/u });
  await expect(preview).toBeVisible();
  return preview;
}
