import type { Locator, Page } from '@playwright/test';
import { marginOf } from './support/margin';
import { expect, idOf, openPage, test } from './support/test';

const dayFrom = (days: number): string => new Date(Date.now() + days * 86_400_000).toLocaleDateString('sv');

/** What may be set of a task in its sheet: the group, and what is pressed there. */
const SETTINGS: [group: RegExp, pressed: string][] = [
  [/^State/u, 'Begun'],
  [/^State/u, 'Skip this time'],
  [/^Due/u, 'Tomorrow'],
  [/^Due/u, 'No due day'],
  [/^Repeats/u, 'every day'],
  [/^Repeats/u, 'Does not repeat'],
  [/^Priority/u, 'High'],
  [/^Put off to/u, 'Tomorrow'],
  [/^State/u, 'Dropped'],
  [/^State/u, 'Done'],
];

const WORDS = 'Oil the Screw';

/** The places where a task is shown: where its row is, and what the button is called that opens its sheet there. */
const PLACES: Record<string, { open: (page: Page, origin: string) => Promise<Locator>; more: string }> = {
  Today: {
    open: async (page, origin) => {
      await page.goto(`${origin}/today`);
      return page.getByRole('region', { name: 'Brought forward' }).locator('.task', { hasText: WORDS });
    },
    more: `More for ${WORDS}`,
  },
  'the list': {
    open: async (page, origin) => {
      await page.goto(`${origin}/tasks`);
      return page.locator('.task', { hasText: WORDS });
    },
    more: `More for ${WORDS}`,
  },
  'the Desk': {
    open: async (page, origin) => {
      await page.goto(`${origin}/desk`);
      return page.getByRole('region', { name: 'Due and brought forward' }).getByRole('listitem').first();
    },
    more: `More for ${WORDS}`,
  },
  'the Margin': {
    open: async (page) => {
      await openPage(page, 'Screw');
      return (await marginOf(page)).locator('.gloss', { hasText: WORDS }).first();
    },
    more: `Due, put off, repeat: ${WORDS}`,
  },
};

for (const [place, { open, more }] of Object.entries(PLACES)) {
  test(`T1 each setting of a task is made from ${place}, and taken back there`, async ({
    context,
    page,
    server,
    signIn,
  }) => {
    await signIn(context, server.url, [
      { path: 'Mill/Gate.md', text: `- [ ] Oil the [[Screw]] {due=${dayFrom(0)} repeat=FREQ%3DWEEKLY}\n` },
      { path: 'Mill/Screw.md', text: 'Of bronze.\n' },
    ]);
    await page.goto(`${server.url}/api/health`);
    const gate = await idOf(page, 'Gate');
    const says = async (): Promise<string> => {
      const answer = await page.request.get(`${server.url}/api/pages/${gate}`);
      const { body } = (await answer.json()) as { body: { content: { attrs: { id: string } }[] } };
      const { id: _id, ...attrs } = body.content[0]!.attrs;
      return JSON.stringify(attrs);
    };
    const before = await says();
    const undo = page.getByRole('button', { name: 'Undo', exact: true });
    const row = await open(page, server.url);
    for (const [group, pressed] of SETTINGS) {
      await row.hover();
      await row.getByRole('button', { name: more }).click();
      const sheet = page.getByRole('dialog', { name: WORDS });
      await sheet.getByRole('group', { name: group }).getByRole('button', { name: pressed, exact: true }).click();
      await expect.poll(says, pressed).not.toBe(before);
      // What leaves the place takes its sheet along.
      if ((await sheet.count()) > 0) await page.keyboard.press('Escape');
      await expect(sheet).toHaveCount(0);
      await expect(undo).toBeVisible();
      await undo.click();
      await expect.poll(says, `${pressed}, taken back`).toBe(before);
    }
  });
}
