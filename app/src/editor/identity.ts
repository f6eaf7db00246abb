import { Extension } from '@tiptap/core';
import { Slice, type Fragment, type Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, type EditorState, type Transaction } from '@tiptap/pm/state';
import { Mapping } from '@tiptap/pm/transform';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import { attributesOfCopy, newId } from '@glossarion/core/document';
import { blocksAgree } from './changedBlocks';

const isRemote = (transaction: Transaction): boolean =>
  (transaction.getMeta(ySyncPluginKey) as { isChangeOrigin?: boolean } | undefined)?.isChangeOrigin === true;

const idsIn = (doc: DocumentNode): Set<string> => {
  const ids = new Set<string>();
  doc.forEach((node) => void (node.attrs.id && ids.add(String(node.attrs.id))));
  return ids;
};

const hasOwnIdStill = (one: DocumentNode, other: DocumentNode): boolean =>
  one.attrs.id !== null && one.attrs.id === other.attrs.id;

/** How often an id that stands more than once does so. */
function repeatedIds(doc: DocumentNode): Map<string, number> {
  const times = new Map<string, number>();
  doc.forEach(({ attrs }) => void times.set(String(attrs.id), (times.get(String(attrs.id)) ?? 0) + 1));
  return new Map([...times].filter(([, many]) => many > 1));
}

/**
 * Gives every block a lasting id of its own, and notes on a block the ids of those that were joined into it.
 * A line that came twice from elsewhere is left to the server, which knows which of the two can go.
 */
function mendIds(transactions: readonly Transaction[], before: EditorState, after: EditorState): Transaction | null {
  if (!transactions.some((each) => each.docChanged) || transactions.some(isRemote)) return null;
  if (blocksAgree(before.doc, after.doc, hasOwnIdStill)) return null;
  const transaction = after.tr;
  const seen = new Set<string>();
  const [present, past] = [repeatedIds(after.doc), repeatedIds(before.doc)];
  after.doc.forEach((node, position) => {
    const id = node.attrs.id as string | null;
    const isRepeatedHere = id !== null && (present.get(id) ?? 0) > (past.get(id) ?? 1);
    if (id !== null && !(seen.has(id) && isRepeatedHere)) seen.add(id);
    else if (node.type.spec.attrs && 'id' in node.type.spec.attrs) {
      const fresh = newId();
      seen.add(fresh);
      transaction.setNodeMarkup(position, undefined, { ...attributesOfCopy(node.attrs), id: fresh });
    }
  });
  noteJoined(transactions, before, seen, transaction);
  return transaction.docChanged ? transaction.setMeta('addToHistory', true) : null;
}

function noteJoined(
  transactions: readonly Transaction[],
  before: EditorState,
  standing: ReadonlySet<string>,
  transaction: Transaction,
): void {
  const mapping = new Mapping(transactions.flatMap((each) => each.mapping.maps));
  before.doc.forEach((node, offset) => {
    const id = node.attrs.id as string | null;
    if (id === null || standing.has(id) || !node.isTextblock || node.content.size === 0) return;
    const position = survivingPosition(mapping, node, offset, transaction.doc);
    if (position === null) return;
    const survivor = transaction.doc.resolve(position);
    if (survivor.depth === 0 || survivor.node(1).type.name !== 'block') return;
    const { attrs } = survivor.node(1);
    const former = [attrs.formerIds, node.attrs.formerIds, id].filter(Boolean).join(' ');
    transaction.setNodeAttribute(survivor.before(1), 'formerIds', former);
  });
}

/**
 * Where the words of a block that is gone now end; null when they are gone too. A browser that joins two lines by
 * itself replaces both with new words: then the line that ends with the lost words has them.
 */
function survivingPosition(mapping: Mapping, node: DocumentNode, offset: number, doc: DocumentNode): number | null {
  const end = mapping.mapResult(offset + 1 + node.content.size, -1);
  if (!end.deletedBefore) return end.pos <= doc.content.size ? end.pos : null;
  const start = mapping.map(offset, -1);
  if (start < 1 || start > doc.content.size) return null;
  const joined = doc.resolve(start).node(1) as DocumentNode | undefined;
  const words = node.textContent;
  const hasThem = joined && joined.textContent.length > words.length && joined.textContent.endsWith(words);
  return hasThem ? start : null;
}

/** Blocks pasted or dropped get new ids, unless they were just cut out of this page: then they have moved. */
function withoutIds(fragment: Fragment, keep: ReadonlySet<string>): Fragment {
  let mapped = fragment;
  fragment.forEach((node, _offset, index) => {
    const id = node.attrs.id as string | null | undefined;
    if (!id || keep.has(id)) return;
    const attrs = { ...node.attrs, id: null, formerIds: null, kept: null };
    mapped = mapped.replaceChild(index, node.type.create(attrs, node.content, node.marks));
  });
  return mapped;
}

export const Identity = Extension.create({
  name: 'identity',
  addProseMirrorPlugins() {
    let cut = new Set<string>();
    return [
      new Plugin({
        appendTransaction: mendIds,
        props: {
          handleDOMEvents: {
            cut: (view) => {
              const { from, to } = view.state.selection;
              cut = new Set();
              view.state.doc.nodesBetween(from, to, (node) => void (node.attrs.id && cut.add(String(node.attrs.id))));
              return false;
            },
          },
          transformPasted: (slice, view) => {
            const present = idsIn(view.state.doc);
            const keep = new Set([...cut].filter((id) => !present.has(id)));
            return new Slice(withoutIds(slice.content, keep), slice.openStart, slice.openEnd);
          },
        },
      }),
    ];
  },
});
