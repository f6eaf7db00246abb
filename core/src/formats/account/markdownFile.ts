import { besideOf } from '../../document';
import type { KindTree } from '../../kinds/tree';
import { writeFrontBeside } from '../frontBeside';
import { writeMarkdown } from '../markdown/write';
import { addressIn, linkIn, type FileToWrite } from './fileToWrite';
import { writeFront } from './front';
import { addressFrom } from './paths';

/** A page as a file of Markdown that says all of it (docs/formats.md). */
export function writeFile(file: FileToWrite, kinds: KindTree): string {
  const { path, front, body, named, files } = file;
  const beside = writeFrontBeside(besideOf(body), kinds, linkIn(file));
  const text = writeMarkdown(body.content, {
    titleOf: (id) => named[id]?.title ?? '',
    linkUrl: (id) => addressIn(file, id),
    fileUrl: (id) => addressFrom(path, files[id] ?? `files/${id}`),
    hasId: () => true,
    isWhole: true,
  });
  return `${writeFront({ ...front, ...beside })}${text}`;
}
