import type { Kin } from '@glossarion/core/kin';
import { Worker } from 'node:worker_threads';
import type { RawDatabase } from '../sqlite/prepared';
import { KinSearch } from './kin';
import { AlsoNamedSearch, type AlsoNamedBatch } from './alsoNamed';

/** What the background is asked for. */
export type HelperRequest =
  | { do: 'alsoNamed' }
  | { do: 'forget'; accountId: string }
  | { do: 'kin'; accountId: string; pageId: string; pages: number }
  | { do: 'join' };

export interface Answers {
  alsoNamed: AlsoNamedBatch | null;
  forget: null;
  kin: Kin[];
  join: null;
}

/** Answers what is asked, from a database that is only read; `join` joins the newest part to it. */
export function answerWith(
  database: RawDatabase,
  join: () => void,
): (asked: HelperRequest) => Answers[HelperRequest['do']] {
  const alsoNamed = new AlsoNamedSearch(database);
  const kin = new KinSearch(database);
  return (asked) => {
    switch (asked.do) {
      case 'alsoNamed':
        return alsoNamed.next();
      case 'forget':
        alsoNamed.forget(asked.accountId);
        return null;
      case 'kin':
        return kin.find(asked.accountId, asked.pageId, asked.pages);
      case 'join':
        join();
        return null;
    }
  };
}

/** Whoever does the background work. */
export interface Helper {
  ask: <K extends HelperRequest['do']>(asked: Extract<HelperRequest, { do: K }>) => Promise<Answers[K]>;
  close: () => Promise<void>;
}

/** How long an answer may take before the thread is taken for stuck, in milliseconds. */
const ANSWERED_WITHIN = 120_000;

interface Waiter {
  resolve: (value: never) => void;
  reject: (error: Error) => void;
}

/** Does it in a thread of its own. One that ends is replaced; what was asked of it fails. */
export function threadHelper(script: URL, file: string): Helper {
  let worker: Worker | null = null;
  let waiting = new Map<number, Waiter>();
  let asked = 0;
  let isClosed = false;

  const begin = (): Worker => {
    const begun = new Worker(script, { workerData: { file } });
    const own = (waiting = new Map<number, Waiter>());
    worker = begun;
    begun.unref();
    begun.on('message', ({ number, value, error }: { number: number; value: never; error?: string }) => {
      const waiter = own.get(number);
      own.delete(number);
      if (error) waiter?.reject(new Error(error));
      else waiter?.resolve(value);
    });
    const fail = (error: Error) => {
      if (worker === begun) worker = null;
      for (const waiter of own.values()) waiter.reject(error);
      own.clear();
    };
    begun.on('error', fail);
    begun.on('exit', () => fail(new Error('The background thread ended.')));
    return begun;
  };

  return {
    ask: (message) =>
      new Promise((resolve, reject) => {
        if (isClosed) return reject(new Error('The background thread was ended.'));
        const asking = worker ?? begin();
        const number = (asked += 1);
        const late = setTimeout(() => void asking.terminate(), ANSWERED_WITHIN).unref();
        const settle =
          <T>(how: (value: T) => void) =>
          (value: T) => {
            clearTimeout(late);
            how(value);
          };
        waiting.set(number, { resolve: settle(resolve), reject: settle(reject) });
        asking.postMessage({ number, asked: message });
      }),
    close: async () => {
      isClosed = true;
      await worker?.terminate();
    },
  };
}

/** Does it in this thread, where there is no built script to start another with: in tests. */
export function inlineHelper(database: RawDatabase): Helper {
  const answer = answerWith(database, () => undefined);
  return {
    ask: async (asked) => answer(asked) as never,
    close: async () => undefined,
  };
}
