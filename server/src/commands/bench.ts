import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { indexedWords, parseQuery, toMatch } from '@glossarion/core/find';
import { parseMarkdown } from '@glossarion/core/formats/markdown';
import { readConfig } from '../config';
import { openServices } from '../services';
import { madeNotes, madeTitle } from '../services/madeNotes';

/** Measures the server's rows on made accounts of the sizes named; each is printed as a ratio to its anchor. */

const sizes = process.argv.slice(2).map(Number);

const time = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((one, other) => one - other)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

function say(row: string, pages: number, ratio: number, bound: number, more = ''): void {
  const within = ratio <= bound ? 'within' : 'OVER';
  console.log(
    `${row.padEnd(34)} ${String(pages).padStart(6)} pages  ${ratio.toFixed(2).padStart(6)}×  ${within} ${bound}×  ${more}`,
  );
}

for (const pages of sizes) {
  const data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-bench-'));
  const services = await openServices(readConfig({ GLOSSARION_DATA: data }), pino({ level: 'silent' }));
  const { database, find, imports, margin, accounts } = services;
  const account = await accounts.make('Measured', 'made for measuring');
  const files = madeNotes({ pages });

  files.slice(0, 300).forEach((file) => parseMarkdown(file.text));
  const parsing = time(() => files.forEach((file) => parseMarkdown(file.text)));
  const start = performance.now();
  await imports.take(account.id, files);
  say('import / parsing with remark alone', pages, (performance.now() - start) / parsing, 2.5);

  const words = [
    ...new Set(
      indexedWords(
        files
          .slice(0, 50)
          .map((file) => file.text)
          .join(' '),
      ).split(' '),
    ),
  ].slice(0, 60);
  const typed = words.flatMap((word) => [word.slice(0, 1), word.slice(0, 3), word]);
  const bare = database.statement(
    'SELECT rowid FROM findIndex WHERE findIndex MATCH ? ORDER BY bm25(findIndex, 8, 1) LIMIT 24',
  );
  typed.forEach((each) => find.find(account.id, each));
  const bareTimes = typed.map((each) => time(() => bare.all(toMatch(parseQuery(each)))));
  const findTimes = typed.map((each) => time(() => find.find(account.id, each)));
  const p95 = percentile(findTimes, 0.95);
  say('Find as typed / bare FTS5', pages, sum(findTimes) / sum(bareTimes), 2, `p95 ${p95.toFixed(1)} ms, at most 100`);

  const pageId = find.byName(account.id, madeTitle(0), 1)[0]!.id;
  const rows = database.statement(
    `SELECT l.pageId, l.blockId, b.node, e.name FROM links l JOIN blocks b ON b.pageId = l.pageId AND b.id = l.blockId
     JOIN entries e ON e.id = l.pageId WHERE l.target = ?`,
  );
  const repeat = (work: () => unknown) => sum(Array.from({ length: 30 }, () => time(work)));
  repeat(() => margin.glosses(account.id, pageId));
  const prepared = repeat(() => rows.all(pageId));
  const glosses = repeat(() => margin.glosses(account.id, pageId));
  const { length } = margin.glosses(account.id, pageId).glosses;
  say(`a page with ${length} glosses / its rows`, pages, glosses / prepared, 6);

  await database.close();
  rmSync(data, { recursive: true, force: true });
}
