import BetterSqlite3 from 'better-sqlite3';
import { parentPort, workerData } from 'node:worker_threads';
import { answerWith, type HelperRequest } from './helper';

/** The thread that does what may take long, beside the one that serves. It reads the data; it never changes any. */
const { file } = workerData as { file: string };
const database = new BetterSqlite3(file, { readonly: true });
const answer = answerWith(database, () => {
  const joining = new BetterSqlite3(file, { fileMustExist: true });
  try {
    joining.pragma('wal_checkpoint(PASSIVE)');
  } finally {
    joining.close();
  }
});

parentPort!.on('message', ({ number, asked }: { number: number; asked: HelperRequest }) => {
  try {
    parentPort!.postMessage({ number, value: answer(asked) });
  } catch (error) {
    parentPort!.postMessage({ number, error: (error as Error).message });
  }
});
