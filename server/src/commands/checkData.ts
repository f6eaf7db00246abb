import BetterSqlite3 from 'better-sqlite3';
import path from 'node:path';
import { readConfig } from '../config';
import { checkData } from '../services/checkData';

/** Checks the data folders named, or the one of the settings. Ends with 1 when anything disagrees. */
const folders = process.argv.slice(2);
let disagreements = 0;
for (const folder of folders.length > 0 ? folders : [readConfig(process.env).data]) {
  const database = new BetterSqlite3(path.join(folder, 'glossarion.sqlite'), { readonly: true });
  const found = checkData(database);
  const { pages } = database.prepare("SELECT COUNT(*) AS pages FROM entries WHERE kind = 'page'").get() as {
    pages: number;
  };
  database.close();
  disagreements += found.length;
  for (const { pageId, what } of found) console.log(`${pageId}: ${what}`);
  console.log(`${folder}: ${pages} pages checked, ${found.length} disagreements`);
}
process.exitCode = disagreements > 0 ? 1 : 0;
