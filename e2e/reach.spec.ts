import type { Locator, Page } from '@playwright/test';
import { expect, into, isPhone, test, textOf } from './support/lines';
import { line, openNotebook } from './support/outline';
import { DONE, type MenuName } from './support/reachedActs';
import { openPage, outlineNotesWith } from './support/reachNotes';

/**
 * Every act and every tool, by keys alone within ten and by touch alone within three taps. The tools are read from the
 * menus of the running product; the acts are core's list, each with the tool that does it.
 */

/** What is no menu: Tab goes from one tool to the next. */
const ALONG_BY_TAB: readonly MenuName[] = [
  'margin',
  'gloss',
  'bin',
  'calendar',
  'jot',
  'jotting',
  'kind',
  'tag',
  'find',
];

interface Menu {
  name: MenuName;
  /** Goes to where it is opened from. */
  begin: (page: Page) => Promise<void>;
  /** The keys that open it, and the taps. */
  keys: string[];
  taps: (page: Page) => Promise<number>;
  shown: (page: Page) => Locator;
  /** Its tools that stand under another of them. */
  within?: RegExp;
}

const dialog = (page: Page) => page.getByRole('dialog');
const pageMenu = (name: MenuName, title: string): Menu => ({
  name,
  begin: async (page) => {
    await openPage(page, title);
    await page.locator('main').focus();
  },
  keys: ['Alt+Enter'],
  taps: async (page) => {
    await page.getByRole('button', { name: 'Page', exact: true }).tap();
    return 1;
  },
  shown: dialog,
});
const menus: Menu[] = [
  pageMenu('page', 'Pintle'),
  {
    name: 'entry',
    begin: async (page) => {
      await openNotebook(page);
      if (!isPhone(page)) await line(page, 'Tailrace').focus();
    },
    keys: ['.'],
    taps: async (page) => {
      await page.getByRole('button', { name: 'What can be done with Tailrace' }).tap();
      return 1;
    },
    shown: dialog,
  },
  pageMenu('pinned', 'Sluice gate'),
  {
    name: 'chosen',
    begin: async (page) => {
      await openNotebook(page);
      if (!isPhone(page)) await line(page, 'Tailrace').focus();
    },
    keys: ['Space', 'ArrowDown', 'Space', '.'],
    taps: async (page) => {
      await page.getByRole('button', { name: 'Choose', exact: true }).tap();
      await line(page, 'Tailrace').tap();
      return 2;
    },
    shown: (page) => (isPhone(page) ? page.getByRole('toolbar', { name: 'Chosen entries' }) : dialog(page)),
  },
  {
    name: 'line',
    begin: async (page) => {
      await openPage(page, 'Pintle');
      if (!isPhone(page)) await into(page, 'Worn');
    },
    keys: ['Alt+Enter'],
    taps: async (page) => {
      await textOf(page).locator('.words').first().tap();
      await page.getByRole('button', { name: 'What can be done with this line' }).last().tap();
      return 2;
    },
    shown: dialog,
  },
  {
    name: 'lines',
    begin: async (page) => {
      await openPage(page, 'Pintle');
      if (!isPhone(page)) await into(page, 'Worn');
    },
    keys: ['Escape', 'Alt+Enter'],
    taps: async (page) => {
      const box = (await textOf(page).locator('.words').nth(1).boundingBox())!;
      const session = await page.context().newCDPSession(page);
      const points = [{ x: box.x + 20, y: box.y + 10 }];
      await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: points });
      await page.waitForTimeout(600);
      await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
      return 1;
    },
    shown: (page) => page.getByRole('toolbar', { name: /chosen$/u }),
  },
  {
    name: 'table',
    begin: async (page) => {
      await openPage(page, 'Stop logs');
      if (!isPhone(page)) await textOf(page).locator('td').first().click();
    },
    keys: ['Alt+Enter'],
    taps: async (page) => {
      await textOf(page).locator('td').first().tap();
      return 1;
    },
    shown: (page) => page.getByRole('toolbar', { name: 'Table' }),
    within: / …$/u,
  },
  {
    name: 'margin',
    begin: async (page) => {
      await openPage(page, 'Pintle');
      await page.locator('main').focus();
    },
    keys: ['m'],
    taps: async (page) => {
      await page.locator('.margin-grab').tap();
      return 1;
    },
    shown: (page) => page.locator('.also-named-acts').first(),
  },
  {
    name: 'gloss',
    begin: async (page) => {
      await openPage(page, 'Sluice gate');
      await page.locator('main').focus();
    },
    keys: ['m'],
    taps: async (page) => {
      await page.locator('.margin-grab').tap();
      return 1;
    },
    shown: (page) => page.locator('.gloss-tools:visible').first(),
  },
  {
    name: 'bin',
    begin: async (page) => {
      await page.goto(new URL('/bin', page.url()).href);
      await page.locator('main').focus();
    },
    keys: [],
    taps: () => Promise.resolve(0),
    shown: (page) => page.locator('.binned-deeds').first(),
  },
  {
    name: 'jotting',
    begin: async (page) => {
      await page.goto(new URL('/tray', page.url()).href);
      await page.locator('main').focus();
    },
    keys: [],
    taps: () => Promise.resolve(0),
    shown: (page) => page.locator('.jotting-deeds').first(),
  },
  {
    name: 'kind',
    begin: async (page) => {
      await page.goto(new URL('/kinds', page.url()).href);
      await page.locator('main').getByRole('link', { name: 'person' }).click();
      await expect(page.getByRole('button', { name: 'Add a field' })).toBeVisible();
      await page.locator('main').focus();
    },
    keys: [],
    taps: () => Promise.resolve(0),
    shown: (page) => page.locator('.kinds-deeds').first(),
  },
  {
    name: 'tag',
    begin: async (page) => {
      await page.goto(new URL('/tags', page.url()).href);
      await page.locator('main').getByRole('link', { name: 'ironwork' }).click();
      await expect(page.getByRole('button', { name: 'Merge into…' })).toBeVisible();
      await page.locator('main').focus();
    },
    keys: [],
    taps: () => Promise.resolve(0),
    shown: (page) => page.locator('.tags-deeds').first(),
  },
  {
    name: 'find',
    begin: async (page) => {
      await page.goto(new URL('/find?q=worn', page.url()).href);
      await expect(page.getByRole('button', { name: 'Save this search' })).toBeVisible();
      await page.locator('main').focus();
    },
    keys: [],
    taps: () => Promise.resolve(0),
    shown: (page) => page.locator('.find-list').first(),
  },
  {
    name: 'jot',
    begin: async (page) => {
      await openPage(page, 'Pintle');
      await page.locator('main').focus();
    },
    keys: ['j'],
    taps: async (page) => {
      await page.getByRole('button', { name: 'Jot', exact: true }).tap();
      return 1;
    },
    shown: dialog,
  },
  {
    name: 'calendar',
    begin: async (page) => {
      await page.goto(new URL('/find', page.url()).href);
      await page.locator('main').focus();
    },
    keys: ['e'],
    taps: async (page) => {
      await page.goto(new URL('/today', page.url()).href);
      await page.getByRole('button', { name: 'All days' }).tap();
      return 1;
    },
    shown: (page) => dialog(page).getByRole('region', { name: 'Week and month' }),
  },
];

