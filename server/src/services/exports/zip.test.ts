import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { crc32 } from 'node:zlib';
import { openPromise } from 'yauzl';
import { archiveText } from '../../threads/archivedText';
import { writeZip, type ZipEntry } from './zip';

const folder = mkdtempSync(path.join(tmpdir(), 'glossarion-zip-'));
const at = new Date('2026-03-09T10:00:00Z');
const never = new AbortController().signal;

async function* inPieces(
  count: number,
  pieceOf: (from: number) => ZipEntry[],
  step: number,
): AsyncGenerator<ZipEntry[]> {
  for (let from = 0; from < count; from += step) {
    await Promise.resolve();
    yield pieceOf(from);
  }
}

async function contentsOf(file: string): Promise<Map<string, string>> {
  const zip = await openPromise(file);
  const contents = new Map<string, string>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    const content = Buffer.concat(parts);
    expect([entry.fileName, entry.crc32, entry.uncompressedSize]).toEqual([
      entry.fileName,
      crc32(content),
      content.length,
    ]);
    contents.set(entry.fileName, content.toString());
  }
  return contents;
}

test('texts and files stand in an archive in their order, whatever stands beside them in a piece', async () => {
  const picture = path.join(folder, 'oak.png');
  writeFileSync(picture, 'a picture');
  const target = path.join(folder, 'mixed.zip');
  const pieces: ZipEntry[][] = [
    [{ path: 'mimetype', at, text: 'application/x', isBare: true }],
    [],
    [
      { path: 'a.md', at, text: 'oak '.repeat(50_000) },
      { path: 'b', at, text: 'bare', isBare: true },
    ],
    [
      { path: 'files/oak.png', at, from: picture },
      { path: 'c.md', at, text: '' },
      { path: 'd.md', at, text: '水' },
    ],
    [
      { path: 'e.md', at, text: 'gate' },
      { path: 'files/again.png', at, from: picture },
    ],
  ];
  await writeZip(
    target,
    inPieces(pieces.length, (from) => pieces[from]!, 1),
    never,
  );
  expect([...(await contentsOf(target))]).toEqual([
    ['mimetype', 'application/x'],
    ['a.md', 'oak '.repeat(50_000)],
    ['b', 'bare'],
    ['files/oak.png', 'a picture'],
    ['c.md', ''],
    ['d.md', '水'],
    ['e.md', 'gate'],
    ['files/again.png', 'a picture'],
  ]);
});

test('what was packed before stands in an archive as if it had been packed there, also behind what takes longer', async () => {
  const long = path.join(folder, 'long.txt');
  writeFileSync(long, 'sluice '.repeat(300_000));
  const target = path.join(folder, 'packed.zip');
  const packed = (name: string, text: string): ZipEntry => ({ path: name, at, archived: archiveText(text) });
  const pieces: ZipEntry[][] = [
    [packed('a.md', 'oak'), packed('empty.md', ''), packed('b.md', 'gate 水 '.repeat(40_000))],
    [{ path: 'long.txt', at, from: long }, packed('c.md', 'weir'), { path: 'd.md', at, text: 'elm' }],
    [{ path: 'again.txt', at, from: long }],
    [packed('e.md', 'lock'), { path: 'f.md', at, text: 'x'.repeat(200_000) }, packed('g.md', 'canal')],
    [packed('h.md', 'boat')],
  ];
  await writeZip(
    target,
    inPieces(pieces.length, (from) => pieces[from]!, 1),
    never,
  );
  const contents = await contentsOf(target);
  expect([...contents.keys()].join(' ')).toBe('a.md empty.md b.md long.txt c.md d.md again.txt e.md f.md g.md h.md');
  expect(contents.get('b.md')).toBe('gate 水 '.repeat(40_000));
  expect(contents.get('again.txt')).toBe('sluice '.repeat(300_000));
  expect(['a', 'empty', 'c', 'd', 'e', 'g', 'h'].map((name) => contents.get(`${name}.md`))).toEqual([
    ...['oak', '', 'weir', 'elm', 'lock', 'canal', 'boat'],
  ]);
});

test('an archive that is stopped, and one that can’t be made on, end with what ended them', async () => {
  const stop = new AbortController();
  const piece = (from: number): ZipEntry[] => {
    if (from === 3) stop.abort(new Error('Stopped.'));
    return [{ path: `${from}.md`, at, archived: archiveText('oak '.repeat(50_000)) }];
  };
  await expect(writeZip(path.join(folder, 'stopped.zip'), inPieces(50, piece, 1), stop.signal)).rejects.toThrow(
    'Stopped.',
  );
  const broken = (from: number): ZipEntry[] => {
    if (from === 3) throw new Error('Broken.');
    return [{ path: `${from}.md`, at, archived: archiveText('oak') }];
  };
  await expect(writeZip(path.join(folder, 'broken.zip'), inPieces(50, broken, 1), never)).rejects.toThrow('Broken.');
});

test('more files than an old archive could number, in a time that grows with them and not with their square', async () => {
  const timed = async (count: number): Promise<{ file: string; took: number }> => {
    const file = path.join(folder, `${count}.zip`);
    const piece = (from: number) =>
      Array.from({ length: 100 }, (_, index): ZipEntry => {
        const text = `${from + index}`;
        return { path: `${text}.md`, at, text, ...(index < 99 && { isBare: true }) };
      });
    const began = performance.now();
    await writeZip(file, inPieces(count, piece, 100), never);
    return { file, took: performance.now() - began };
  };
  await timed(2_000);
  const few = await timed(7_000);
  const many = await timed(70_000);
  const zip = await openPromise(many.file);
  expect(zip.entryCount).toBe(70_000);
  zip.close();
  expect(many.took / few.took).toBeLessThan(20);
}, 60_000);
