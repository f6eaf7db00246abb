import { fileTypeFromBuffer } from 'file-type';

/** What kind of file begins with these bytes; null when its beginning does not tell. */
export const sniff = async (head: Uint8Array): Promise<string | null> => (await fileTypeFromBuffer(head))?.mime ?? null;
