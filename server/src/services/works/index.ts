import { mkdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import path from 'node:path';
import { newId } from '@glossarion/core/document';
import type { Logger } from 'pino';
import type { Act } from '@glossarion/core/acts';
import type { Work, WorkSort } from '@glossarion/core/works';
import type { Viewer } from '../../access';
import type { Config } from '../../config';
import { notFound, Problem } from '../../problem';
import type { Notices } from '../notices';

/** So many that have ended are remembered for each account. */
const REMEMBERED = 12;
/** So many that wait for an answer: what was sent for them lies on the disk. */
const WAITING = 3;
/** What was written is kept for so long, to be fetched: a day, in milliseconds. */
const KEPT = 24 * 60 * 60 * 1000;
/** Windows are told how far a work has come at most so often, in milliseconds. */
const TOLD_EVERY = 400;

const NO_ROOM = 'There is no room left on this server.';
const WENT_WRONG = 'Something went wrong on the server.';

/** What a work is given by which it says how far it has come, and hears that it was stopped. */
export interface Progress {
  readonly id: string;
  readonly signal: AbortSignal;
  total: number;
  done: number;
}

/** What a work came to. */
export interface Outcome extends Partial<Pick<Work, 'report' | 'file' | 'preview'>> {
  /** What takes it back. */
  undo?: Act[];
}

interface Running {
  work: Work;
  accountId: string;
  stop: AbortController;
  timer: NodeJS.Timeout | null;
  undo: Act[];
}

/**
 * All that takes long: it is listed while it is under way and after it, with what came of it, and can be stopped. Neither
 * survives the server's end: a work that it breaks off has left nothing.
 */
export class Works {
  private known = new Map<string, Running>();
  private folder: string;

  constructor(
    config: Pick<Config, 'data'>,
    private notices: Notices,
    private log: Pick<Logger, 'error'>,
  ) {
    this.folder = path.join(config.data, 'works');
    // Nobody knows any more what these were.
    rmSync(this.folder, { recursive: true, force: true });
    mkdirSync(this.folder, { recursive: true });
  }

  /** Where a work may write; the file is gone with the work. */
  pathOf(id: string): string {
    return path.join(this.folder, id);
  }

  /** Where what was sent for a work is kept, until it is done. */
  sentFor({ accountId }: Pick<Viewer, 'accountId'>, id: string): string {
    return this.pathOf(`${accountId}.${id}.sent`);
  }

  /** The works of an account's, the latest first. */
  list({ accountId }: Viewer): Work[] {
    const own = [...this.known.values()].filter((each) => each.accountId === accountId);
    return own.map(({ work }) => ({ ...work })).reverse();
  }

  /** @throws Problem (404) when the viewer has none such */
  of(viewer: Viewer, id: string): Work {
    return { ...this.running(viewer, id).work };
  }

  /** The acts that take back what a work did. @throws Problem (404) when the viewer has none such */
  takingBack(viewer: Viewer, id: string): Act[] {
    return this.running(viewer, id).undo;
  }

  private running({ accountId }: Viewer, id: string): Running {
    const running = this.known.get(id);
    if (running?.accountId !== accountId) throw notFound();
    return running;
  }

  /**
   * Does something that takes long.
   *
   * @param stopped says to whoever waits for it that it was stopped
   * @param isQuiet whether it is listed only while it is under way
   * @throws what it throws, and Problem: 409 when one of this id is under way, 404 when it is another's
   */
  async run<T extends Outcome>(
    viewer: Viewer,
    {
      id = newId(),
      sort,
      name,
      stopped,
      isQuiet = false,
    }: { id?: string; sort: WorkSort; name: string; stopped: string; isQuiet?: boolean },
    run: (progress: Progress) => Promise<T>,
  ): Promise<T> {
    const { accountId } = viewer;
    const present = this.known.get(id);
    if (present && present.accountId !== accountId) throw notFound();
    if (present?.work.state === 'running') throw new Problem(409, 'This is under way already.');
    const work: Work = {
      ...{ id, sort, name, state: 'running', begunAt: new Date().toISOString(), endedAt: null },
      ...{ done: 0, total: 0, problem: null, preview: null, report: null, file: null, canTakeBack: false },
    };
    const running: Running = { work, accountId, stop: new AbortController(), timer: null, undo: [] };
    this.known.set(id, running);
    const { signal } = running.stop;
    this.tell(running);
    const progress = this.progressOf(running);
    try {
      const outcome = await run(progress);
      const { preview = null, report = null, file = null, undo = [] } = outcome;
      running.undo = undo;
      const state = preview ? 'waiting' : 'done';
      Object.assign(work, { state, done: work.total, preview, report, file, canTakeBack: undo.length > 0 });
      return outcome;
    } catch (error) {
      await rm(this.pathOf(id), { force: true });
      work.state = signal.aborted ? 'stopped' : 'failed';
      if (signal.aborted) throw new Problem(409, stopped);
      const isFull = (error as NodeJS.ErrnoException).code === 'ENOSPC';
      work.problem = error instanceof Problem ? error.message : isFull ? NO_ROOM : WENT_WRONG;
      if (work.problem === WENT_WRONG) this.log.error({ err: error as Error, sort }, 'a work was broken off');
      throw error;
    } finally {
      work.endedAt = new Date().toISOString();
      if (running.timer) clearTimeout(running.timer);
      running.timer = null;
      this.tell(running);
      if (isQuiet) this.known.delete(id);
      this.forgetOldest(accountId);
      setTimeout(() => void this.drop(id), KEPT).unref();
    }
  }

  private progressOf(running: Running): Progress {
    const { work, stop } = running;
    const tellSoon = () => {
      running.timer ??= setTimeout(() => {
        running.timer = null;
        this.tell(running);
      }, TOLD_EVERY).unref();
    };
    return {
      id: work.id,
      signal: stop.signal,
      get total() {
        return work.total;
      },
      set total(total) {
        work.total = total;
        tellSoon();
      },
      get done() {
        return work.done;
      },
      set done(done) {
        work.done = done;
        tellSoon();
      },
    };
  }

  private tell({ accountId }: Running): void {
    this.notices.send(accountId, { what: 'works', ids: null });
  }

  private forgetOldest(accountId: string): void {
    const ended = [...this.known.values()].filter(
      (each) => each.accountId === accountId && each.work.state !== 'running',
    );
    const waiting = ended.filter(({ work }) => work.state === 'waiting');
    for (const { work } of [...ended.slice(0, -REMEMBERED), ...waiting.slice(0, -WAITING)]) void this.drop(work.id);
  }

  private async drop(id: string): Promise<void> {
    const running = this.known.get(id);
    if (!running || running.work.state === 'running') return;
    this.known.delete(id);
    this.tell(running);
    await rm(this.pathOf(id), { force: true });
    await rm(this.sentFor(running, id), { force: true });
  }

  /** Stops a work that is under way, of which nothing is left; one that has ended is forgotten. */
  async stop(viewer: Viewer, id: string): Promise<void> {
    const running = this.running(viewer, id);
    if (running.work.state === 'running') running.stop.abort();
    else await this.drop(id);
  }

  /** Stops all, when the server ends. */
  close(): void {
    for (const { stop, work } of this.known.values()) if (work.state === 'running') stop.abort();
  }
}
