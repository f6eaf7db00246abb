import type { Viewer } from '../access';
import type { Services } from '../services';
import { median, say, sum, timeAsync } from './measure';

/** How many lines wear the tag, and on how many pages. */
const LINES = 10_000;
const PAGES = 100;
const TURNS = 24;

/** A tag that many lines wear against one that none does: called otherwise, and its page opened. */
export async function measureTags(
  { acts, background, tags, wornTags, imports }: Services,
  viewer: Viewer,
  scale: string,
): Promise<void> {
  const line = (page: number, each: number) => `Line ${each} of ${page}, which is worn. #benchworn`;
  const text = (page: number) => Array.from({ length: LINES / PAGES }, (_each, each) => line(page, each)).join('\n\n');
  await imports.take(viewer, [
    { path: 'Tagged/Lone.md', text: 'Nothing else. #benchlone\n' },
    ...Array.from({ length: PAGES }, (_each, page) => ({ path: `Tagged/Worn ${page}.md`, text: text(page) })),
  ]);
  await background.idle();
  const idOf = (name: string) => tags.list(viewer).find(({ path }) => path === name)!.id;
  const renaming = async (name: string): Promise<number> => {
    const id = idOf(name);
    const times: number[] = [];
    for (let turn = 0; turn < TURNS; turn += 1) {
      const path = `${name}${turn % 2 === 0 ? ' again' : ''}`;
      times.push(await timeAsync(() => acts.perform(viewer, [{ do: 'nameTag', id, path }])));
    }
    return median(times.slice(4));
  };
  const [lone, worn] = [await renaming('benchlone'), await renaming('benchworn')];
  say(`rename of a tag, ${LINES} lines wear it / one`, scale, worn / lone, 1.2, `${worn.toFixed(2)} ms`);
  const opening = async (name: string): Promise<number> => {
    const wish = { also: [], order: 'page', from: 0, limit: 60 } as const;
    const times: number[] = [];
    for (let turn = 0; turn < 8; turn += 1)
      times.push(await timeAsync(() => wornTags.of(viewer, idOf(name), {}, wish)));
    return sum(times.slice(2)) / 6;
  };
  const opened = await opening('benchworn');
  say(`a tag's page, ${LINES} lines wear it`, scale, opened / 100, 1, `${opened.toFixed(0)} ms of 100`);
}
