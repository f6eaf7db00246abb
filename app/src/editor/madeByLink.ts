import { Extension } from '@tiptap/core';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import type { Act } from '@glossarion/core/acts';
import { api } from '../state/api';
import { performQuietly } from '../state/deeds';
import { ask, FRESH } from '../state/store';

/** Pages that were made by linking to them: undo of the link takes the page back too, as long as nothing is on it. */
interface MadePage {
  make: Act;
  /** What is being done about it, one after the other. */
  work: Promise<unknown>;
  isThere: boolean;
}

const made = new Map<string, MadePage>();

/** Makes the page that a link leads to. */
export function makeForLink(make: Act & { do: 'make' }): void {
  made.set(make.id, { make, work: performQuietly([make]), isThere: true });
}

async function isEmpty(id: string): Promise<boolean> {
  const entry = await ask(api.endpoints.entry.initiate(id, FRESH)).catch(() => null);
  return entry !== null && entry.wordCount === 0 && entry.pagesBeneath === 0 && entry.title === entry.name;
}

function settle(id: string, page: MadePage, isLinked: boolean): void {
  if (isLinked === page.isThere) return;
  page.isThere = isLinked;
  page.work = page.work.then(async () => {
    if (isLinked) return performQuietly([page.make]);
    if (await isEmpty(id)) return performQuietly([{ do: 'unmake', id }]);
    page.isThere = true;
  });
}

/** The ids that links of a text lead to. */
function linkedIn(doc: DocumentNode): Set<string> {
  const ids = new Set<string>();
  doc.descendants((node) => {
    if (node.type.name === 'pageLink') ids.add(String(node.attrs.target));
  });
  return ids;
}

export const MadeByLink = Extension.create({
  name: 'madeByLink',
  addProseMirrorPlugins: () => [
    new Plugin({
      state: {
        init: () => null,
        apply: (transaction) => {
          const sync = transaction.getMeta(ySyncPluginKey) as { isUndoRedoOperation?: boolean } | undefined;
          if (made.size === 0 || !sync?.isUndoRedoOperation || !transaction.docChanged) return null;
          const [before, after] = [linkedIn(transaction.before), linkedIn(transaction.doc)];
          for (const [id, page] of made) {
            if (before.has(id) !== after.has(id)) settle(id, page, after.has(id));
          }
          return null;
        },
      },
    }),
  ],
});
