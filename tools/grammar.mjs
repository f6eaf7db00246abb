// npm run grammar: makes the reader of the query line from its grammar, after the grammar was changed.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import peggy from 'peggy';

const folder = path.join(import.meta.dirname, '../core/src/find/query');
const grammar = readFileSync(path.join(folder, 'grammar.peggy'), 'utf8');
writeFileSync(
  path.join(folder, 'grammar.js'),
  peggy.generate(grammar, { cache: true, output: 'source', format: 'es' }),
);
