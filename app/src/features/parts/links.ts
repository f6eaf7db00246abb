import { api } from '../../state/api';
import { store } from '../../state/store';
import { copyAddress } from '../links/copy';
import { lastingAddress } from '../shell/navigation';

/** Puts the lasting address of a line on the clipboard. */
export async function copyBlockLink(blockId: string): Promise<void> {
  const asked = store.dispatch(api.endpoints.targets.initiate([blockId], { subscribe: false, forceRefetch: true }));
  const { data } = await asked;
  await copyAddress(lastingAddress('b', blockId), data?.[0]?.title ?? '', 'this line');
}
