import type { Kin } from '@glossarion/core/kin';
import { Worker } from 'node:worker_threads';
import type { RawDatabase } from '../database/database';
import { KinSearch } from './kin';
import { MentionSearch, type MentionBatch } from './mentions';

/** What the background is asked for. */
export type Asked =
  { do: 'mentions' } | { do: 'forget'; ownerId: string } | { do: 'kin'; ownerId: string; pageId: string };

export interface Answers {
  mentions: MentionBatch | null;
  forget: null;
  kin: Kin[];
}

/** Answers what is asked, from a database that is only read. */
export function answerWith(database: RawDatabase): (asked: Asked) => Answers[Asked['do']] {
  const mentions = new MentionSearch(database);
  const kin = new KinSearch(database);
  return (asked) => {
    switch (asked.do) {
      case 'mentions':
        return mentions.next();
      case 'forget':
        mentions.forget(asked.ownerId);
        return null;
      case 'kin':
        return kin.find(asked.ownerId, asked.pageId);
    }
  };
}

/** Whoever does the background work. */
export interface Helper {
  ask: <K extends Asked['do']>(asked: Extract<Asked, { do: K }>) => Promise<Answers[K]>;
  close: () => Promise<void>;
}

/** Does it in a thread of its own. */
export function threadHelper(script: URL, file: string): Helper {
  const worker = new Worker(script, { workerData: { file } });
  worker.unref();
  const waiting = new Map<number, { resolve: (value: never) => void; reject: (error: Error) => void }>();
  let asked = 0;
  worker.on('message', ({ number, value, error }: { number: number; value: never; error?: string }) => {
    const waiter = waiting.get(number);
    waiting.delete(number);
    if (error) waiter?.reject(new Error(error));
    else waiter?.resolve(value);
  });
  const fail = (error: Error) => {
    for (const waiter of waiting.values()) waiter.reject(error);
    waiting.clear();
  };
  worker.on('error', fail);
  worker.on('exit', () => fail(new Error('The background thread ended.')));
  return {
    ask: (message) =>
      new Promise((resolve, reject) => {
        asked += 1;
        waiting.set(asked, { resolve, reject });
        worker.postMessage({ number: asked, asked: message });
      }),
    close: async () => void (await worker.terminate()),
  };
}

/** Does it in this thread, where there is no built script to start another with: in tests. */
export function inlineHelper(database: RawDatabase): Helper {
  const answer = answerWith(database);
  return {
    ask: async (asked) => answer(asked) as never,
    close: async () => undefined,
  };
}
