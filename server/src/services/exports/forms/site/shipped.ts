import { readdir, readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';

/** The files that a site is shown with, where the product was built. */
export async function filesIn(folder: URL): Promise<{ path: string; from: string }[]> {
  const names = await readdir(folder).catch(() => []);
  return names
    .filter((name) => /\.(?:js|woff2)$/u.test(name))
    .map((name) => ({ path: name, from: fileURLToPath(new URL(name, folder)) }));
}

/** Which letters there are, and from which files they come. */
export async function lettersSheet(folder: URL): Promise<string> {
  return readFile(new URL('letters.css', folder), 'utf8').catch(() => '');
}

/** The letters of texts in Latin script, within a sheet. */
export async function lettersWithin(folder: URL): Promise<string> {
  const sheet = await lettersSheet(folder);
  const faces = sheet.match(/@font-face \{[^}]*\}/gu) ?? [];
  const wanted = faces.filter((face) => /url\([^)]*-latin(?:-ext)?-\d/u.test(face));
  const within = await Promise.all(
    wanted.map(async (face) => {
      const name = /url\(([^)]+)\)/u.exec(face)![1]!;
      const bytes = await readFile(new URL(name, folder));
      return face.replace(name, `data:font/woff2;base64,${bytes.toString('base64')}`);
    }),
  );
  return within.join('\n');
}
