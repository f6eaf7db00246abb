import { createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { newId } from '@glossarion/core/document';
import type { ExportForm } from '@glossarion/core/works';
import { ZipFile } from 'yazl';
import type { Viewer } from '../access';
import type { Services } from '../services';
import { contentOf, readZip } from '../services/importZip';
import { say, timeAsync } from './measure';

/** At most so many times as long as writing the same bytes. */
const BOUNDS = { markdown: 2, site: 3, epub: 3 } satisfies Partial<Record<ExportForm, number>>;
/** How often it is looked whether one is done, in milliseconds. */
const LOOKED_EVERY = 5;
/** The first time a thread is begun, and glosses find their places: the faster of so many counts, on either side. */
const TURNS = 2;
const MEGABYTE = 1024 * 1024;
const LOT = 60;

/** Taking all of an account out against packing the same files by the library alone. */
export async function measureExports(
  { exports: writing, works }: Services,
  viewer: Viewer,
  scale: string,
): Promise<void> {
  for (const form of Object.keys(BOUNDS) as (keyof typeof BOUNDS)[]) {
    const before = process.memoryUsage.rss();
    let most = before;
    let [took, packing] = [Infinity, Infinity];
    for (let turn = 0; turn < TURNS; turn += 1) {
      const id = newId();
      const writtenIn = await timeAsync(async () => {
        writing.begin(viewer, { of: null }, id, form, 'https://notes.example');
        while (works.of(viewer, id).state === 'running') {
          most = Math.max(most, process.memoryUsage.rss());
          await new Promise((resolve) => setTimeout(resolve, LOOKED_EVERY));
        }
      });
      const contents = await contentsOf(works.pathOf(id));
      const again = `${works.pathOf(id)}.again`;
      packing = Math.min(packing, await timeAsync(() => pack(again, contents)));
      took = Math.min(took, writtenIn);
      await rm(again);
      await works.stop(viewer, id);
    }
    const more = `${took.toFixed(0)} ms, ${Math.round((most - before) / MEGABYTE)} MB more`;
    say(`taken out as ${form} / the same bytes`, scale, took / packing, BOUNDS[form], more);
  }
}

type Contents = readonly (readonly [path: string, content: Buffer])[];

async function contentsOf(archive: string): Promise<Contents> {
  const { zip, pages, others } = await readZip(archive, new AbortController().signal);
  const contents: [string, Buffer][] = [];
  for (const [path, entry] of [...pages, ...others]) {
    contents.push([path, Buffer.from((await contentOf(zip, entry, Infinity))!)]);
  }
  zip.close();
  return contents;
}

async function pack(archive: string, contents: Contents): Promise<void> {
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream as Readable, createWriteStream(archive));
  for (const [index, [path, content]] of contents.entries()) {
    zip.addBuffer(content, path);
    if (index % LOT === 0) await new Promise((resolve) => setImmediate(resolve));
  }
  zip.end();
  await written;
}
