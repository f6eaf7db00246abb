import { deflateRawSync, inflateRawSync } from 'node:zlib';

/** Texts that are packed as one: each by itself would take more, and as much again for being by itself. */
export interface PackedTexts {
  packed: Uint8Array;
  /** Where each ends in what is unpacked, in bytes. */
  ends: readonly number[];
}

export function packTexts(texts: readonly string[]): PackedTexts {
  let end = 0;
  const ends = texts.map((text) => (end += Buffer.byteLength(text)));
  // What is packed stands at the beginning of a longer buffer, which would go along from one thread to another.
  return { packed: new Uint8Array(deflateRawSync(texts.join(''), { level: 1 })), ends };
}

/** How many are kept unpacked: what follows each other in an archive is mostly asked for one after the other. */
const KEPT = 8;

/** Unpacks texts as they are asked for; those of one part mostly follow each other. */
export class Unpacking {
  private lately: { texts: PackedTexts; bytes: Buffer }[] = [];

  textOf(texts: PackedTexts, index: number): string {
    const start = index === 0 ? 0 : texts.ends[index - 1];
    return this.bytesOf(texts).toString('utf8', start, texts.ends[index]);
  }

  private bytesOf(texts: PackedTexts): Buffer {
    const [latest] = this.lately;
    if (latest?.texts === texts) return latest.bytes;
    const known = this.lately.find((each) => each.texts === texts);
    const next = known ?? { texts, bytes: inflateRawSync(texts.packed) };
    this.lately = [next, ...this.lately.filter((each) => each !== known).slice(0, KEPT - 1)];
    return next.bytes;
  }
}
