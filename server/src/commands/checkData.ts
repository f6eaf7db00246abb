import path from 'node:path';
import { readConfig } from '../config';
import { openToRead } from '../database/reading';
import { EntryEntity } from '../entities';
import { checkData } from '../services/checkData';

/** Checks the data folders named, or the one of the settings. Ends with 1 when anything disagrees. */
const folders = process.argv.slice(2);
let disagreements = 0;
for (const folder of folders.length > 0 ? folders : [readConfig(process.env).data]) {
  const { source, reader } = await openToRead(path.join(folder, 'glossarion.sqlite'));
  const found = await checkData({ manager: source.manager, reader });
  const pages = await source.manager.countBy(EntryEntity, { kind: 'page' });
  await source.destroy();
  disagreements += found.length;
  for (const { pageId, what } of found) console.log(`${pageId}: ${what}`);
  console.log(`${folder}: ${pages} pages checked, ${found.length} disagreements`);
}
process.exitCode = disagreements > 0 ? 1 : 0;
