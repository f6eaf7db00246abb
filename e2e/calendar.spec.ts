import type { Page } from '@playwright/test';
import { expect, isPhone, saved, test, textOf, type NoteFile } from './support/test';

const dayFrom = (days: number): string => new Date(Date.now() + days * 86_400_000).toLocaleDateString('sv');
const stamp = (days: number, time: string) => `${dayFrom(days).replaceAll('-', '')}T${time}00`;

const file = (events: [uid: string, days: number, time: string, title: string, place?: string][]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...events.flatMap(([uid, days, time, title, place]) => [
      'BEGIN:VEVENT',
      `UID:${uid}`,
      `DTSTART:${stamp(days, time)}`,
      `SUMMARY:${title}`,
      ...(place ? [`LOCATION:${place}`] : []),
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ].join('\r\n');

const words = (page: Page) => textOf(page).locator('.words');

/** Picks a file for the day by the Insert menu. */
async function pick(page: Page, text: string, name = 'diary.ics'): Promise<void> {
  await textOf(page).locator('.words').last().click();
  await page.keyboard.press('End');
  await page.keyboard.type(' /events');
  const choosing = page.waitForEvent('filechooser');
  await page.getByRole('option', { name: /^Events of the day/u }).click();
  await (await choosing).setFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(text) });
}

/** Whether a copy of a page that holds these words is kept in the browser. */
const keeps = (page: Page, held: string): Promise<boolean> =>
  page.evaluate(async (text) => {
    const [database] = await indexedDB.databases();
    const opened = await new Promise<IDBDatabase>((resolve) => {
      const asking = indexedDB.open(database!.name!);
      asking.onsuccess = () => resolve(asking.result);
    });
    const copies = await new Promise<{ state: Uint8Array }[]>((resolve) => {
      const asking = opened.transaction('pages').objectStore('pages').getAll();
      asking.onsuccess = () => resolve(asking.result as { state: Uint8Array }[]);
    });
    opened.close();
    return copies.some(({ state }) => new TextDecoder().decode(state).includes(text));
  }, held);

/** Drops a file on something. */
async function drop(page: Page, selector: string, text: string): Promise<void> {
  await page.evaluate(
    ({ selector, text }) => {
      const data = new DataTransfer();
      data.items.add(new File([text], 'diary.ics', { type: 'text/calendar' }));
      const target = document.querySelector(selector)!;
      const { left, top } = target.getBoundingClientRect();
      const options = { dataTransfer: data, bubbles: true, cancelable: true, clientX: left + 10, clientY: top + 10 };
      target.dispatchEvent(new DragEvent('dragover', options));
      target.dispatchEvent(new DragEvent('drop', options));
    },
    { selector, text },
  );
}

test('T5 the events of a calendar file become lines of the day, and the same file again renews them', async ({
  context,
  page,
  server,
  signIn,
}) => {
  const yesterday = dayFrom(-1);
  const notes: NoteFile[] = [{ path: `Journal/${yesterday}.md`, text: 'Rain.\n' }];
  await signIn(context, server.url, notes);
  await page.goto(`${server.url}/today`);
  await expect(textOf(page)).toBeVisible();
  await pick(
    page,
    file([
      ['call', 0, '1610', 'Call with Callum', 'the yard'],
      ['gate', 0, '0930', 'Look at the gate'],
      ['other', 1, '0900', 'Another day'],
    ]),
  );
  await expect(page.getByRole('status').filter({ hasText: '2 events written.' })).toBeVisible();
  const gate = words(page).filter({ hasText: 'Look at the gate' });
  const call = words(page).filter({ hasText: 'Call with Callum' });
  await expect(gate).toHaveText(/^9:30(?: am)? Look at the gate$/u);
  await expect(call).toHaveText(/^(?:16:10|4:10 pm) Call with Callum, the yard$/u);
  await expect(words(page).filter({ hasText: 'Another day' })).toHaveCount(0);
  const [first, second] = [(await gate.boundingBox())!, (await call.boundingBox())!];
  expect(first.y).toBeLessThan(second.y);
  // What is written beneath stays; the line is renewed, and is undone as one.
  await call.click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('He brings the drawings.');
  await saved(page);
  const later = file([
    ['call', 0, '1700', 'Call with Callum Frayne'],
    ['gate', 0, '0930', 'Look at the gate'],
  ]);
  await drop(page, '.writing[contenteditable=true]', later);
  await expect(page.getByRole('status').filter({ hasText: 'One event renewed.' })).toBeVisible();
  await expect(call).toHaveText(/^(?:17:00|5:00 pm) Call with Callum Frayne$/u);
  await expect(words(page).filter({ hasText: 'He brings the drawings.' })).toBeVisible();
  await page.keyboard.press('ControlOrMeta+z');
  await expect(call).toHaveText(/4:10 pm|16:10/u);
  await drop(page, '.writing[contenteditable=true]', later);
  await expect(call).toHaveText(/5:00 pm|17:00/u);
  await saved(page);
  await page.reload();
  await expect(call).toHaveCount(1);
  await drop(page, '.writing[contenteditable=true]', later);
  await expect(page.getByRole('status').filter({ hasText: 'are here already' })).toBeVisible();

  // On an earlier day, which is not open for writing yet.
  const still = `.day[data-day="${yesterday}"]`;
  await expect(page.locator(still)).toContainText('Rain.');
  await drop(page, `${still} .page-body`, file([['rain', -1, '0800', 'Gauge read']]));
  await expect(page.locator(still)).toContainText('Gauge read');
  // What can't be read is said, and changes nothing.
  await drop(page, '.writing[contenteditable=true]', 'Dear all,');
  await expect(page.getByRole('status').filter({ hasText: 'This is not a calendar file' })).toBeVisible();
});

