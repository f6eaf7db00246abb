import { router } from 'expo-router';
import { canStepBack } from '../kit/covers';
import { api } from '../state/api';
import { ask, store, targetOf } from '../state/store';
import { besideOpened } from '../state/view';

export const pageAddress = (pageId: string): string => `/p/${pageId}`;

export const tagAddress = (id: string): string => `/tags/${id}`;

/** The lasting address of anything with an id, for copying. */
export const lastingAddress = (kind: 'p' | 'n' | 'b', id: string): string => `${window.location.origin}/${kind}/${id}`;

interface Openable {
  id: string;
  kind: string;
  pageId: string;
  day: string | null;
}

/** The address that shows what an id names. */
export function addressOf(target: Openable): string {
  if (target.kind === 'block') return `/b/${target.id}`;
  if (target.kind === 'tag') return tagAddress(target.pageId);
  if (target.day) return `/day/${target.day}`;
  return target.kind === 'page' ? pageAddress(target.pageId) : `/n/${target.id}`;
}

/** Opens whatever an id names; an id not known here is looked up on the way. */
export function openTarget(id: string, isBeside = false): void {
  if (isBeside) return void openBeside(id);
  const target = targetOf(id);
  router.push((target && target.state !== 'gone' ? addressOf(target) : `/to/${id}`) as never);
}

/** Sets the page that an id names beside the one that is shown. */
async function openBeside(id: string): Promise<void> {
  const known = targetOf(id);
  const pageId = known?.pageId ?? (await ask(api.endpoints.blockPlace.initiate(id)).catch(() => undefined))?.pageId;
  store.dispatch(besideOpened(pageId ?? id));
}

export const open = (address: string): void => router.push(address as never);

/** Opens one of the places that are always at hand; the one that is shown is not opened over itself. */
export const openPlace = (address: string): void => router.navigate(address as never);

/** Takes a word off the address without a step in the history. */
export const leaveOut = (name: string): void => router.setParams({ [name]: undefined } as never);

/** The window's own step: the router would still be on its way when the next step is asked for. */
export function goBack(): void {
  if (canStepBack()) window.history.back();
  else router.replace('/today' as never);
}

export const goForward = (): void => window.history.forward();
