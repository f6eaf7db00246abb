import { expect, type CDPSession, type Locator, type Page } from '@playwright/test';
import { isPhone, type NoteFile } from './test';

/** A project with pages beneath pages, and a second notebook. */
export const outlineNotes: NoteFile[] = [
  { path: 'index.md', text: '---\norder: [Saltmere Tide Mill, Field Craft]\n---\n' },
  {
    path: 'Saltmere Tide Mill/index.md',
    text: '---\npigment: lapis\ndescription: The mill on the creek.\norder: [Waterworks, Wheel and gears]\n---\n',
  },
  { path: 'Saltmere Tide Mill/Waterworks/index.md', text: '---\norder: [Sluice gate, Tailrace, Stop logs]\n---\n' },
  { path: 'Saltmere Tide Mill/Waterworks/Sluice gate.md', text: 'The leaf has dropped. See [[Pintle]].\n' },
  { path: 'Saltmere Tide Mill/Waterworks/Sluice gate/Pintle.md', text: 'Worn; belongs to the [[Sluice gate]].\n' },
  { path: 'Saltmere Tide Mill/Waterworks/Tailrace.md', text: 'Silt to 300 mm.\n' },
  { path: 'Saltmere Tide Mill/Waterworks/Stop logs.md', text: 'Eleven logs for the [[Sluice gate]].\n' },
  { path: 'Saltmere Tide Mill/Wheel and gears/Pit wheel cogs.md', text: 'Hornbeam.\n\n- [ ] Oil the cogs\n' },
  { path: 'Saltmere Tide Mill/Wheel and gears/Budget.md', text: 'Cogs: £640. See [[Lift plan]].\n' },
  { path: 'Field Craft/index.md', text: '---\npigment: verdigris\n---\n' },
  { path: 'Field Craft/Timber/Budget.md', text: 'Oak by the cube.\n' },
];

export async function openNotebook(page: Page, name = 'Saltmere Tide Mill'): Promise<void> {
  await page.goto(new URL('/notebooks', page.url()).href);
  await page.locator('main').getByRole('link', { name, exact: false }).first().click();
  await expect(tree(page)).toBeVisible();
}

export const tree = (page: Page): Locator => page.getByRole('tree');

/** A line of the contents, by the beginning of its name. */
export const line = (page: Page, name: string): Locator =>
  page.getByRole('treeitem', { name: new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/gu, '\\$&')}(,|$)`, 'u') });

/** The contents as it reads: each line indented by its level. */
export const lines = (page: Page): Promise<string[]> =>
  tree(page)
    .getByRole('treeitem')
    .evaluateAll((items) =>
      items.map((item) => {
        const level = Number(item.getAttribute('aria-level'));
        return `${'  '.repeat(level - 1)}${item.querySelector('.contents-title')?.textContent ?? ''}`;
      }),
    );

export const START = [
  'Waterworks',
  '  Sluice gate',
  '    Pintle',
  '  Tailrace',
  '  Stop logs',
  'Wheel and gears',
  '  Budget',
  '  Pit wheel cogs',
  '  Lift plan',
];

interface Point {
  x: number;
  y: number;
}

const centre = async (locator: Locator, height = 0.5): Promise<Point> => {
  const box = (await locator.boundingBox())!;
  return { x: box.x + Math.min(90, box.width / 2), y: box.y + box.height * height };
};

/** One session a page: a touch that began in one can't end in another. */
const sessions = new WeakMap<Page, Promise<CDPSession>>();

async function touch(page: Page, type: 'touchStart' | 'touchMove' | 'touchEnd', points: Point[]): Promise<void> {
  const session = sessions.get(page) ?? page.context().newCDPSession(page);
  sessions.set(page, session);
  await (await session).send('Input.dispatchTouchEvent', { type, touchPoints: points });
}

/** Asks what can be done with a line: by a long touch on a phone, by the other mouse button on a wide screen. */
export async function ask(page: Page, target: Locator): Promise<void> {
  await target.scrollIntoViewIfNeeded();
  if (isPhone(page)) {
    const point = await centre(target);
    await touch(page, 'touchStart', [point]);
    await page.waitForTimeout(420);
    await touch(page, 'touchEnd', []);
  } else {
    await target.click({ button: 'right' });
  }
  await expect(page.getByRole('dialog')).toBeVisible();
}

/** Asks what can be done, and does it. */
export async function act(page: Page, target: Locator, label: string): Promise<void> {
  await ask(page, target);
  await page.getByRole('dialog').getByRole('button', { name: label, exact: true }).click();
}

/** Drags one line to a height of another, as a finger or a mouse does, in small steps. */
export async function drag(page: Page, from: Locator, to: Locator, height: number, check?: () => Promise<void>) {
  await from.scrollIntoViewIfNeeded();
  const [start, end] = [await centre(from), await centre(to, height)];
  const at = (share: number): Point => ({
    x: start.x + (end.x - start.x) * share,
    y: start.y + (end.y - start.y) * share,
  });
  const steps = [0.1, 0.3, 0.6, 0.9, 1, 1].map(at);
  if (isPhone(page)) {
    await touch(page, 'touchStart', [start]);
    await page.waitForTimeout(420);
    for (const step of steps) await touch(page, 'touchMove', [step]);
    await page.waitForTimeout(80);
    await check?.();
    await touch(page, 'touchEnd', []);
  } else {
    await page.mouse.move(start.x, start.y);
    await page.mouse.down();
    for (const step of steps) await page.mouse.move(step.x, step.y);
    await page.waitForTimeout(80);
    await check?.();
    await page.mouse.up();
  }
}

/** The notice that says what was done. */
export const said = (page: Page, words: string): Locator => page.getByRole('status').filter({ hasText: words });

/** Draws something down by a finger, so many pixels. */
export async function touchDrag(page: Page, from: Locator, by: number): Promise<void> {
  const start = await centre(from);
  await touch(page, 'touchStart', [start]);
  for (let step = 1; step <= 8; step += 1) {
    await touch(page, 'touchMove', [{ x: start.x, y: start.y + (by * step) / 8 }]);
  }
  await touch(page, 'touchEnd', []);
}

/** Taps as a finger does where there is one, else clicks. */
export const tap = (page: Page, target: Locator): Promise<void> => (isPhone(page) ? target.tap() : target.click());
