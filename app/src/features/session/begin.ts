import { useSyncExternalStore } from 'react';
import type { Ahead } from '../../documents/ahead';
import { openShelfWith } from '../../documents/shelf';
import { api } from '../../state/api';
import { store } from '../../state/store';

let isBegun = true;
const listeners = new Set<() => void>();

function takeOver(ahead: Ahead): void {
  const { session, database, way } = ahead;
  if (session) {
    store.dispatch(api.util.upsertQueryEntries([{ endpointName: 'session', arg: undefined, value: session }]));
  }
  if (session?.account && database) openShelfWith(session.account.id, { ...ahead, database });
  else way?.socket.close();
  isBegun = true;
  listeners.forEach((listener) => listener());
}

/** Goes on with what was asked for while this script was on its way (begin/): at once when all of it is here. */
export function begin(): void {
  const ahead = window.glossarionAhead;
  if (!ahead) return;
  delete window.glossarionAhead;
  if (ahead.isWhole) return takeOver(ahead);
  isBegun = false;
  void ahead.whole.then(() => takeOver(ahead));
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether nothing that was asked for ahead is still to come. */
export const useBegun = (): boolean => useSyncExternalStore(subscribe, () => isBegun);