/** What buttons are called, read at one moment: what comes or goes meanwhile moves none of them past the reader. */
const namesOf = (buttons: Locator): Promise<string[]> =>
  buttons.evaluateAll((all) => all.map((each) => (each.getAttribute('aria-label') ?? each.textContent ?? '').trim()));
/** The tools of a menu, once it has all that the server has yet to tell of. */
const toolsOf = async (menu: Locator): Promise<string[]> => {
  await expect(menu).toBeVisible();
  await expect(menu.getByText('offered here as soon as')).toHaveCount(0);
  await expect(menu.locator('[aria-busy=true]')).toHaveCount(0);
  return namesOf(menu.getByRole('button'));
};
const focusedName = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const { activeElement: at } = document;
    return (at?.getAttribute('aria-label') ?? at?.textContent ?? '').trim();
  });
const NO_TOOLS = new Set(['Close', 'Back']);

/** How many keys lead from where the menu opened to one of its tools, Enter among them: by letters, or along. */
async function keysTo(page: Page, tool: string, isMenu: boolean): Promise<number> {
  const letters = [...(/^\p{L}+/u.exec(tool)?.[0].toLowerCase() ?? '')].slice(0, 3);
  const along = isMenu ? ['ArrowDown', 'ArrowUp'] : ['ArrowRight', 'ArrowLeft'];
  const ways = [
    letters,
    Array<string>(7).fill(letters[0] ?? 'Home'),
    ...along.map((key) => Array<string>(7).fill(key)),
  ];
  for (const way of ways) {
    await page.keyboard.press('Home');
    if ((await focusedName(page)) === tool) return 1;
    for (const [index, key] of way.entries()) {
      await page.keyboard.press(key);
      if ((await focusedName(page)) === tool) return index + 2;
    }
  }
  return Infinity;
}

