import { expect, type BrowserContext, type Page } from '@playwright/test';
import type { TestServer } from './server';
import { randomUUID } from 'node:crypto';
import { begin, idOf, openPage } from './test';
import { outlineNotes } from './outline';

type SignIn = (context: BrowserContext, url: string, notes?: typeof outlineNotes) => Promise<string>;

/** A notebook in which every act can be done: a table, headings, a pinned page, one in the bin, one named elsewhere. */
export async function outlineNotesWith(
  page: Page,
  context: BrowserContext,
  server: TestServer,
  signIn: SignIn,
): Promise<void> {
  const changed = outlineNotes.map((note) => {
    if (note.path.endsWith('Pintle.md')) {
      return {
        ...note,
        text: '- [ ] Worn; belongs to the [[Sluice gate]]. #ironwork\n\n## One\n\nfirst\n\n## Two\n\nsecond\n',
      };
    }
    if (note.path.endsWith('Stop logs.md'))
      return { ...note, text: '| a | b |\n| - | - |\n| 1 | 2 |\n\nThe Pintle is worn.\n' };
    return note;
  });
  await signIn(context, server.url, [...changed, { path: 'Field Craft/Timber/Old.md', text: 'x\n' }]);
  await begin(page, server);
  const jotted = { type: 'block', attrs: { id: randomUUID() }, content: [{ type: 'text', text: 'A stray thought' }] };
  const [gate, old] = [await idOf(page, 'Sluice gate'), await idOf(page, 'Old')];
  const origin = new URL(page.url()).origin;
  const done = await page.request.post(`${origin}/api/acts`, {
    headers: { Origin: origin },
    data: {
      acts: [
        { do: 'pin', id: gate },
        { do: 'bin', id: old },
        { do: 'jot', id: randomUUID(), nodes: [jotted], at: new Date().toISOString() },
      ],
    },
  });
  expect(done.ok()).toBe(true);
}

export { openPage };
