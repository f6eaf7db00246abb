import { FILE_WRITERS, type FileToWrite, type FilesToWriteAs } from '@glossarion/core/formats/account';
import { KindTree, type Field, type Kind } from '@glossarion/core/kinds';
import type { BodyJson } from '@glossarion/core/document';

export type { FilesToWriteAs };

/** Files to write, whose bodies are JSON as they are stored. */
export interface FilesToWrite {
  as: FilesToWriteAs;
  files: (Omit<FileToWrite, 'body'> & { json: string })[];
  kinds: readonly Kind[];
  fields: readonly Field[];
}

/** Writes pages in one form; the texts in the order of the files. */
export function writeFiles({ as, files, kinds, fields }: FilesToWrite): string[] {
  const tree = new KindTree(kinds, fields);
  const write = FILE_WRITERS[as];
  return files.map(({ json, ...file }) => write({ ...file, body: JSON.parse(json) as BodyJson }, tree));
}
