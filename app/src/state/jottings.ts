import { newId, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import type { Jotting } from '@glossarion/core/tray';
import { useMemo, useSyncExternalStore } from 'react';
import { performIfReached } from './deeds';
import { rememberedAccount } from './memory';
import { store } from './store';
import { noticed } from './view';
import { dropActs, keepActs, onWaitingActs, waitingActs } from './waitingActs';

/** What is being jotted down, kept as it is typed: whatever closes the window, it is there when the next sheet opens. */
export interface JottingDraft {
  id: string;
  nodes: NodeJson[];
}

const KEPT = 'glossarion-jotting-';
const keyOf = (id: string) => `${KEPT}${rememberedAccount()?.id ?? ''}-${id}`;

/** Keeps what was typed; nothing is left of a draft without words. False when this browser keeps nothing. */
export function keepDraft({ id, nodes }: JottingDraft): boolean {
  try {
    if (nodes.length === 0) localStorage.removeItem(keyOf(id));
    else localStorage.setItem(keyOf(id), JSON.stringify(nodes));
    return true;
  } catch {
    return false;
  }
}

/** A draft that was left here, by whichever window; null when there is none, or when this browser keeps nothing. */
export function leftDraft(): JottingDraft | null {
  const prefix = keyOf('');
  try {
    const key = Object.keys(localStorage).find((each) => each.startsWith(prefix));
    if (!key) return null;
    return { id: key.slice(prefix.length), nodes: JSON.parse(localStorage.getItem(key)!) as NodeJson[] };
  } catch {
    return null;
  }
}

/**
 * Takes a draft that was left here, for as long as `until` is open: another window begins one of its own. Null when there
 * is none, or when another window writes in it.
 */
export function takeLeftDraft(until: Promise<void>): Promise<JottingDraft | null> {
  const left = leftDraft();
  if (!left || !navigator.locks) return Promise.resolve(left);
  return new Promise((resolve) => {
    void navigator.locks.request(`${KEPT}${left.id}`, { ifAvailable: true }, async (lock) => {
      resolve(lock ? left : null);
      if (lock) await until;
    });
  });
}

/** Holds a draft of this window's own, so that no other one takes it. */
export function holdDraft(id: string, until: Promise<void>): void {
  void navigator.locks?.request(`${KEPT}${id}`, { ifAvailable: true }, () => until);
}

/**
 * Keeps a jotting: at once in this browser, then at the server, as soon as that is reached. False, with the reason told,
 * when it can't be kept at all; the words are then still where they were typed.
 */
export async function keepJotting({ id, nodes }: JottingDraft): Promise<boolean> {
  const acts: Act[] = [{ do: 'jot', id, nodes, at: new Date().toISOString() }];
  const key = keepActs(acts);
  // From here on it is kept as one: a draft that is left would be the same jotting again.
  if (key) keepDraft({ id, nodes: [] });
  const isOffline = store.getState().view.saving === 'offline';
  const outcome = isOffline ? 'unreached' : await performIfReached(acts, 'Kept in the Tray.');
  if (outcome !== 'unreached') {
    if (outcome === 'refused') keepDraft({ id, nodes });
    else keepDraft({ id, nodes: [] });
    if (key) dropActs(key);
    return outcome === 'done';
  }
  const words = key
    ? 'Kept here, and in the Tray once there is a network.'
    : 'This can’t be kept now: the server can’t be reached, and this browser has no room. The words are still here.';
  store.dispatch(noticed({ words }));
  return key !== null;
}

/** Jottings that this browser keeps until the server is reached. */
export function useWaitingJottings(): Jotting[] {
  const kept = useSyncExternalStore(onWaitingActs, () => JSON.stringify(waitingActs()));
  return useMemo(
    () =>
      (JSON.parse(kept) as Act[]).flatMap((act): Jotting[] =>
        act.do === 'jot'
          ? [{ id: act.id, begunAt: act.at, jotting: 'waiting', comesBack: null, nodes: act.nodes }]
          : [],
      ),
    [kept],
  );
}

export const newDraft = (): JottingDraft => ({ id: newId(), nodes: [] });
