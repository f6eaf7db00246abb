import { previewOf, showTools } from './support/margin';
import { ask, line } from './support/outline';
import AxeBuilder from '@axe-core/playwright';
import { expect, isPhone, openPage, still, test, textOf } from './support/test';

test(
  'accounts: make one, sign out, wrong passphrase, sign in, change the passphrase',
  { tag: '@once' },
  async ({ page, server }) => {
    const name = `Ines ${Math.random().toString(36).slice(2, 9)}`;
    await page.goto(`${server.url}/notebooks`);
    await page.getByRole('button', { name: 'Make an account' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill(name);
    await page.getByLabel('Passphrase').fill('short');
    await page.getByRole('button', { name: 'Make account' }).click();
    await expect(page.getByText('A passphrase needs eight characters or more.')).toBeVisible();
    await page.getByLabel('Passphrase').fill('tide and timber');
    await page.getByRole('button', { name: 'Make account' }).click();
    await expect(page.getByRole('heading', { name: 'Notebooks', level: 1 })).toBeVisible();

    await page.goto(`${server.url}/settings`);
    await page.getByLabel('Present passphrase').fill('tide and timber');
    await page.getByLabel('New passphrase').fill('oak and hornbeam');
    await page.getByRole('button', { name: 'Change passphrase' }).click();
    await expect(page.getByText('The passphrase is changed.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();

    await page.getByRole('textbox', { name: 'Name' }).fill(name);
    await page.getByLabel('Passphrase').fill('tide and timber');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toHaveText('The name or the passphrase is not right.');
    await page.getByLabel('Passphrase').fill('oak and hornbeam');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(textOf(page)).toBeVisible();
    const databases = await page.evaluate(async () => (await indexedDB.databases()).length);
    expect(databases).toBe(1);
  },
);

test('a folder of Markdown is taken in, and what was not understood is said', { tag: '@once' }, async ({ mill }) => {
  await mill.goto(new URL('/in-and-out', mill.url()).href);
  const { mkdtempSync, mkdirSync, writeFileSync } = await import('node:fs');
  const folder = mkdtempSync('/tmp/glossarion-notes-');
  mkdirSync(`${folder}/Reading/Books`, { recursive: true });
  writeFileSync(
    `${folder}/Reading/Books/Tide and Timber.md`,
    '# Tide and Timber\n\nOn wood. <blink>bold</blink>\n\n| a | b |\n| - | - |\n| 1 | 2 |\n',
  );
  const [chooser] = await Promise.all([
    mill.waitForEvent('filechooser'),
    mill.getByRole('button', { name: 'Choose a folder' }).click(),
  ]);
  await chooser.setFiles(folder);
  await expect(mill.getByText('Would be made: 1 notebook, 1 section, 1 page.')).toBeVisible();
  await mill.getByRole('button', { name: /would come in otherwise than written/u }).click();
  await expect(mill.getByText(/Tide and Timber\.md: The HTML <blink>/)).toBeVisible();
  await mill.getByRole('button', { name: 'Take it in' }).click();
  await expect(mill.getByText('Made: 1 notebook, 1 section, 1 page')).toBeVisible();
  await mill.getByRole('button', { name: 'things came in otherwise than written' }).click();
  await expect(mill.getByText(/Tide and Timber\.md: The HTML <blink>/)).toBeVisible();
  await openPage(mill, 'Tide and Timber');
  await expect(textOf(mill).locator('table')).toContainText('12');
});

/** What may be found in one theme and not in the other. */
const OF_COLOUR = ['color-contrast', 'link-in-text-block'];

/**
 * A wide screen is looked at in both themes wherever one comes to. A phone is looked through twice: in the dark, and in
 * the light at 200 %, half as wide and as high, each pixel twice as large.
 */
const walks = [
  { name: 'in light and dark', isPhoneSized: false, colorScheme: 'light', also: 'dark', isGrown: false },
  { name: 'in the light, twice as large', isPhoneSized: true, colorScheme: 'light', also: null, isGrown: true },
  { name: 'in the dark', isPhoneSized: true, colorScheme: 'dark', also: null, isGrown: false },
] as const;

for (const { name: way, isPhoneSized, colorScheme, also, isGrown } of walks) {
  test(`axe finds nothing on any screen, ${way}`, { tag: isPhoneSized ? '@phone' : '@once' }, async ({ mill }) => {
    test.setTimeout(600_000);
    await mill.emulateMedia({ colorScheme });
    const whole = mill.viewportSize()!;
    if (isGrown) await mill.setViewportSize({ width: whole.width / 2, height: whole.height / 2 });
    const find = async (name: string, axe: AxeBuilder) => {
      const { violations } = await axe.setLegacyMode(true).analyze();
      const found = violations.map(
        ({ id, nodes }) => `${name}: ${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
      );
      expect(found).toEqual([]);
    };
    const look = async (name: string) => {
      await still(mill);
      await find(name, new AxeBuilder({ page: mill }));
      if (!also) return;
      await mill.emulateMedia({ colorScheme: also });
      await find(`${name}, ${also}`, new AxeBuilder({ page: mill }).withRules(OF_COLOUR));
      await mill.emulateMedia({ colorScheme });
    };
    const origin = new URL(mill.url()).origin;
    for (const address of [
      '/today',
      '/desk',
      '/tasks',
      '/tray',
      '/notebooks',
      '/find',
      '/find?q=gate',
      '/find?q=gudgeno%20kind:boat%20x',
      '/find?q=nothing%20of%20it',
      '/settings',
      '/kinds',
      '/tags',
      '/replace?find=gate',
      '/in-and-out',
      '/review/2026',
      '/day/2026-03-09',
      '/nowhere',
    ]) {
      await mill.goto(origin + address);
      await look(address);
    }
    const tagged = 'Straps. #ironwork #water/boats\n\nNails. #iron-work\n';
    const files = [{ path: 'Smithy/Ironwork.md', text: tagged }];
    await mill.request.post(`${origin}/api/imports`, { headers: { Origin: origin }, data: { files } });
    await mill.goto(`${origin}/tags`);
    await expect(mill.getByRole('region', { name: 'To be tidied' })).toBeVisible();
    await look('all tags');
    await mill
      .locator('main')
      .getByRole('link', { name: /^ironwork, /u })
      .click();
    await expect(mill.getByText(/lines? on \d+ pages?/u)).toBeVisible();
    await look('a tag');
    await mill.getByRole('button', { name: 'Merge into…' }).click();
    await look('merging a tag');
    await mill.keyboard.press('Escape');
    await mill.goto(`${origin}/notebooks`);
    await mill
      .locator('main')
      .getByRole('link', { name: /Saltmere Tide Mill/ })
      .click();
    await look('an open notebook');
    await ask(mill, line(mill, 'Waterworks'));
    await look('the sheet of a section');
    await mill.getByRole('button', { name: 'Name and look' }).click();
    await look('the sheet that changes a section');
    await mill.keyboard.press('Escape');
    await mill.getByRole('button', { name: 'Choose', exact: true }).click();
    await line(mill, 'Stop logs').click();
    await look('choosing');
    await mill.getByRole('button', { name: 'Move to…' }).click();
    await look('Move to');
    await mill.keyboard.press('Escape');
    await mill.getByRole('button', { name: 'Delete', exact: true }).click();
    await look('a notice');
    await mill.goto(`${origin}/bin`);
    await look('the bin');
    await mill.getByRole('button', { name: /for good/ }).click();
    await look('deleting for good');
    await mill.keyboard.press('Escape');
    await mill.goto(`${origin}/desk`);
    await mill.getByRole('button', { name: 'Arrange' }).click();
    await look('arranging the Desk');
    await openPage(mill, 'Sluice gate no. 2');
    await look('a page');
    const size = mill.viewportSize()!;
    await mill.setViewportSize({ ...size, width: Math.min(size.width, 834) });
    await expect(mill.getByRole('navigation', { name: 'Contents' })).toHaveCount(0);
    await mill.keyboard.press('c');
    await expect(mill.getByRole('dialog', { name: 'Contents' })).toBeVisible();
    await look('the contents drawn over a page');
    await mill.keyboard.press('Escape');
    await mill.setViewportSize(size);
    if (isPhone(mill)) {
      await mill.getByRole('button', { name: /^Margin/ }).click();
      await look('the Margin sheet');
    }
    await showTools(mill);
    await look('what the Margin shows');
    if (isPhone(mill)) await mill.getByRole('button', { name: /^Margin/ }).click();
    await previewOf(mill, textOf(mill).locator('a.link').first());
    await look('a preview');
    await mill.keyboard.press('Escape');
    await mill.getByRole('button', { name: 'Page', exact: true }).click();
    await look('the sheet of a page');
    await mill.getByRole('button', { name: 'Other names…' }).click();
    await look('other names');
    await mill.keyboard.press('Escape');
    await textOf(mill).click();
    await mill.keyboard.press('Control+End');
    await mill.keyboard.press('Enter');
    await mill.keyboard.type('[[Sluice');
    await look('the picker');
    await mill.keyboard.press('Escape');
    await mill.keyboard.press('Enter');
    await mill.keyboard.type('/over');
    await look('the Insert menu');
    await mill.keyboard.press('Enter');
    await look('an overview');
    await mill.locator('.overview-change').click();
    await look('the sheet of an overview');
    await mill.keyboard.press('Escape');
    await mill.keyboard.press('Shift');
    await mill.keyboard.press('Shift');
    await look('the strip of keys');
    await mill.keyboard.press('Escape');
    await mill.keyboard.press('Escape');
    await mill.getByRole('main').focus();
    await mill.keyboard.press('g');
    await mill.keyboard.type('stop');
    await look('Go to');
    await mill.keyboard.press('Escape');
    await mill.keyboard.press('?');
    await look('Keys');
    await mill.context().clearCookies();
    await mill.goto(`${origin}/today`);
    await look('the way in');
  });
}
