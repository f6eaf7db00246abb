import { Extension } from '@tiptap/core';
import type { Node as DocumentNode, ResolvedPos } from '@tiptap/pm/model';
import { Plugin, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import { newId } from '@glossarion/core/document';
import type { PageDocument, Source } from '../documents/pageDocument';

/** Whoever typed in a line so lately, in milliseconds, is in the middle of it, whatever becomes of it elsewhere. */
const IN_THE_MIDDLE = 20_000;

/** So many letters on either side of the cursor tell where it stood; fewer do where those are not together any more. */
const AROUND = 24;
const FEWEST_AROUND = 3;

/** Where somebody writes: the line, the cursor within it, and the ids of the lines around it, nearest first. */
export interface WritingPlace {
  node: DocumentNode;
  offset: number;
  /** The letters right before and right after the cursor. */
  around: [before: string, after: string];
  before: string[];
  after: string[];
}

/**
 * What becomes of whoever writes in a line that is gone: it is `kept` and stands again; or, since it stands on another
 * page now, what is typed goes to a line `anew`; or the cursor stays where it came to be.
 */
export type Going = 'kept' | 'anew' | null;

const idOf = (node: DocumentNode): string => String(node.attrs.id ?? '');

const depthOf = (node: DocumentNode): number => Number(node.attrs.depth ?? 0);

/** Words of a text between two places in it, with one sign for each thing that is no text. */
export const wordsBetween = (text: DocumentNode, from: number, to: number): string =>
  text.textBetween(from, to, undefined, '\uFFFC');

/** The letters right before and right after a place. */
const lettersAround = ({ parent, parentOffset: at }: ResolvedPos): WritingPlace['around'] => [
  wordsBetween(parent, Math.max(0, at - AROUND), at),
  wordsBetween(parent, at, Math.min(parent.content.size, at + AROUND)),
];

/** The line that holds the cursor; null where a selection is more than a cursor, or is in no line. */
export function writingPlace({ doc, selection }: EditorState): WritingPlace | null {
  const { $head, empty } = selection;
  if (!empty || $head.depth === 0) return null;
  const ids: string[] = [];
  doc.forEach((line) => void ids.push(idOf(line)));
  const index = $head.index(0);
  return {
    node: $head.node(1),
    offset: $head.pos - $head.start(1),
    around: lettersAround($head),
    before: ids.slice(0, index).reverse(),
    after: ids.slice(index + 1),
  };
}

/** The place right before the first line for which `isWanted` holds. */
function findLine(doc: DocumentNode, isWanted: (node: DocumentNode) => boolean): number | null {
  let found: number | null = null;
  doc.forEach((node, offset) => {
    if (found === null && isWanted(node)) found = offset;
  });
  return found;
}

/** Where the first of these lines stands that is still there. */
function nearest(doc: DocumentNode, ids: readonly string[]): { at: number; end: number } | undefined {
  const placeOf = new Map<string, { at: number; end: number }>();
  doc.forEach((line, at) => void placeOf.set(idOf(line), { at, end: at + line.nodeSize }));
  return ids.map((id) => placeOf.get(id)).find((place) => place !== undefined);
}

/** Where the letters are now that stood around the cursor: in its own line, or in one that was not there before. */
function findLetters(doc: DocumentNode, { around, before, after }: WritingPlace): number | null {
  const others = new Set([...before, ...after]);
  const texts: { words: string; start: number }[] = [];
  doc.descendants((text, position, parent) => {
    if (parent === doc && others.has(idOf(text))) return false;
    if (text.isTextblock) texts.push({ words: wordsBetween(text, 0, text.content.size), start: position + 1 });
    return !text.isTextblock;
  });
  for (let count = AROUND; count >= FEWEST_AROUND; count = Math.floor(count / 2)) {
    const left = around[0].slice(-count);
    const letters = left + around[1].slice(0, count);
    const found = texts.find(({ words }) => words.includes(letters));
    if (found) return found.start + found.words.indexOf(letters) + left.length;
  }
  return null;
}

/** Whether the cursor still has letters at its side that it had before, or never had any. */
function isAmongLetters({ selection: { $head } }: EditorState, [before, after]: WritingPlace['around']): boolean {
  const [nowBefore, nowAfter] = lettersAround($head);
  if (before === '' && after === '') return true;
  return (
    (before !== '' && nowBefore.endsWith(before.slice(-4))) || (after !== '' && nowAfter.startsWith(after.slice(0, 4)))
  );
}

const setCursor = (transaction: Transaction, position: number): Transaction =>
  transaction.setSelection(
    TextSelection.near(transaction.doc.resolve(Math.min(position, transaction.doc.content.size))),
  );

/**
 * Lets whoever writes go on in the same line after something from elsewhere was taken in: where the line stands now,
 * else where its words were joined to, else as `going` says: a line that is kept says why it stands again.
 * Null when the cursor is in its place already, or stays where it is.
 */
export function goOnInLine(state: EditorState, place: WritingPlace, going: Going): Transaction | null {
  const { node, offset, before, after } = place;
  const { doc, tr, schema } = state;
  const id = idOf(node);
  const { $head } = state.selection;
  if (id === '') return null;
  const anew = isAmongLetters(state, place.around) ? null : findLetters(doc, place);
  if ($head.depth > 0 && idOf($head.node(1)) === id) {
    // A line that was moved stands there anew: the cursor can have come to its end.
    const isMoved = state.selection.empty && $head.node(1).content.eq(node.content);
    if (isMoved && $head.pos - $head.start(1) !== offset) return setCursor(tr, $head.start(1) + offset);
    return anew === null ? null : setCursor(tr, anew);
  }
  if (anew !== null) return setCursor(tr, anew);
  const standing = findLine(doc, (each) => idOf(each) === id);
  if (standing !== null) {
    return setCursor(tr, standing + 1 + Math.min(offset, doc.nodeAt(standing)!.content.size));
  }
  const joined = findLine(doc, (each) =>
    String(each.attrs.formerIds ?? '')
      .split(' ')
      .includes(id),
  );
  if (joined !== null) {
    const line = doc.nodeAt(joined)!;
    const at = line.textContent.lastIndexOf(node.textContent);
    return setCursor(tr, joined + 1 + (at < 0 ? line.content.size : Math.min(at + offset, line.content.size)));
  }
  if (!going) return null;
  // A page that lost its only line was given an empty one.
  const isAlone = doc.childCount === 1 && doc.firstChild!.type === schema.nodes.block && doc.textContent === '';
  if (going === 'anew') {
    // Where an empty line holds the cursor, it is there for this.
    if ($head.parent.type === schema.nodes.block && $head.parent.content.size === 0) return null;
    const at = nearest(doc, after)?.at ?? doc.content.size;
    const above = doc.resolve(at).nodeBefore;
    const depth = above ? Math.min(depthOf(node), depthOf(above) + 1) : 0;
    const line = schema.nodes.block!.create({ id: newId(), depth });
    return setCursor(tr.insert(at, line), at + 1).setMeta('addToHistory', false);
  }
  const at = nearest(doc, before)?.end ?? 0;
  const attrs = node.type === schema.nodes.block ? { ...node.attrs, kept: true } : node.attrs;
  tr.replaceWith(at, isAlone ? doc.content.size : at, node.type.create(attrs, node.content, node.marks));
  return setCursor(tr, at + 1 + offset).setMeta('addToHistory', false);
}

/**
 * When another window deletes the line that somebody writes in, the rest of the sentence must not land in the next
 * one: the line is kept. What the server moves away, as when it is lifted to a page of its own, goes, and the rest of
 * the sentence stands in a line of its own.
 */
export const StayInLine = Extension.create<{ page: PageDocument | null }>({
  name: 'stayInLine',
  addOptions: () => ({ page: null }),
  addProseMirrorPlugins() {
    const { page } = this.options;
    let typed: { id: string; at: number } | null = null;
    return [
      new Plugin({
        state: {
          init: () => null,
          apply: (transaction, _value, _before, { selection: { $head } }) => {
            const isOwn = !(transaction.getMeta(ySyncPluginKey) as { isChangeOrigin?: boolean } | undefined)
              ?.isChangeOrigin;
            if (transaction.docChanged && isOwn && $head.depth > 0) typed = { id: idOf($head.node(1)), at: Date.now() };
            return null;
          },
        },
        // Whoever leaves the text, as for the line's menu, is in the middle of nothing.
        props: { handleDOMEvents: { blur: () => void (typed = null) } },
        view: (view) => {
          let place: WritingPlace | null = null;
          const before = () => (place = writingPlace(view.state));
          const after = (source: Source) => {
            if (!place || view.isDestroyed) return;
            const isTyping = typed?.id === idOf(place.node) && Date.now() - typed.at < IN_THE_MIDDLE;
            const going = !isTyping ? null : source === 'window' ? 'kept' : 'anew';
            const transaction = goOnInLine(view.state, place, going);
            if (transaction) view.dispatch(transaction);
          };
          page?.beforeTakingIn.add(before);
          page?.afterTakingIn.add(after);
          return {
            destroy: () => {
              page?.beforeTakingIn.delete(before);
              page?.afterTakingIn.delete(after);
            },
          };
        },
      }),
    ];
  },
});
