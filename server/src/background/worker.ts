import BetterSqlite3 from 'better-sqlite3';
import { parentPort, workerData } from 'node:worker_threads';
import { answerWith, type Asked } from './helper';

/** The thread that does what may take long, beside the one that serves. It reads the data; it never writes. */
const database = new BetterSqlite3((workerData as { file: string }).file, { readonly: true });
const answer = answerWith(database);

parentPort!.on('message', ({ number, asked }: { number: number; asked: Asked }) => {
  try {
    parentPort!.postMessage({ number, value: answer(asked) });
  } catch (error) {
    parentPort!.postMessage({ number, error: (error as Error).message });
  }
});
