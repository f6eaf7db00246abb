import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

/** Lays compressed files beside those of a built app: once here instead of with every request. */
export function compress(folder) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !/\.(?:js|css|html|svg|json)$/u.test(entry.name)) continue;
    const file = path.join(entry.parentPath, entry.name);
    const content = readFileSync(file);
    writeFileSync(`${file}.gz`, gzipSync(content));
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
  }
}
