import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { folderList, root } from './server';

/** After the whole run: everything that is stored must follow from what was written. */
export default function checkAll(): void {
  if (!existsSync(folderList)) return;
  const folders = [
    ...new Set(
      readFileSync(folderList, 'utf8')
        .split('\n')
        .filter((folder) => folder && existsSync(folder)),
    ),
  ];
  const result = spawnSync(process.execPath, [path.join(root, 'server/dist/checkData.mjs'), ...folders], {
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  rmSync(folderList);
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  if (result.status !== 0) throw new Error('What is stored does not follow from what was written.');
}
