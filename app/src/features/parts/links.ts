import { askTargets } from '../../state/store';
import { copyAddress } from '../../screen/copy';
import { lastingAddress } from '../../screen/navigation';

/** Puts the lasting address of a line on the clipboard. */
export async function copyBlockLink(blockId: string): Promise<void> {
  const [target] = await askTargets([blockId]).catch(() => []);
  await copyAddress(lastingAddress('b', blockId), target?.title ?? '', 'this line');
}
