import { readFile, refusedFile, type MarkdownFile, type ReadFile } from '@glossarion/core/formats/markdown';

/** Reads files of Markdown, one after the other. One that can't be read costs itself alone. */
export const readFiles = (files: readonly MarkdownFile[]): ReadFile[] =>
  files.map((file) => {
    try {
      return readFile(file);
    } catch (error) {
      return refusedFile(file.path, `The file could not be read, and was left out: ${(error as Error).message}.`);
    }
  });
