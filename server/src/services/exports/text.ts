import { createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** Writes a text piece by piece. @throws the signal's reason when it is aborted */
export async function writeText(target: string, pieces: AsyncIterable<string>, signal: AbortSignal): Promise<void> {
  await pipeline(Readable.from(pieces), createWriteStream(target), { signal });
}
