import { expose } from 'comlink';
import { partings, Pickables, type Offer, type PickContext, type Pickable } from '@glossarion/core/pickables';

/** Everything a link can lead to, held and searched beside the page, so that typing never waits for it. */

export interface PickAnswer {
  offers: Offer[];
  /** Pages with nearly this title. */
  near: Offer[];
  /** Whether a page is called just so. */
  isThere: boolean;
  /** A page whose name was typed whole, and what was typed past it. */
  within: { page: Offer; rest: string } | null;
}

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

let pickables = new Pickables();
let revision: number | null = null;
let renewing: Promise<void> = Promise.resolve();

async function fetchNames(): Promise<void> {
  const response = await fetch(`/api/pickables${revision === null ? '' : `?since=${revision}`}`);
  if (!response.ok) return;
  const changes = (await response.json()) as NameChanges;
  if (changes.isWhole) pickables = new Pickables();
  changes.entries.forEach((entry) => pickables.set(entry));
  changes.gone.forEach((id) => pickables.delete(id));
  revision = changes.revision;
}

/** What the page asks of this thread. */
const held = {
  /** Fetches the names that changed; tells whether any are here. */
  async renew(): Promise<boolean> {
    renewing = renewing.then(fetchNames).catch(() => undefined);
    await renewing;
    return revision !== null;
  },

  async pick(typed: string, context: PickContext, limit: number): Promise<PickAnswer> {
    await Promise.race([renewing, patience()]);
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
    return { offers, near, isThere: called.some(({ kind }) => kind === 'page'), within };
  },
};

export type HeldPickables = typeof held;

expose(held);
