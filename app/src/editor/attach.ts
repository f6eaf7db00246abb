import type { Editor } from '@tiptap/core';
import { NodeSelection } from '@tiptap/pm/state';
import { solidBlock, type NodeJson } from '@glossarion/core/document';
import { isPicture, pickFiles, upload, type Attachment } from '../state/upload';
import { putBlocksAt } from './put';

/** The block that shows an attachment. */
export function attachmentBlock({ id: file, name, media, size }: Attachment): NodeJson {
  return isPicture(media) ? solidBlock('picture', { file, name }) : solidBlock('file', { file, name, media, size });
}

/** Sends files one after the other and sets each where the cursor was, in their order. */
export async function attachFiles(editor: Editor, files: readonly File[], at?: number): Promise<void> {
  let place = at;
  for (const file of files) {
    const attachment = await upload(file, file.name || 'picture');
    if (!attachment || editor.isDestroyed) continue;
    place = putBlocksAt(editor, [attachmentBlock(attachment)], place);
  }
}

/** Picks files of the person's and attaches them. */
export const pickAndAttach =
  (accept: string) =>
  (editor: Editor): void =>
    void pickFiles(accept).then((files) => attachFiles(editor, files));

/** The content of a data address (RFC 2397); null for any other. */
function blobOf(address: string): Blob | null {
  const [, type = '', form, data = ''] = /^data:([^;,]*)(?:;[^,]*?)??(;base64)?,(.*)$/su.exec(address) ?? [];
  if (!type) return null;
  try {
    const bytes = form ? Uint8Array.from(atob(data), (character) => character.charCodeAt(0)) : decodeURIComponent(data);
    return new Blob([bytes], { type });
  } catch {
    return null;
  }
}

/** Pictures that came as data within what was pasted: each is sent, and its block told where it is. */
export async function sendPending(editor: Editor, pending: ReadonlyMap<string, string>): Promise<void> {
  for (const [blockId, source] of pending) {
    const blob = blobOf(source);
    const attachment = blob ? await upload(blob, `picture.${blob.type.split('/')[1]?.split('+')[0] ?? 'png'}`) : null;
    if (editor.isDestroyed) return;
    editor.state.doc.forEach((node, position) => {
      if (node.attrs.id !== blockId) return;
      const { tr } = editor.state;
      if (attachment) {
        const { id: file, name } = attachment;
        editor.view.dispatch(tr.setNodeMarkup(position, undefined, { ...node.attrs, file, name }));
      } else editor.view.dispatch(tr.delete(position, position + node.nodeSize));
    });
  }
}

export const selectNode = (editor: Editor, position: number): void =>
  editor.view.dispatch(editor.state.tr.setSelection(NodeSelection.create(editor.state.doc, position)));
