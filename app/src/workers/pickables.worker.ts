import { partings, Pickables, type Offer, type PickContext, type Pickable } from '@glossarion/core/pickables';

/** Everything a link can lead to, held and searched beside the page, so that typing never waits for it. */

export interface PickAsked {
  number: number;
  typed: string;
  context: PickContext;
  limit: number;
}

export interface PickAnswer {
  number: number;
  offers: Offer[];
  /** Pages with nearly this title. */
  near: Offer[];
  /** Whether a page is called just so. */
  isThere: boolean;
  /** A page whose name was typed whole, and what was typed past it. */
  within: { page: Offer; rest: string } | null;
}

type Message = { do: 'renew' } | { do: 'pick'; asked: PickAsked };

interface NameChanges {
  revision: number;
  isWhole: boolean;
  entries: Pickable[];
  gone: string[];
}

const SHOWN_NEAR = 3;
/** So long, in milliseconds, what is picked waits for names that changed meanwhile; then it goes with those it has. */
const PATIENCE = 400;
const patience = () => new Promise<void>((resolve) => setTimeout(resolve, PATIENCE));
const thread = globalThis as unknown as {
  postMessage: (message: unknown) => void;
  onmessage: ((event: { data: Message }) => void) | null;
};

let pickables = new Pickables();
let revision: number | null = null;
let renewing = Promise.resolve();

async function renew(): Promise<void> {
  const response = await fetch(`/api/pickables${revision === null ? '' : `?since=${revision}`}`);
  if (!response.ok) return;
  const changes = (await response.json()) as NameChanges;
  if (changes.isWhole) pickables = new Pickables();
  changes.entries.forEach((entry) => pickables.set(entry));
  changes.gone.forEach((id) => pickables.delete(id));
  revision = changes.revision;
  thread.postMessage({ isReady: true });
}

function answer({ number, typed, context, limit }: PickAsked): PickAnswer {
  const offers = pickables.offers(typed, context, limit);
  const called = pickables.called(typed);
  const near = typed.trim() === '' || called.length > 0 ? [] : pickables.near(typed).slice(0, SHOWN_NEAR);
  let within: PickAnswer['within'] = null;
  for (const { name, rest } of partings(typed)) {
    const [page] = pickables.called(name).filter(({ kind }) => kind === 'page');
    if (!page) continue;
    within = { page, rest };
    break;
  }
  return { number, offers, near, isThere: called.some(({ kind }) => kind === 'page'), within };
}

thread.onmessage = ({ data }) => {
  if (data.do === 'renew') renewing = renewing.then(renew).catch(() => undefined);
  else void Promise.race([renewing, patience()]).then(() => thread.postMessage(answer(data.asked)));
};
