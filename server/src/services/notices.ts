import type { ChangeNotice } from '@glossarion/core/notices';

type Receiver = (changed: ChangeNotice[]) => void;

/** Tells an account's open windows what has changed elsewhere, so that those that show it ask for it again. */
export class Notices {
  private receivers = new Map<string, Set<Receiver>>();

  receive(accountId: string, receiver: Receiver): () => void {
    const receivers = this.receivers.get(accountId) ?? new Set();
    this.receivers.set(accountId, receivers.add(receiver));
    return () => receivers.delete(receiver);
  }

  send(accountId: string, ...changed: ChangeNotice[]): void {
    if (changed.length === 0) return;
    for (const receiver of this.receivers.get(accountId) ?? []) receiver(changed);
  }
}
