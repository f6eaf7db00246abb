import { expect, test } from './support/lines';
import { glossesIn, marginOf, secondWindow, showTools } from './support/margin';

/** What the journal and other pages said of a page, by date. */

const said = [
  { path: 'Journal/2026-03-09.md', text: '09:10 The [[Sluice gate]] knocked.\n' },
  { path: 'Journal/2026-03-21.md', text: '- Chalked the [[Sluice gate]]\n  - at each board\n' },
  { path: 'Journal/2026-05-02.md', text: '- [ ] Plumb the frame of the [[Sluice gate]]\n' },
];
const kept = {
  'Sluice gate': '---\nkinds: [project]\n---\nThe lower leaf has dropped.\n',
  'On the quay':
    '---\nkinds: [meeting]\nfields:\n  Held on: 2026-04-05\n  For the project: "[[Sluice gate]]"\n---\nHe will build it up.\n',
};

test('J6 the Margin as a log: by month, in either order, each line with what stands beneath it, ticked where it stands', async ({
  pages,
}) => {
  const page = await pages(kept, said);
  const margin = await marginOf(page);
  const tools = await showTools(page);
  await tools.getByRole('button', { name: 'As a log' }).click();
  await tools.getByRole('button', { name: 'The oldest' }).click();
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  const months = margin.locator('.margin-group > [aria-expanded]');
  await expect(months).toHaveText([/^March 2026/u, /^April 2026/u, /^May 2026/u]);
  await expect(glossesIn(margin)).toHaveText([/knocked/u, /Chalked.*at each board/su, /For the project/u, /Plumb/u]);
  // A meeting is of the day on which it was held.
  await expect(glossesIn(margin).nth(2)).toContainText('On the quay');
  await expect(glossesIn(margin).nth(2)).toContainText('5 Apr');
  await glossesIn(margin).last().getByRole('checkbox').click();
  const other = await secondWindow(page);
  const there = await marginOf(other);
  await expect(glossesIn(there).last().getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
  await expect(glossesIn(there).first()).toContainText('knocked');
  await page.reload();
  await expect(glossesIn(await marginOf(page)).first()).toContainText('knocked');
});
