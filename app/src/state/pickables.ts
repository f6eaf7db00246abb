import { wrap, type Remote } from 'comlink';
import type { PickContext } from '@glossarion/core/pickables';
import type { HeldPickables, PickAnswer } from '../workers/pickables.worker';

export type { PickAnswer };

/** What a link can lead to, asked of the worker that holds it. */

const SHOWN = 8;

/** The thread that holds the names, with the way to ask it. */
interface PickablesThread {
  worker: Worker;
  names: Remote<HeldPickables>;
  isReady: boolean;
}

let held: PickablesThread | null = null;
let isStale = false;

async function renew(asked: PickablesThread): Promise<void> {
  asked.isReady = (await asked.names.renew()) || asked.isReady;
}

/** Starts the worker, which fetches the names; what is asked before they are there is answered by the server. */
export function preparePickables(): PickablesThread {
  if (held) return held;
  const worker = new Worker(new URL('../workers/pickables.worker', window.location.href));
  held = { worker, names: wrap<HeldPickables>(worker), isReady: false };
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
  if (!asked.isReady) return null;
  if (isStale) void renew(asked);
  isStale = false;
  return asked.names.pick(typed, context, SHOWN);
}
