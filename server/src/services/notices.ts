import { newId } from '@glossarion/core/document';
import { toldWords, type ChangeNotice } from '@glossarion/core/notices';

type Receiver = (changed: ChangeNotice[]) => void;

/** Tells an account's open windows what has changed elsewhere, so that those that show it ask for it again. */
export class Notices {
  private receivers = new Map<string, Set<Receiver>>();
  /** How often each account was told of something, since this began to count. */
  private counts = new Map<string, number>();
  private since = newId();

  receive(accountId: string, receiver: Receiver): () => void {
    const receivers = this.receivers.get(accountId) ?? new Set();
    this.receivers.set(accountId, receivers.add(receiver));
    return () => receivers.delete(receiver);
  }

  /** How far an account's windows have been told, as an answer or a socket says it. */
  told(accountId: string): string {
    return toldWords({ since: this.since, count: this.counts.get(accountId) ?? 0 });
  }

  send(accountId: string, ...changed: ChangeNotice[]): void {
    if (changed.length === 0) return;
    this.counts.set(accountId, (this.counts.get(accountId) ?? 0) + 1);
    for (const receiver of this.receivers.get(accountId) ?? []) receiver(changed);
  }
}