// Keys of a keyboard on a table.
test(
  'S4 every act and every tool is reached by keys alone, within ten',
  { tag: '@once' },
  async ({ page, context, server, signIn }) => {
    test.setTimeout(600_000);
    await outlineNotesWith(page, context, server, signIn);
    const reached = new Map<string, number>();
    for (const menu of menus) {
      await menu.begin(page);
      const open = async () => {
        for (const key of menu.keys) await page.keyboard.press(key);
        await expect(menu.shown(page)).toBeVisible();
      };
      await open();
      const isDialog = (await dialog(page).count()) > 0;
      const tools = (await toolsOf(menu.shown(page))).filter((tool) => !NO_TOOLS.has(tool));
      expect(tools.length).toBeGreaterThan(0);
      for (const tool of tools) {
        if (ALONG_BY_TAB.includes(menu.name)) {
          let count = menu.keys.length;
          if ((await dialog(page).count()) > 0) await page.keyboard.press('Escape');
          await page.locator('main').focus();
          for (const key of menu.keys) await page.keyboard.press(key);
          while ((await focusedName(page)) !== tool && count < 12) {
            await page.keyboard.press('Tab');
            count += 1;
          }
          reached.set(`${menu.name}: ${tool}`, count + 1);
          continue;
        }
        const count = await keysTo(page, tool, isDialog);
        reached.set(`${menu.name}: ${tool}`, menu.keys.length + count);
        if (menu.within?.test(tool)) {
          await page.keyboard.press('Enter');
          await expect(menu.shown(page).getByRole('button', { name: 'Back' })).toBeFocused();
          for (const inner of (await toolsOf(menu.shown(page))).filter((each) => !NO_TOOLS.has(each))) {
            const more = await keysTo(page, inner, false);
            reached.set(`${menu.name}: ${inner}`, menu.keys.length + count + more);
          }
          await page.keyboard.press('Escape');
          await expect(menu.shown(page).getByRole('button').first()).toBeFocused();
        }
      }
      await page.keyboard.press('Escape');
      await page.keyboard.press('Escape');
    }
    for (const [tool, keys] of reached) process.stdout.write(`keys: ${keys} ${tool}\n`);
    expect([...reached].filter(([, keys]) => keys > 10)).toEqual([]);
    expectAllActs([...reached.keys()]);
  },
);

/** Each act of core's list is done by a tool that was reached, or is a part of one that is. */
function expectAllActs(tools: readonly string[]): void {
  for (const [act, reached] of Object.entries(DONE)) {
    if ('partOf' in reached) expect(Object.keys(DONE)).toContain(reached.partOf);
    else {
      const [menu, tool] = reached;
      const found = tools.filter((each) => each.startsWith(`${menu}: `) && tool.test(each.slice(menu.length + 2)));
      expect([act, found.length > 0]).toEqual([act, true]);
    }
  }
}

// Touch.
test(
  'S4 every act and every tool is reached by touch alone, within three taps',
  { tag: '@phone' },
  async ({ page, context, server, signIn }) => {
    test.setTimeout(600_000);
    await outlineNotesWith(page, context, server, signIn);
    const reached = new Map<string, number>();
    const writing: Menu = {
      name: 'writing',
      begin: async () => void (await openPage(page, 'Pintle')),
      keys: [],
      taps: async () => {
        await textOf(page).locator('.words').first().tap();
        return 1;
      },
      shown: () => page.getByRole('toolbar', { name: 'Writing' }),
      within: /^Highlighter$/u,
    };
    for (const menu of [...menus, writing]) {
      await menu.begin(page);
      const taps = await menu.taps(page);
      for (const tool of (await toolsOf(menu.shown(page))).filter((each) => !NO_TOOLS.has(each))) {
        const button = menu.shown(page).getByRole('button', { name: tool, exact: true }).first();
        await button.tap({ trial: true });
        reached.set(`${menu.name}: ${tool}`, taps + 1);
        if (!menu.within?.test(tool)) continue;
        await button.tap();
        for (const inner of (await toolsOf(menu.shown(page))).filter((each) => !NO_TOOLS.has(each))) {
          await menu.shown(page).getByRole('button', { name: inner, exact: true }).first().tap({ trial: true });
          reached.set(`${menu.name}: ${inner}`, taps + 2);
        }
        const back = menu.shown(page).getByRole('button', { name: /^(Back|No highlighting)$/u });
        await back.tap();
      }
    }
    for (const [tool, taps] of reached) process.stdout.write(`taps: ${taps} ${tool}\n`);
    expect([...reached].filter(([, taps]) => taps > 3)).toEqual([]);
    expectAllActs([...reached.keys()]);
  },
);

