// Lays the fonts out for the browser and exports the app into app/dist.
import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { compress } from './lib/compress.mjs';
import { core, partsAlone } from './lib/core.mjs';
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

const hashOf = (content) => createHash('sha256').update(content).digest('hex').slice(0, 12);

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
  const file = `${sheetName}.${hashOf(css)}.css`;
  writeFileSync(path.join(fonts, file), css);
  return `/fonts/${file}`;
}

const sheets = { faces: layOutFaces('faces', FACES), scripts: layOutFaces('scripts', OTHER_SCRIPTS) };

run(bin('expo'), ['export', '-p', 'web', '--output-dir', 'dist'], {
  cwd: path.join(root, 'app'),
  env: { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' },
  stdio: ['ignore', process.env.GLOSSARION_QUIET ? 'ignore' : 'inherit', 'inherit'],
});

const dist = path.join(root, 'app/dist');
const scripts = path.join(dist, '_expo/static/js/web');

/** What runs while the app's own script is on its way (app/src/begin); gives its address. */
async function layOutBeginning() {
  const { outputFiles } = await build({
    entryPoints: [path.join(root, 'app/src/begin/begin.ts')],
    bundle: true,
    minify: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    plugins: [core],
  });
  const [{ contents }] = outputFiles;
  const name = `begin-${hashOf(contents)}.js`;
  writeFileSync(path.join(scripts, name), contents);
  return `/_expo/static/js/web/${name}`;
}

/** The product's style sheets, as their sources say them (features/shell/sheets); gives their addresses. */
async function layOutSheets() {
  const { outputFiles } = await build({
    entryPoints: [path.join(root, 'app/src/features/shell/sheets.ts')],
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'node',
    plugins: [core, partsAlone],
  });
  const { wholeSheet, lateSheets } = await import(
    `data:text/javascript;base64,${Buffer.from(outputFiles[0].text).toString('base64')}`
  );
  const [look, late] = Object.entries({ look: wholeSheet(), late: lateSheets() }).map(([sheet, css]) => {
    const name = `${sheet}.${hashOf(css)}.css`;
    writeFileSync(path.join(dist, '_expo/static', name), css);
    return `/_expo/static/${name}`;
  });
  return { look, late };
}

/** One script of all that the page begins with, so that they need not be asked for one by one; gives its address. */
function joinScripts(addresses) {
  const files = addresses.map((address) => path.join(dist, address));
  const code = files.map((file) => readFileSync(file, 'utf8')).join('\n;');
  for (const file of files) rmSync(file);
  const name = `app-${hashOf(code)}.js`;
  writeFileSync(path.join(scripts, name), code);
  return `/_expo/static/js/web/${name}`;
}

const page = path.join(dist, 'index.html');
const looks = await layOutSheets();
const written = readFileSync(page, 'utf8');
const DEFERRED = /<script src="(\/_expo[^"]+)" defer><\/script>/gu;
const whole = joinScripts([...written.matchAll(DEFERRED)].map(([, address]) => address));
writeFileSync(
  page,
  written
    .replaceAll(DEFERRED, '')
    .replaceAll('/app.js', whole)
    .replace('/begin.js', await layOutBeginning())
    .replace('/look.css', looks.look)
    .replace('/late.css', looks.late)
    .replace('/fonts/faces.css', sheets.faces)
    .replace('/fonts/scripts.css', sheets.scripts),
);

compress(dist);
