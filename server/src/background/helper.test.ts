import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { threadHelper } from './helper';

/** A thread that answers, ends or never answers, as it is asked. */
const script = path.join(mkdtempSync(path.join(os.tmpdir(), 'glossarion-')), 'thread.mjs');
writeFileSync(
  script,
  `import { parentPort } from 'node:worker_threads';
   parentPort.on('message', ({ number, asked }) => {
     if (asked.pageId === 'end') process.exit(1);
     if (asked.pageId === 'throw') throw new Error('broken');
     if (asked.pageId !== 'never') parentPort.postMessage({ number, value: [asked.pageId] });
   });`,
);
const ask = (helper: ReturnType<typeof threadHelper>, pageId: string) =>
  helper.ask({ do: 'kin', accountId: 'ines', pages: 1, pageId });

test('12 a thread that ends is replaced, and what was asked of it fails', async () => {
  const helper = threadHelper(pathToFileURL(script), 'none');
  expect(await ask(helper, 'one')).toEqual(['one']);
  for (const how of ['end', 'throw']) {
    const waiting = ask(helper, 'never');
    await expect(ask(helper, how)).rejects.toThrow(/ended|broken/u);
    await expect(waiting).rejects.toThrow(/ended|broken/u);
    expect(await ask(helper, 'again')).toEqual(['again']);
  }
  await helper.close();
});

test('12 stopping never waits for an answer', async () => {
  const helper = threadHelper(pathToFileURL(script), 'none');
  const waiting = ask(helper, 'never');
  const start = Date.now();
  const rejected = expect(waiting).rejects.toThrow(/ended/u);
  await helper.close();
  await rejected;
  expect(Date.now() - start).toBeLessThan(10_000);
  await expect(ask(helper, 'one')).rejects.toThrow(/ended/u);
});
