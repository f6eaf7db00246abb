import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { api, isUnreached, problemSentence } from './api';
import { rememberedAccount } from './memory';
import { store } from './store';
import { noticed } from './view';

/**
 * Acts that were done without the server, in this browser until it has them. Only such as may come twice: a task that is
 * ticked twice is done once, and what is made has its id already.
 */
interface WaitingAct {
  key: string;
  acts: readonly Act[];
}

/** Those who show what waits, in this window. */
const listeners = new Set<() => void>();

export function onWaitingActs(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

const keyOf = (accountId: string) => `glossarion-waiting-${accountId}`;
/** Held while they are sent: two windows send none twice. */
const LOCK = 'glossarion-waiting';

function read(accountId: string): WaitingAct[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(accountId)) ?? '[]') as WaitingAct[];
  } catch {
    return [];
  }
}

function write(accountId: string, waiting: readonly WaitingAct[]): boolean {
  try {
    if (waiting.length === 0) localStorage.removeItem(keyOf(accountId));
    else localStorage.setItem(keyOf(accountId), JSON.stringify(waiting));
    listeners.forEach((listener) => listener());
    return true;
  } catch {
    return false;
  }
}

/** Keeps acts for when the server is reached again, by a key; null when this browser keeps nothing. */
export function keepActs(acts: readonly Act[]): string | null {
  const account = rememberedAccount();
  const key = newId();
  return account !== null && write(account.id, [...read(account.id), { key, acts }]) ? key : null;
}

/** Lets go of acts that the server has, or refused. */
export function dropActs(key: string): void {
  const account = rememberedAccount();
  if (account === null) return;
  write(
    account.id,
    read(account.id).filter((each) => each.key !== key),
  );
}

/** All acts that wait here, in the order in which they were done. */
export function waitingActs(): readonly Act[] {
  const account = rememberedAccount();
  return account === null ? [] : read(account.id).flatMap(({ acts }) => acts);
}

/** Sends what waits, in the order in which it was done; what is refused is told, and waits no longer. */
export async function sendWaitingActs(accountId: string): Promise<void> {
  if (read(accountId).length === 0) return;
  const send = async () => {
    for (let [first] = read(accountId); first; [first] = read(accountId)) {
      const { key, acts } = first;
      try {
        await store.dispatch(api.endpoints.acts.initiate(acts)).unwrap();
      } catch (error) {
        const { status } = error as { status?: unknown };
        if (isUnreached(error) || status === 401 || Number(status) >= 500) return;
        store.dispatch(
          noticed({ words: `What was done without network could not be kept. ${problemSentence(error)}` }),
        );
      }
      const left = read(accountId).filter((each) => each.key !== key);
      // Sent for ever otherwise, where the browser takes nothing away.
      if (!write(accountId, left)) return;
    }
  };
  // A browser on an address that is not secure has no locks.
  if (!navigator.locks) await send();
  else await navigator.locks.request(LOCK, send);
}
