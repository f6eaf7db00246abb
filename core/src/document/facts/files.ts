import { solidKindOf } from '../kinds';
import type { LineFact } from './fact';

export interface FileFact {
  blockId: string;
  fileId: string;
}

/** Attachments that are shown. */
export const files: LineFact<FileFact> = {
  of: (node, blockId) =>
    [...(solidKindOf(node)?.files?.(node.attrs ?? {}) ?? [])].flatMap((fileId) =>
      typeof fileId === 'string' ? { blockId, fileId } : [],
    ),
};
