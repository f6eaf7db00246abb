/** The share of zero bytes at even or odd places from which a text is taken for UTF-16 without a mark. */
const MOSTLY = 0.3;

/**
 * The text that bytes stand for. A byte order mark says how they are written (Unicode 16, 23.8); without one, what is
 * valid UTF-8 is UTF-8, what is zero at every other byte is UTF-16, and the rest is Windows-1252, which holds Latin-1.
 */
export function textOfBytes(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return decoded(bytes, 'utf-16le');
  if (first === 0xfe && second === 0xff) return decoded(bytes, 'utf-16be');
  const sample = bytes.subarray(0, 4096);
  const zeros = (offset: number) => {
    let found = 0;
    for (let at = offset; at < sample.length; at += 2) if (sample[at] === 0) found += 1;
    return found / Math.max(1, sample.length / 2);
  };
  if (zeros(1) > MOSTLY && zeros(0) < MOSTLY / 3) return decoded(bytes, 'utf-16le');
  if (zeros(0) > MOSTLY && zeros(1) < MOSTLY / 3) return decoded(bytes, 'utf-16be');
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return decoded(bytes, 'windows-1252');
  }
}

const decoded = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes);
