import { later } from '../../kit/later';
import { loadHere } from './loadHere';

/** Find, whose code comes with what the window always has: it is wanted when nothing can be fetched any more. */
export const FindScreen = later(async () => (await import('./FindScreen')).FindScreen);

/** Fetches it with what searches here. */
export function prepareFind(): void {
  FindScreen.prepare();
  void loadHere().catch(() => undefined);
}
