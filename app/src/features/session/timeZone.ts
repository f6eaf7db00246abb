import { whenAtRest } from '../../kit/atRest';
import { api } from '../../state/api';
import { ask, store } from '../../state/store';

const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

let told: string | null = null;

/** Tells the account where this device is when that is elsewhere than it was, so that days are those of the person. */
async function tellZone(): Promise<void> {
  const zone = zoneHere();
  if (told === zone || store.getState().view.saving === 'offline') return;
  told = zone;
  try {
    const settings = await ask(api.endpoints.settings.initiate());
    if (settings.timeZone !== zone)
      await store.dispatch(api.endpoints.set.initiate({ key: 'timeZone', value: zone })).unwrap();
  } catch {
    told = null;
  }
}

/** Follows the device for as long as somebody is signed in; gives what ends that. */
export function followZone(): () => void {
  told = null;
  const look = () => void (document.visibilityState === 'visible' && tellZone());
  whenAtRest(() => void tellZone());
  document.addEventListener('visibilitychange', look);
  return () => document.removeEventListener('visibilitychange', look);
}
