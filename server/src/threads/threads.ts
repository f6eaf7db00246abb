import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { doTask, type InputOf, type OutputOf, type TaskName } from './tasks';

/** Threads at once: on two cores a second one takes from the first what it gains, and as much memory again. */
const THREADS = 2;
/** The most memory one may take for itself, and for what it needs for a moment only, in megabytes. */
const MEMORY = 160;
const YOUNG = 12;
/** How often it is looked how much the process has grown, in milliseconds. */
const WATCHED_EVERY = 50;
/** How long a thread that has nothing to do is kept, in milliseconds. */
const KEPT = 20_000;

/** A task took longer than it may, or more memory than it may. Its thread was ended and is replaced. */
export class Overdone extends Error {
  override name = 'Overdone';
}

export interface TaskOptions {
  /** How long it may take once it is begun, in milliseconds. */
  within: number;
  /**
   * By how much the whole process may grow meanwhile, in bytes: what a thread holds outside the memory of its own, as what
   * is unpacked, is bounded by nothing else.
   */
  growth?: number;
  signal?: AbortSignal;
  /** Whether it goes before those that wait. */
  isUrgent?: boolean;
  /** Whether it takes so much memory that its thread is not kept for the next. */
  isLarge?: boolean;
  /** What is given away to the thread instead of being copied. */
  transfer?: readonly ArrayBuffer[];
}

/** Does what may take long beside the thread that serves everybody. */
export class Threads {
  private pool: Piscina | null = null;
  private free = THREADS;
  private queue: (() => void)[] = [];

  /** @param script the built script of a thread; where there is none, as in tests, tasks are done in this one */
  constructor(private script: URL) {}

  /**
   * Does a task; those beyond the number of threads wait, the urgent ones before the others.
   *
   * @throws Overdone when it takes longer, or more memory than a thread has
   */
  async run<K extends TaskName>(
    task: K,
    input: InputOf<K>,
    { within, growth, signal, isUrgent = false, isLarge = false, transfer }: TaskOptions,
  ): Promise<OutputOf<K>> {
    if (!existsSync(this.script)) return (await doTask({ task, input })) as OutputOf<K>;
    await this.turn(isUrgent);
    try {
      signal?.throwIfAborted();
      const stop = new AbortController();
      let isLate = false;
      const timer = setTimeout(() => {
        isLate = true;
        stop.abort();
      }, within);
      const before = process.memoryUsage.rss();
      const watch = growth
        ? setInterval(() => {
            if (process.memoryUsage.rss() - before < growth) return;
            isLate = true;
            stop.abort();
          }, WATCHED_EVERY)
        : undefined;
      const pass = () => stop.abort();
      signal?.addEventListener('abort', pass);
      try {
        const options = { signal: stop.signal, ...(transfer && { transferList: [...transfer] }) };
        return (await this.threads().run({ task, input }, options)) as OutputOf<K>;
      } catch (error) {
        if (signal?.aborted) throw signal.reason as Error;
        const { code } = error as { code?: string };
        if (isLate || code === 'ERR_WORKER_OUT_OF_MEMORY') throw new Overdone(`${task} took too much`);
        throw error;
      } finally {
        clearTimeout(timer);
        clearInterval(watch);
        signal?.removeEventListener('abort', pass);
      }
    } finally {
      this.free += 1;
      this.queue.shift()?.();
      if (isLarge) await this.rest();
    }
  }

  private async turn(isUrgent: boolean): Promise<void> {
    while (this.free === 0) {
      await new Promise<void>((resolve) => void (isUrgent ? this.queue.unshift(resolve) : this.queue.push(resolve)));
    }
    this.free -= 1;
  }

  private threads(): Piscina {
    this.pool ??= new Piscina({
      filename: fileURLToPath(this.script),
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: KEPT,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY, maxYoungGenerationSizeMb: YOUNG },
    });
    return this.pool;
  }

  /** Lets threads go with all the memory they have taken, unless somebody needs them. */
  async rest(): Promise<void> {
    if (this.free < THREADS || this.queue.length > 0) return;
    await this.letGo();
  }

  private async letGo(): Promise<void> {
    const { pool } = this;
    this.pool = null;
    await pool?.destroy();
  }

  /** Ends the threads, whatever they do. */
  async close(): Promise<void> {
    await this.letGo();
  }
}
