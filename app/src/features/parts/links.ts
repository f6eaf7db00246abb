import { store, targetOf } from '../../state/store';
import { noticed } from '../../state/view';
import { lastingAddress } from '../shell/navigation';

/** Puts the lasting address of a line on the clipboard. */
export async function copyBlockLink(blockId: string): Promise<void> {
  const address = lastingAddress('b', blockId);
  try {
    await navigator.clipboard.writeText(address);
    store.dispatch(noticed({ words: 'The link to this line is on the clipboard.' }));
  } catch {
    store.dispatch(noticed({ words: `The clipboard can’t be reached. The link is ${address}` }));
  }
}

export const titleHere = (id: string): string => targetOf(id)?.title ?? 'the page';
