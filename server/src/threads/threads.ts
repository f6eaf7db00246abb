import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { doTask, type InputOf, type OutputOf, type TaskName } from './tasks';

/** Threads at once, and the most memory one may take for itself, in megabytes. */
const THREADS = 2;
const MEMORY = 384;
/** How long a thread that has nothing to do is kept, in milliseconds. */
const KEPT = 20_000;

/** A task took longer than it may, or more memory than it may. Its thread was ended and is replaced. */
export class Overdone extends Error {
  override name = 'Overdone';
}

/** Does what may take long beside the thread that serves everybody. */
export class Threads {
  private pool: Piscina | null = null;
  private free = THREADS;
  private queue: (() => void)[] = [];

  /** @param script the built script of a thread; where there is none, as in tests, tasks are done in this one */
  constructor(private script: URL) {}

  /**
   * Does a task; those beyond the number of threads wait.
   *
   * @param within how long it may take once it is begun, in milliseconds
   * @throws Overdone when it takes longer, or more memory than a thread has
   */
  async run<K extends TaskName>(
    task: K,
    input: InputOf<K>,
    { within, signal }: { within: number; signal?: AbortSignal },
  ): Promise<OutputOf<K>> {
    if (!existsSync(this.script)) return (await doTask({ task, input })) as OutputOf<K>;
    await this.turn();
    try {
      signal?.throwIfAborted();
      const late = AbortSignal.timeout(within);
      const stop = signal ? AbortSignal.any([late, signal]) : late;
      try {
        return (await this.threads().run({ task, input }, { signal: stop })) as OutputOf<K>;
      } catch (error) {
        if (signal?.aborted) throw signal.reason as Error;
        const { code } = error as { code?: string };
        if (late.aborted || code === 'ERR_WORKER_OUT_OF_MEMORY') throw new Overdone(`${task} took too much`);
        throw error;
      }
    } finally {
      this.free += 1;
      this.queue.shift()?.();
    }
  }

  private async turn(): Promise<void> {
    while (this.free === 0) await new Promise<void>((resolve) => this.queue.push(resolve));
    this.free -= 1;
  }

  private threads(): Piscina {
    this.pool ??= new Piscina({
      filename: fileURLToPath(this.script),
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: KEPT,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY },
    });
    return this.pool;
  }

  /** Ends the threads, whatever they do. */
  async close(): Promise<void> {
    await this.pool?.destroy();
  }
}