test(
  'T5 a calendar file that is dropped on an older copy of the day waits for what was written since',
  { tag: '@once' },
  async ({ browser, context, page, server, signIn }) => {
    await signIn(context, server.url, []);
    const elsewhere = await browser.newContext();
    await elsewhere.addCookies(await context.cookies());
    const other = await elsewhere.newPage();
    const call = (window: Page) => words(window).filter({ hasText: 'Call with' });
    await page.goto(`${server.url}/today`);
    await expect(textOf(page)).toBeVisible();
    await drop(page, '.writing[contenteditable=true]', file([['call', 0, '1610', 'Call with Callum, the yard']]));
    await expect(call(page)).toHaveText(/^(?:16:10|4:10 pm) Call with Callum, the yard$/u);
    await saved(page);
    await expect.poll(() => keeps(page, 'the yard')).toBe(true);
    await page.goto(`${server.url}/settings`);
    const later = file([
      ['call', 0, '1700', 'Call with Callum Frayne'],
      ['gate', 0, '0930', 'Look at the gate'],
    ]);
    await other.goto(`${server.url}/today`);
    await expect(call(other)).toHaveCount(1);
    await drop(other, '.writing[contenteditable=true]', later);
    await expect(call(other)).toHaveText(/^(?:17:00|5:00 pm) Call with Callum Frayne$/u);
    await saved(other);
    // What the server has comes late; until then this browser shows what it kept.
    const held: (() => void)[] = [];
    let isHeld = true;
    await page.routeWebSocket(/socket/u, (window) => {
      const way = window.connectToServer();
      window.onMessage((message) => way.send(message));
      way.onMessage((message) => (isHeld ? held.push(() => window.send(message)) : window.send(message)));
    });
    await page.goto(`${server.url}/today`);
    await expect(call(page)).toHaveText(/Callum, the yard$/u);
    // Who leaves meanwhile is told that nothing came of it.
    await drop(page, '.writing[contenteditable=true]', later);
    await page.getByRole('link', { name: 'Desk', exact: true }).first().click();
    await expect(page.getByRole('status').filter({ hasText: 'left before its events came' })).toBeVisible();
    await page.goBack();
    await expect(call(page)).toHaveText(/Callum, the yard$/u);
    await drop(page, '.writing[contenteditable=true]', later);
    await expect.poll(() => held.length).toBeGreaterThan(0);
    isHeld = false;
    held.forEach((send) => send());
    await expect(page.getByRole('status').filter({ hasText: 'are here already' })).toBeVisible();
    for (const window of [page, other]) {
      await expect(call(window)).toHaveText(/^(?:17:00|5:00 pm) Call with Callum Frayne$/u);
      await expect(words(window).filter({ hasText: 'Look at the gate' })).toHaveCount(1);
    }
  },
);

test('T5 tasks go out as a file and at a private address, which is shown once and can be revoked', async ({
  context,
  page,
  server,
  signIn,
}) => {
  await signIn(context, server.url, [
    { path: 'Mill/Gate.md', text: `- [ ] Order oak {due=${dayFrom(2)}}\n- [ ] Some day\n` },
  ]);
  await page.goto(`${server.url}/settings`);
  const downloading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Tasks as a calendar file' }).click();
  expect((await downloading).suggestedFilename()).toBe('Glossarion tasks.ics');
  await page.getByRole('button', { name: 'Make a private address' }).click();
  const group = page.getByRole('group', { name: 'The private address' });
  const address = (await group.locator('.private-address').textContent())!;
  expect(address).toMatch(/^http.*\/api\/calendar\/at\/[\w-]{43}\.ics$/u);
  // Without a session.
  const given = await fetch(address);
  expect([given.status, given.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8']);
  const text = await given.text();
  expect([text.includes('SUMMARY:Order oak'), text.includes('Some day')]).toEqual([true, false]);
  await page.reload();
  await expect(page.getByText(/^There is a private address since today/u)).toBeVisible();
  await expect(group).toHaveCount(0);
  if (isPhone(page)) await page.getByRole('button', { name: 'Revoke the address' }).tap();
  else await page.getByRole('button', { name: 'Revoke the address' }).click();
  await expect(page.getByText('The address is revoked.')).toBeVisible();
  expect((await fetch(address)).status).toBe(404);
});
