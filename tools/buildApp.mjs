// Lays the fonts out for the browser and exports the app into app/dist.
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { bin, root, run } from './lib/project.mjs';

const require = createRequire(path.join(root, 'app/package.json'));

/** The faces the product is set in; each file is loaded only when a character of its range is met. */
const FACES = [
  ['@fontsource/alegreya', ['400', '400-italic', '700', '700-italic']],
  ['@fontsource/alegreya-sans', ['400', '400-italic', '500', '700']],
  ['@fontsource/alegreya-sans-sc', ['400', '500', '700']],
  ['@fontsource/jetbrains-mono', ['400']],
];
/** Those of the scripts that these lack, in a sheet of their own: it is most of all that is said of faces. */
const OTHER_SCRIPTS = [
  ['@fontsource/noto-naskh-arabic', ['400', '700']],
  ['@fontsource/noto-serif-jp', ['400', '700']],
  ['@fontsource/noto-sans-hebrew', ['400', '700']],
];

const fonts = path.join(root, 'app/public/fonts');
rmSync(fonts, { recursive: true, force: true });
mkdirSync(fonts, { recursive: true });

/** Lays out the files of some faces and the sheet that names them; gives its address, which changes with what it says. */
function layOutFaces(sheetName, faces) {
  let css = '';
  for (const [name, styles] of faces) {
    const folder = path.dirname(require.resolve(`${name}/package.json`));
    for (const style of styles) {
      const sheet = readFileSync(path.join(folder, `${style}.css`), 'utf8');
      css += sheet
        .replace(/,\s*url\([^)]*\.woff\)\s*format\('woff'\)/g, '')
        .replace(/url\(\.\/files\/([^)]+\.woff2)\)/g, (_whole, file) => {
          cpSync(path.join(folder, 'files', file), path.join(fonts, file));
          return `url(/fonts/${file})`;
        });
    }
  }
  const file = `${sheetName}.${createHash('sha256').update(css).digest('hex').slice(0, 12)}.css`;
  writeFileSync(path.join(fonts, file), css);
  return `/fonts/${file}`;
}

const sheets = { faces: layOutFaces('faces', FACES), scripts: layOutFaces('scripts', OTHER_SCRIPTS) };

run(bin('expo'), ['export', '-p', 'web', '--output-dir', 'dist'], {
  cwd: path.join(root, 'app'),
  env: { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' },
  stdio: ['ignore', process.env.GLOSSARION_QUIET ? 'ignore' : 'inherit', 'inherit'],
});

const page = path.join(root, 'app/dist/index.html');
writeFileSync(
  page,
  readFileSync(page, 'utf8').replace('/fonts/faces.css', sheets.faces).replace('/fonts/scripts.css', sheets.scripts),
);

// Compressed once here instead of with every request.
const dist = path.join(root, 'app/dist');
for (const entry of readdirSync(dist, { recursive: true, withFileTypes: true })) {
  if (!entry.isFile() || !/\.(?:js|css|html|svg|json)$/u.test(entry.name)) continue;
  const file = path.join(entry.parentPath, entry.name);
  const content = readFileSync(file);
  writeFileSync(`${file}.gz`, gzipSync(content));
  writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
}
