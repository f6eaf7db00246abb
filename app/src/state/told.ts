import { readTold, type Told } from '@glossarion/core/notices';

/**
 * Whether this window was told of all that changed since its answers. The server tells it from the moment on at which it
 * begins to hear; what was answered before may be older than that.
 */

/** The oldest answer there was before the server was heard. */
let oldest: Told | null = null;
/** How far others had been told when this window began to hear. */
let heard: Told | null = null;
let missed: () => void = () => undefined;

/** Calls `listener` when something was changed after an answer, of which this window was not told. */
export function onMissed(listener: () => void): void {
  missed = listener;
}

/** Somebody is signed out here: what they were told is of no more use. */
export function forgetTold(): void {
  oldest = null;
  heard = null;
  missed = () => undefined;
}

/** An answer came. */
export function noteAnswer(words: string | null): void {
  const told = readTold(words);
  if (!told) return;
  if (heard) {
    // What another server has told was asked for again when the way to this one was found.
    if (told.since === heard.since && told.count < heard.count) missed();
  } else if (!oldest || (told.since === oldest.since && told.count < oldest.count)) {
    oldest = told;
  }
}

/** The server is heard from now on. */
export function noteHeard(words: string): void {
  heard = readTold(words);
  const isMissed = oldest && heard && (oldest.since !== heard.since || oldest.count < heard.count);
  oldest = null;
  if (isMissed) missed();
}
