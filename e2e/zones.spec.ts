import { clickEnd, expect, saved, test, textOf } from './support/test';

/** Where somebody is, and the evening on which the day turns over there while they write. */
interface Evening {
  zone: string;
  locale: string;
  /** A minute before midnight there, in UTC. */
  at: string;
  day: string;
  next: string;
  heading: string;
  nextHeading: string;
  /** The letters of the days of the week, in the order of the locale. */
  week: string[];
  /** The time a line is stamped with before midnight, and after. */
  stamps: [string, string];
}

const EVENINGS: Evening[] = [
  {
    // The far east, where weeks begin on Saturday.
    zone: 'Pacific/Kiritimati',
    locale: 'ar',
    at: '2026-03-09T09:59:00Z',
    day: '2026-03-09',
    next: '2026-03-10',
    heading: 'Monday 9 March',
    nextHeading: 'Tuesday 10 March',
    week: ['S', 'S', 'M', 'T', 'W', 'T', 'F'],
    stamps: ['11:59 pm', '12:00 am'],
  },
  {
    // The far west, at the end of a year.
    zone: 'Pacific/Pago_Pago',
    locale: 'en-US',
    at: '2027-01-01T10:59:00Z',
    day: '2026-12-31',
    next: '2027-01-01',
    heading: 'Thursday 31 December',
    nextHeading: 'Friday 1 January',
    week: ['S', 'M', 'T', 'W', 'T', 'F', 'S'],
    stamps: ['11:59 pm', '12:00 am'],
  },
  {
    // Clocks are put back that night: the day that begins has 25 hours.
    zone: 'Europe/London',
    locale: 'en-GB',
    at: '2026-10-24T22:59:00Z',
    day: '2026-10-24',
    next: '2026-10-25',
    heading: 'Saturday 24 October',
    nextHeading: 'Sunday 25 October',
    week: ['M', 'T', 'W', 'T', 'F', 'S', 'S'],
    stamps: ['23:59', '0:00'],
  },
];

for (const evening of EVENINGS) {
  const { zone, locale, at, day, next, heading, nextHeading, week, stamps } = evening;
  test(
    `J1 J2 J4 T4 the day turns over in ${zone}, in ${locale}, and nothing moves to another one`,
    { tag: '@once' },
    async ({ browser, server, signIn }, { project }) => {
      // A clock that was set stays with its browser: this one is used for nothing else.
      const { viewport } = project.use;
      const context = await browser.newContext({ viewport, locale, timezoneId: zone });
      const page = await context.newPage();
      await page.clock.install({ time: new Date(at) });
      await signIn(context, server.url);
      await page.goto(`${server.url}/today`);
      await page.clock.runFor(4000);
      const title = page.getByRole('heading', { level: 1 });
      await expect(title).toHaveText(heading);
      const calendar = page.getByRole('region', { name: 'Calendar' });
      await expect(calendar.locator('.calendar-week > *')).toHaveText(week);
      await expect(calendar.locator('.calendar-day.today')).toHaveAttribute('data-day', day);

      // A task is due tomorrow; a line is stamped; another is being typed as the day turns over.
      await clickEnd(page, 'I mean to');
      await page.keyboard.press('ArrowDown');
      await page.keyboard.type('Order oak tomorrow');
      await page.clock.runFor(1500);
      await expect(page.getByRole('button', { name: /^Due /u })).toBeVisible();
      await page.keyboard.press('Tab');
      await page.clock.runFor(500);
      await clickEnd(page, 'As it happened');
      await page.keyboard.press('Enter');
      await page.keyboard.press('ControlOrMeta+Shift+Enter');
      await page.keyboard.type('Still wri');
      await page.clock.runFor(60_000);
      await expect(title).toHaveText(nextHeading);
      await page.keyboard.type('ting.');
      await page.clock.runFor(3000);
      const before = page.locator(`.day[data-day="${day}"]`);
      const after = page.locator(`.day[data-day="${next}"]`);
      await expect(before.locator('.words', { hasText: 'Still writing.' })).toHaveText(`${stamps[0]} Still writing.`);
      await expect(after).not.toContainText('Still');
      await expect(calendar.locator('.calendar-day.today')).toHaveAttribute('data-day', next);

      // What was due tomorrow is due today, and is brought forward to it; a line is stamped with the new day's time.
      const brought = page.getByRole('region', { name: 'Brought forward' }).locator('.task', { hasText: 'Order oak' });
      await expect(async () => {
        // Time goes on while one looks.
        await page.clock.runFor(500);
        await expect(brought).toContainText('Yesterday', { timeout: 500 });
        await expect(brought).toContainText('due today', { timeout: 500 });
      }).toPass();
      await after.locator('.words', { hasText: 'Looking back' }).click();
      await page.keyboard.press('End');
      await page.keyboard.press('Enter');
      await page.keyboard.press('ControlOrMeta+Shift+Enter');
      await page.keyboard.type('A new day.');
      await page.clock.runFor(3000);
      await expect(after.locator('.words', { hasText: 'A new day.' })).toHaveText(`${stamps[1]} A new day.`);
      await saved(page);

      // All of it stands where it stood when the window is opened anew, an hour on and in the middle of the day.
      for (const hours of [1, 14]) {
        await page.clock.runFor(hours * 3_600_000);
        await page.reload();
        await page.clock.runFor(4000);
        await expect(title).toHaveText(nextHeading);
        await expect(textOf(page).first()).toContainText('A new day.');
        await expect(before).toContainText('Still writing.');
        await expect(before).toContainText('Order oak');
        await expect(before).not.toContainText('A new day.');
      }
      await context.close();
    },
  );
}