/**
 * Where each letter's act is found by touch: in the bar, in the menu of the page or of a line, or on the page itself, and
 * what it is called there. Null where there is nothing to do on a phone: nothing stands around the text.
 */
const BY_TOUCH: Record<string, [where: 'bar' | 'page' | 'line' | 'here' | 'trail', name: RegExp] | null> = {
  Today: ['bar', /^Today$/u],
  Desk: ['bar', /^Desk$/u],
  Notebooks: ['bar', /^Notebooks$/u],
  Find: ['bar', /^Find$/u],
  'Go to': ['page', /^Go to/u],
  'Calendar of days, and back': ['page', /^Days$/u],
  Tasks: ['page', /^Tasks$/u],
  Jot: ['bar', /^Jot$/u],
  'New page beside': ['page', /^New page beside$/u],
  'New page beneath': ['page', /^New page beneath$/u],
  'Margin, and back': ['here', /^Margin/u],
  'Contents, and back': ['bar', /^Notebooks$/u],
  'Text only': null,
  'Copy link': ['page', /^Copy link$/u],
  'Send elsewhere': ['line', /^Send elsewhere$/u],
  'Lift the chosen lines to a page': ['line', /^Lift to a page$/u],
  'A meeting or call from this line': ['line', /^A meeting or call$/u],
  'Write beside: keep this page beside the next': ['page', /^Keep beside$/u],
  'Find and replace on this page': ['page', /^Find and replace/u],
  Pin: ['page', /^(Pin|Take from the pins)/u],
  'Lay aside, bring back': ['page', /^Lay aside$/u],
  'Overview page': ['page', /^Make an overview page$/u],
  'What this stands in': ['trail', /^Sluice gate$/u],
  'Places visited': ['page', /^Places visited$/u],
  Back: ['here', /^Back$/u],
  Forward: ['page', /^Forward/u],
  'Take back': ['page', /^Take back$/u],
  'Do again': ['page', /^Do again$/u],
  'All keys': ['page', /^Keys$/u],
};

// Touch.
test('S4 what a letter does is found by touch too', { tag: '@phone' }, async ({ page, context, server, signIn }) => {
  await outlineNotesWith(page, context, server, signIn);
  await openPage(page, 'Pintle');
  await page.locator('main').focus();
  await page.keyboard.press('Shift');
  await page.keyboard.press('Shift');
  const letters = page.getByRole('toolbar', { name: 'Keys' }).getByRole('button');
  await expect(letters.first()).toBeVisible();
  const labels = await letters.evaluateAll((buttons) =>
    buttons.map((button) =>
      (button.textContent ?? '').replace(button.querySelector('.key-letter')?.textContent ?? '', ''),
    ),
  );
  await page.keyboard.press('Escape');
  expect(labels.filter((label) => !(label.trim() in BY_TOUCH))).toEqual([]);
  await expect(page.getByRole('button', { name: /^Margin/u })).toBeVisible();
  const places = page.getByRole('navigation', { name: 'Places' });
  const bar = await places.getByRole('link').or(places.getByRole('button')).allTextContents();
  const here = await namesOf(page.locator('main').getByRole('button'));
  await page.getByRole('button', { name: 'Page', exact: true }).tap();
  const menu = await toolsOf(dialog(page));
  await page.keyboard.press('Escape');
  const trail = await page.getByRole('navigation', { name: 'Trail' }).getByRole('link').allTextContents();
  await textOf(page).locator('.words').first().tap();
  await page.getByRole('button', { name: 'What can be done with this line' }).last().tap();
  const found = { bar, page: menu, line: await toolsOf(dialog(page)), here, trail };
  for (const [label, place] of Object.entries(BY_TOUCH)) {
    if (place) expect([label, found[place[0]].some((each) => place[1].test(each))]).toEqual([label, true]);
  }
});
