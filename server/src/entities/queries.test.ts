import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Statements by hand: at most 66, each file of them with its reason in the decision record. */
const root = path.resolve(__dirname, '..');
const record = readFileSync(path.resolve(root, '../../docs/decisions/21-storage.md'), 'utf8');

const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
  (file) =>
    /\.ts$/u.test(file) && !/\.test\.ts$/u.test(file) && !/^(?:migrations|measuring|commands|testing)\//u.test(file),
);

/** A text in quotes that is a statement, or goes on as one after what stands in its place. */
const STATEMENT = /(?:=|=>|\(|return)\s*[`'"]\s*(?:SELECT|INSERT|UPDATE|DELETE|WITH)\b/gu;

const counted = files
  .map((file) => ({ file, count: readFileSync(path.join(root, file), 'utf8').match(STATEMENT)?.length ?? 0 }))
  .filter(({ count }) => count > 0);

test('at most 66 statements are written by hand', () => {
  const total = counted.reduce((sum, { count }) => sum + count, 0);
  console.log(`${total} statements by hand in ${counted.length} files`);
  expect(total).toBeGreaterThan(30);
  expect(total).toBeLessThanOrEqual(66);
});

test.each(counted.map(({ file }) => file))('%s says why in the decision record', (file) => {
  const shared = `${path.dirname(file)}/*.queries.ts`;
  expect(record.includes(file) || record.includes(shared)).toBe(true);
});
