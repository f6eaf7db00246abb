// npm run screenshots: takes one current picture of each main view from the demo into docs/screenshots.
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { withServer } from './lib/browser.mjs';
import { build, root } from './lib/project.mjs';

build();
const folder = path.join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
let url = '';

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true };
const wide = { viewport: { width: 1280, height: 800 } };
const openPage = (title) => async (page) => {
  const names = await page.evaluate(async (q) => (await fetch(`/api/names?q=${encodeURIComponent(q)}`)).json(), title);
  const named = names.find((each) => each.title === title) ?? names[0];
  await page.goto(`${url}/p/${named.id}`);
  await page.locator('.writing').first().waitFor();
};
const overview = async (page) => {
  await openPage('Slack water')(page);
  await page.waitForTimeout(600);
  await page.locator('main').focus();
  await page.keyboard.press('v');
  await page.locator('.overview-words').first().waitFor();
  await page.getByRole('button', { name: 'Close' }).click();
};
/** A project with its log, beneath its text and what is beside it. */
const log = async (page) => {
  await openPage('Undershot wheel')(page);
  await page.locator('.log-entry').nth(2).waitFor();
  await page.getByRole('heading', { name: 'Speed' }).scrollIntoViewIfNeeded();
  await page.getByRole('heading', { name: 'Speed' }).evaluate((heading) => heading.scrollIntoView());
};
/** A thought that is being jotted down, over today. */
const jot = async (page) => {
  await page.getByRole('button', { name: 'Jot', exact: true }).tap();
  await page.getByRole('textbox', { name: 'What is on your mind' }).waitFor();
  await page.keyboard.type('Would hessian do? Ask [[Tomas');
  await page.getByRole('listbox', { name: 'What to link to' }).waitFor();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' before the lift.');
};
const openNotebook = async (page) => {
  await page.goto(`${url}/notebooks`);
  await page
    .locator('main')
    .getByRole('link', { name: /Saltmere Tide Mill/ })
    .click();
  await page.getByRole('treeitem').first().waitFor();
};
/** A tag: what is beneath it, what stands with it, and the lines that wear it. */
const tag = async (page) => {
  const tags = await page.evaluate(async () => (await fetch('/api/tags')).json());
  await page.goto(`${url}/tags/${tags.find(({ path }) => path === 'timber').id}`);
  await page.locator('.tag-lines .gloss').nth(2).waitFor();
};
const find = async (page) => {
  await page.goto(`${url}/find`);
  await page.getByRole('combobox', { name: 'Find' }).fill('gudgen ');
};

const writing = async (page) => {
  await openPage('Sluice gate no. 2')(page);
  await page.locator('.writing .words').nth(1).tap();
  await page.keyboard.press('End');
  await page.keyboard.type(' /');
  await page.getByRole('listbox', { name: 'Insert' }).waitFor();
};
/** A page whose second line has the cursor: what speaks of it is open beside it. */
const besideLine = async (page) => {
  await openPage('Sluice gate no. 2')(page);
  await page.locator('.margin-stack[data-state]:not([data-state=unplaced])').first().waitFor();
  await page
    .locator('.writing .words')
    .nth(1)
    .click({ position: { x: 5, y: 10 } });
  await page.locator('.margin-stack[data-present]').waitFor();
};
const table = async (page) => {
  await openPage('Cogs bought so far')(page);
  await page.locator('.writing td').first().tap();
};
const beside = async (page) => {
  await openPage('Millwright’s ledger')(page);
  await page.locator('main').focus();
  await page.keyboard.press('w');
  await page.keyboard.press('g');
  await page.getByRole('dialog').getByRole('combobox').fill('Undershot wheel');
  await page.getByRole('dialog').getByRole('option').first().waitFor();
  await page.keyboard.press('Enter');
  await page.locator('.beside .writing').waitFor();
  await page.getByRole('button', { name: 'Close' }).click();
};

const linking = async (page) => {
  await openPage('Stop logs')(page);
  await page.waitForTimeout(1200);
  await page.locator('.writing .words').first().tap();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('See [[slucie gat');
  await page.getByRole('listbox', { name: 'What to link to' }).waitFor();
};
const preview = async (page) => {
  await openPage('Marine licence')(page);
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await page.getByRole('button', { name: 'By page' }).click();
  await page.waitForTimeout(600);
  await page.locator('.writing .link').first().hover();
  await page.getByRole('dialog', { name: /^Preview/ }).waitFor();
};

/** The month that is over, with a bar taken hold of. */
const review = async (page) => {
  await page.goto(`${url}/review`);
  await page.getByRole('link', { name: /^Earlier/ }).click();
  await page.getByRole('slider').waitFor();
  await page.waitForTimeout(800);
  await page.getByRole('slider').click({ position: { x: 190, y: 60 } });
};

const views = [
  ['today-phone', phone, 'light', async () => undefined],
  ['tag-wide-dark', wide, 'dark', tag],
  ['page-wide', wide, 'light', besideLine],
  [
    'page-phone',
    phone,
    'light',
    async (page) => {
      await openPage('Sluice gate no. 2')(page);
      await page.getByRole('button', { name: /^Margin/ }).click();
    },
  ],
  ['notebooks-phone', phone, 'light', openNotebook],
  ['person-wide-dark', wide, 'dark', openPage('Callum Frayne')],
  ['find-phone', phone, 'light', find],
  ['desk-phone', phone, 'light', (page) => page.goto(`${url}/desk`)],
  ['review-phone', phone, 'light', review],
  ['jot-phone-dark', phone, 'dark', jot],
  ['log-wide', wide, 'light', log],
  ['tray-phone', phone, 'light', (page) => page.goto(`${url}/tray`)],
  ['tasks-wide', wide, 'light', (page) => page.goto(`${url}/tasks`)],
  ['table-phone-dark', phone, 'dark', table],
  ['beside-wide', wide, 'light', beside],
  // Last, since they write.
  ['preview-wide-dark', wide, 'dark', preview],
  ['linking-phone', phone, 'light', linking],
  ['writing-phone', phone, 'light', writing],
  ['overview-phone', phone, 'light', overview],
];

await withServer('demo', { GLOSSARION_DEMO: 'true' }, async (served) => {
  url = served.url;
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const asked = process.argv.slice(2);
  for (const [name, size, colorScheme, act] of views) {
    if (asked.length > 0 && !asked.includes(name)) continue;
    const context = await served.browser.newContext({ ...size, colorScheme, locale: 'en-GB' });
    const page = await context.newPage();
    await page.goto(`${url}/today`);
    await page.locator('.writing').first().waitFor();
    await act(page);
    // Some is asked for once the screen is at rest.
    await page.waitForTimeout(3000);
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    await context.close();
  }
});
