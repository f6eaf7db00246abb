import type { BodyJson } from '../../document/types';
import { addressFrom } from './paths';

/** What a body names, as the file that holds it shows and addresses that. */
export interface NamedInFile {
  title: string;
  /** The file it is in; null for what no file of the export is, or is of. */
  path: string | null;
  /** The id of a line. */
  anchor?: string;
  /** The day that it is, where that has no file. */
  day?: string;
}

export interface FileToWrite {
  path: string;
  /** What the head of the file says beside kinds and fields, in this order; what is undefined goes unsaid. */
  front: Readonly<Record<string, unknown>>;
  body: BodyJson;
  named: Readonly<Record<string, NamedInFile>>;
  /** Where the contents of attachments are, by their ids. */
  files: Readonly<Record<string, string>>;
}

/** How a file addresses what it names: by where that is in the export, else by its id alone. */
export function addressIn({ path, named }: Pick<FileToWrite, 'path' | 'named'>, id: string): string {
  const { path: there = null, anchor } = named[id] ?? {};
  if (there === null) return `#${id}`;
  if (anchor === undefined) return addressFrom(path, there);
  return there === path ? `#${anchor}` : `${addressFrom(path, there)}#${anchor}`;
}

/** How a file writes a link in its head. */
export const linkIn =
  (file: Pick<FileToWrite, 'path' | 'named'>) =>
  (id: string): string =>
    `[${(file.named[id]?.title ?? '').replaceAll(/[[\]\\]/gu, ' ')}](<${addressIn(file, id)}>)`;
