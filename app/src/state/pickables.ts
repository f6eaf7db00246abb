import { wrap, type Remote } from 'comlink';
import type { PickContext } from '@glossarion/core/pickables';
import type { HeldPickables, PickAnswer } from '../workers/pickables.worker';

export type { PickAnswer };

/** What a link can lead to, asked of the worker that holds it. */

const SHOWN = 8;
/** So long after names could not be fetched, in milliseconds, they are asked for again while something is picked. */
const AGAIN_AFTER = 2000;

/** The thread that holds the names, with the way to ask it. */
interface PickablesThread {
  worker: Worker;
  names: Remote<HeldPickables>;
  isReady: boolean;
  isRenewing: boolean;
}

let held: PickablesThread | null = null;
let isStale = false;
let renewals = 0;
const waiting = new Set<() => void>();

/** Tells whoever picks that names have come, which may have been answered without them. */
export function subscribeToNames(listener: () => void): () => void {
  waiting.add(listener);
  return () => waiting.delete(listener);
}

/** How often names have come. */
export const namesCame = (): number => renewals;

async function renew(asked: PickablesThread): Promise<void> {
  asked.isRenewing = true;
  const isThere = await asked.names.renew();
  asked.isRenewing = false;
  if (!isThere) {
    setTimeout(() => held === asked && waiting.size > 0 && !asked.isRenewing && void renew(asked), AGAIN_AFTER);
    return;
  }
  asked.isReady = true;
  renewals += 1;
  waiting.forEach((listener) => listener());
}

/** Starts the worker, which fetches the names; what is asked before they are there is answered by the server. */
export function preparePickables(): PickablesThread {
  if (held) return held;
  const worker = new Worker(new URL('../workers/pickables.worker', window.location.href));
  held = { worker, names: wrap<HeldPickables>(worker), isReady: false, isRenewing: false };
  void renew(held);
  return held;
}

/** Names changed somewhere: they are fetched again when something is picked. */
export function renewPickables(): void {
  isStale = true;
}

/** Forgets all names: another account may sign in. */
export function dropPickables(): void {
  held?.worker.terminate();
  held = null;
}

/** What fits what was typed; null while the names are not there yet. */
export async function pick(typed: string, context: PickContext): Promise<PickAnswer | null> {
  const asked = preparePickables();
  if (isStale || !(asked.isReady || asked.isRenewing)) void renew(asked);
  isStale = false;
  if (!asked.isReady) return null;
  return asked.names.pick(typed, context, SHOWN);
}
