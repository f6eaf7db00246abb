import type { Changed } from '@glossarion/core/acts';

/** Tells an account's open windows what has changed elsewhere, so that they ask for it again. */
export interface Notice {
  pageId: string | null;
  changed: Changed[];
}

type Receiver = (notice: Notice) => void;

export class Notices {
  private receivers = new Map<string, Set<Receiver>>();

  receive(accountId: string, receiver: Receiver): () => void {
    const receivers = this.receivers.get(accountId) ?? new Set();
    this.receivers.set(accountId, receivers.add(receiver));
    return () => receivers.delete(receiver);
  }

  send(accountId: string, notice: Notice): void {
    for (const receiver of this.receivers.get(accountId) ?? []) receiver(notice);
  }
}
