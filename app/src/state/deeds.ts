import type { Act } from '@glossarion/core/acts';
import { MAX_ACTS } from '@glossarion/core/outline';
import { api, isUnreached, problemSentence, UNREACHED } from './api';
import { store } from './store';
import { done, doneAgain, noticed, takenBack } from './view';
import { whenAtRest } from '../kit/atRest';

/** Structural acts as this window does them: told in a short notice, and taken back or done again during the visit. */

/** How acts are planned, for showing them at once: its code comes once the first screen is at rest. */
const plans = () => import('./shownAtOnce');

whenAtRest(() => void plans().catch(() => undefined));

/**
 * Does acts, as many at a time as the server does at once; gives what takes all of them back. Where some are refused
 * those before them are taken back.
 */
async function inPieces(acts: readonly Act[]): Promise<Act[]> {
  const undo: Act[] = [];
  for (let from = 0; from < acts.length; from += MAX_ACTS) {
    try {
      const piece = acts.slice(from, from + MAX_ACTS);
      undo.unshift(...(await store.dispatch(api.endpoints.acts.initiate(piece)).unwrap()).undo);
    } catch (error) {
      if (undo.length > 0) await inPieces(undo).catch(() => undefined);
      throw error;
    }
  }
  return undo;
}

/** What is done is shown at once, as far as this window can tell, and taken back when the server refuses it. */
async function send(acts: readonly Act[]): Promise<{ undo: Act[]; bringsText: boolean }> {
  const planning = await plans().catch(() => null);
  const takeBackShown = planning?.showAtOnce(acts) ?? (() => {});
  try {
    const undo = await inPieces(acts);
    return { undo, bringsText: planning?.bringText(undo) ?? false };
  } catch (error) {
    takeBackShown();
    throw error;
  }
}

/** How acts went: done, refused in words that were told, or not told of at all since the server was not reached. */
export type Outcome = 'done' | 'refused' | 'unreached';

/** Does acts; whoever can go on without the server is told when it was not reached. `words` as below. */
export async function performIfReached(acts: readonly Act[], words: string | null): Promise<Outcome> {
  try {
    const { undo, bringsText } = await send(acts);
    const deed = { words: words ?? 'The last change', undo, bringsText, at: Date.now() };
    if (undo.length > 0) store.dispatch(done(deed));
    if (words) store.dispatch(noticed({ words, ...(undo.length > 0 && { action: 'undo' as const }) }));
    return 'done';
  } catch (error) {
    if (isUnreached(error)) return 'unreached';
    store.dispatch(noticed({ words: problemSentence(error) }));
    return 'refused';
  }
}

/** Does acts; false when they were refused, which is said. `words` says what was done; null says nothing. */
export async function perform(acts: readonly Act[], words: string | null): Promise<boolean> {
  const outcome = await performIfReached(acts, words);
  if (outcome === 'unreached') store.dispatch(noticed({ words: UNREACHED }));
  return outcome === 'done';
}

/** Does acts without a word; gives what takes them back, or null when they were refused, which is said. */
export async function performQuietly(acts: readonly Act[]): Promise<Act[] | null> {
  try {
    return (await send(acts)).undo;
  } catch (error) {
    store.dispatch(noticed({ words: problemSentence(error) }));
    return null;
  }
}

/** Says what was done piece by piece, to be taken back as one. */
export function noteDeed(words: string, undo: Act[]): void {
  store.dispatch(done({ words, undo, bringsText: false, at: Date.now() }));
  store.dispatch(noticed({ words, action: 'undo' }));
}

export async function takeBack(): Promise<void> {
  const deed = store.getState().view.deeds.at(-1);
  if (!deed) return void store.dispatch(noticed({ words: 'There is nothing to take back in this visit.' }));
  try {
    const { undo, bringsText } = await send(deed.undo);
    store.dispatch(takenBack({ words: deed.words, undo, bringsText, at: Date.now() }));
    store.dispatch(noticed({ words: `Taken back: ${deed.words}` }));
  } catch (error) {
    store.dispatch(noticed({ words: `It could not be taken back. ${problemSentence(error)}` }));
  }
}

export async function doAgain(): Promise<void> {
  const deed = store.getState().view.undone.at(-1);
  if (!deed) return;
  try {
    const { undo, bringsText } = await send(deed.undo);
    store.dispatch(doneAgain({ words: deed.words, undo, bringsText, at: Date.now() }));
    store.dispatch(noticed({ words: deed.words, action: 'undo' }));
  } catch (error) {
    store.dispatch(noticed({ words: problemSentence(error) }));
  }
}
