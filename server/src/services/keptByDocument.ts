import type { Database } from '../database/database';
import type { FactWriter } from './facts';

/**
 * What was read of documents, kept until their facts change: those read last, as many as weigh no more than `most`
 * together.
 */
export class KeptByDocument<T> {
  /** By document, the one kept last at the end. */
  private kept = new Map<string, { value: T; weight: number }>();
  private weight = 0;
  /** Documents that the present transaction changes: what is read of them may be from before. */
  private changing = new Set<string>();

  constructor(
    database: Pick<Database, 'onEnd'>,
    facts: Pick<FactWriter, 'onChange'>,
    private most: number,
  ) {
    facts.onChange((documentId) => {
      this.changing.add(documentId);
      this.forget(documentId);
    });
    database.onEnd(() => this.changing.clear());
  }

  of(documentId: string): T | undefined {
    return this.kept.get(documentId)?.value;
  }

  /** Keeps what was read instead of what was kept of that document. */
  keep(documentId: string, value: T, weight: number): void {
    if (this.changing.has(documentId)) return;
    this.forget(documentId);
    this.kept.set(documentId, { value, weight });
    this.weight += weight;
    for (const oldest of this.kept.keys()) {
      if (this.weight <= this.most) break;
      this.forget(oldest);
    }
  }

  private forget(documentId: string): void {
    this.weight -= this.kept.get(documentId)?.weight ?? 0;
    this.kept.delete(documentId);
  }
}
