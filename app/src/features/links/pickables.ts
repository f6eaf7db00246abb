import type { PickContext } from '@glossarion/core/pickables';
import type { PickAnswer, PickAsked } from '../../workers/pickables.worker';

/** What a link can lead to, asked of the worker that holds it. */

const SHOWN = 8;

let worker: Worker | null = null;
let isReady = false;
let asked = 0;
let isStale = false;
const waiting = new Map<number, (answer: PickAnswer) => void>();

/** Starts the worker, which fetches the names; what is asked before they are there is answered by the server. */
export function preparePickables(): void {
  if (worker) return;
  worker = new Worker(new URL('../../workers/pickables.worker', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<PickAnswer | { isReady: true }>) => {
    if ('isReady' in data) {
      isReady = true;
      return;
    }
    waiting.get(data.number)?.(data);
    waiting.delete(data.number);
  };
  worker.postMessage({ do: 'renew' });
}

/** Names changed somewhere: they are fetched again when something is picked. */
export function renewPickables(): void {
  isStale = true;
}

/** Forgets all names: another account may sign in. */
export function dropPickables(): void {
  worker?.terminate();
  worker = null;
  isReady = false;
  waiting.clear();
}

/** What fits what was typed; null while the names are not there yet. */
export function pick(typed: string, context: PickContext): Promise<PickAnswer | null> {
  preparePickables();
  if (!isReady) return Promise.resolve(null);
  if (isStale) worker!.postMessage({ do: 'renew' });
  isStale = false;
  asked += 1;
  const message: PickAsked = { number: asked, typed, context, limit: SHOWN };
  return new Promise((resolve) => {
    waiting.set(asked, resolve);
    worker!.postMessage({ do: 'pick', asked: message });
  });
}
