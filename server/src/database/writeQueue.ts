/** Runs one piece of work at a time, in the order they came. One that fails does not hinder the next. */
export class WriteQueue {
  private last: Promise<unknown> = Promise.resolve();

  run<T>(work: () => Promise<T>): Promise<T> {
    const result = this.last.then(work, work);
    this.last = result.catch(() => undefined);
    return result;
  }

  async idle(): Promise<void> {
    await this.last;
  }
}
