import type { Logger } from 'pino';

/** Work that is done beside all else, one piece after the other, and is taken up again where it was broken off. */
export class Errand {
  private running: Promise<void> = Promise.resolve();
  private ending = new AbortController();

  /**
   * @param work does what is due; it ends soon after the signal is given
   * @param what is not done if it fails, for the log
   */
  constructor(
    private work: (signal: AbortSignal) => Promise<void>,
    private log: Logger,
    private what: string,
  ) {}

  /** Does what is due. */
  poke(): void {
    const { signal } = this.ending;
    this.running = this.running
      .then(() => (signal.aborted ? undefined : this.work(signal)))
      .catch((error: unknown) => (signal.aborted ? undefined : this.log.error(error, `not done: ${this.what}`)));
  }

  /** Resolves when all that is due was done. */
  idle(): Promise<void> {
    return this.running;
  }

  /** What is being done is broken off: it is due again at the next start. */
  async close(): Promise<void> {
    this.ending.abort();
    await this.running;
  }
}
