import * as Y from 'yjs';
import type { Act } from '@glossarion/core/acts';
import { block, idOf, newId } from '@glossarion/core/document';
import { addDays } from '@glossarion/core/journal';
import { ownView, type Viewer } from '../access';
import type { Services } from '../services';
import { median, say, timeAsync } from './measure';

const TODAY = '2026-11-26';
const TURNS = 60;
/** Tasks of a page of the large account. */
const OF_PAGE = 40;
const MANY = 20_000;
const FEW = 20;

const repeated = async (work: (turn: number) => Promise<unknown>): Promise<number> => {
  const times: number[] = [];
  for (let turn = 0; turn < TURNS; turn += 1) times.push(await timeAsync(() => work(turn)));
  return median(times.slice(TURNS / 6));
};

/** An account with so many open tasks on no day, and ninety days of which each left one. */
async function accountWith(services: Services, count: number, days: number): Promise<Viewer> {
  const { id } = await services.accounts.make(`Tasks ${newId()}`, 'made for measuring');
  const viewer = ownView(id);
  const pages = Array.from({ length: Math.ceil(count / OF_PAGE) }, (_each, page) => ({
    path: `Jobs/Job ${page}.md`,
    text: Array.from(
      { length: Math.min(count, OF_PAGE) },
      (_line, line) => `- [ ] Oil cog ${page * OF_PAGE + line}\n`,
    ).join(''),
  }));
  const journal = Array.from({ length: days }, (_each, index) => ({
    path: `Journal/${addDays(TODAY, -1 - index)}.md`,
    text: `Staff read.\n\n- [ ] Left on day ${index}\n`,
  }));
  await services.imports.take(viewer, [...pages, ...journal]);
  await services.background.idle();
  return viewer;
}

/** Today with what is brought forward, and ticking one of it, each beside what it is measured by. */
export async function measureTasks(services: Services): Promise<void> {
  const [few, many] = [await accountWith(services, FEW, 90), await accountWith(services, MANY, 90)];
  const brought = (viewer: Viewer) => repeated(() => services.tasks.brought(viewer, TODAY, TODAY, false));
  await brought(few);
  const [ofFew, ofMany] = [await brought(few), await brought(many)];
  say('Today, 20,000 open tasks / 20', `${MANY} tasks`, ofMany / ofFew, 1.5, `${ofMany.toFixed(1)} ms`);

  const page = newId();
  const line = block('todo', 'Grease the screw', { state: 'open' });
  const { acts, documents, outline } = services;
  const notebook = outline.notebooks(many).find(({ name }) => name === 'Jobs')!;
  await acts.perform(many, [
    { do: 'make', id: page, kind: 'page', parentId: notebook.id, name: 'Screw' },
    { do: 'putBlocks', id: page, afterId: null, nodes: [line] },
  ]);
  const key = await repeated(() =>
    documents.edit(many, page, (document) => {
      const first = document.getXmlFragment('body').get(0) as Y.XmlElement;
      (first.get(0) as Y.XmlText).insert(0, 'a');
    }),
  );
  const ticked = await repeated((turn) => {
    const state = turn % 2 === 0 ? ('done' as const) : ('open' as const);
    const act: Act = {
      do: 'setTask',
      id: page,
      blockId: idOf(line),
      change: { set: 'state', state, today: TODAY },
      occurrence: null,
    };
    return acts.perform(many, [act]);
  });
  say('ticking a task from a list / a key', `${MANY} tasks`, ticked / key, 2, `${ticked.toFixed(2)} ms`);
}
