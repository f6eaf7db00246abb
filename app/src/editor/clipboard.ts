import { Extension, type Editor } from '@tiptap/core';
import { Fragment, Slice, type Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, TextSelection } from '@tiptap/pm/state';
import { CellSelection } from '@tiptap/pm/tables';
import type { EditorView } from '@tiptap/pm/view';
import { attributesOfCopy, block, newId, shownWords, type NodeJson } from '@glossarion/core/document';
import { linkWords } from '../screen/words';
import { store, targetOf } from '../state/store';
import { noticed } from '../state/view';
import { fileAddress } from '../state/upload';
import { isSingleAddress, ownAddress } from './addresses';
import { attachFiles, sendPending } from './attach';
import { actedRange, chosenRange, withChildren } from './chosen';
import { formatsHere, loadFormats, type Formats } from './formats';
import { positionOf } from './outline';
import { cellRows, isSheetOfCells, pasteCells, tableOfCells } from './tables';
import { whenAtRest } from '../kit/atRest';

/** What is copied is HTML, Markdown and plain text at once; what is pasted becomes clean blocks. */

const titleOf = (target: string): string => linkWords(targetOf(target));
const ownOrigin = (path: string): string => new URL(path, window.location.origin).href;

/** The blocks that would be copied: those chosen, or what the selection covers. */
function copiedBlocks(view: EditorView): NodeJson[] {
  const { state } = view;
  if (chosenRange(state)) {
    const { first, last } = withChildren(state, actedRange(state));
    return Array.from(
      { length: last - first + 1 },
      (_each, index) => state.doc.child(first + index).toJSON() as NodeJson,
    );
  }
  const { selection } = state;
  const { content, openStart } = selection.content();
  const nodes: NodeJson[] = [];
  content.forEach((node) => void nodes.push(node.toJSON() as NodeJson));
  // Some words out of one line are words, whatever the line is.
  const [only] = nodes;
  const isPart =
    nodes.length === 1 && openStart > 0 && only?.type === 'block' && !coversLine(selection.$from.parent, view);
  return isPart
    ? [{ ...only, attrs: { ...only.attrs, id: null, kind: 'paragraph', level: null, state: null, depth: 0 } }]
    : nodes;
}

const coversLine = (line: DocumentNode, { state }: EditorView): boolean =>
  state.selection.$from.parentOffset === 0 && state.selection.$to.parentOffset === line.content.size;

/** What blocks are on the clipboard, in each form that others read. */
function formsOf(nodes: readonly NodeJson[], formats: Formats): Record<string, string> {
  const links = {
    titleOf,
    linkUrl: (target: string) => ownOrigin(`/to/${target}`),
    fileUrl: (file: string, name: string) => ownOrigin(fileAddress(file, name)),
  };
  return {
    'text/html': formats.writeHtml(nodes, { ...links, hasId: () => true }),
    'text/markdown': formats.writeMarkdown(nodes, { ...links, hasId: () => false, isWhole: false }),
    'text/plain': formats.writePlain(nodes, titleOf),
  };
}

/**
 * Puts the chosen blocks or the selection on a clipboard event; false when there is nothing to copy. While the code that
 * writes other formats is on its way their words are there, and the rest as soon as it has come.
 *
 * @param onCopied called once all of it is there, unless the text has changed since
 */
export function writeCopy(view: EditorView, data: DataTransfer, onCopied?: () => void): boolean {
  if (view.state.selection instanceof CellSelection) writeCells(view.state.selection, data);
  else {
    const nodes = copiedBlocks(view);
    if (nodes.length === 0) return false;
    data.clearData();
    const formats = formatsHere();
    if (!formats) {
      data.setData('text/plain', nodes.map((node) => shownWords(node, titleOf)).join('\n'));
      void copyLater(view, nodes, onCopied);
      return true;
    }
    for (const [form, written] of Object.entries(formsOf(nodes, formats))) data.setData(form, written);
  }
  onCopied?.();
  return true;
}

/** The forms that a page may put on the clipboard by itself. */
const WRITABLE = ['text/html', 'text/plain'];

/** How often something was copied that was not there at once: only the last of them counts. */
let later = 0;

async function copyLater(view: EditorView, nodes: readonly NodeJson[], onCopied?: () => void): Promise<void> {
  const turn = (later += 1);
  const { doc, selection } = view.state;
  try {
    const forms = formsOf(nodes, await loadFormats());
    if (turn !== later) return;
    await navigator.clipboard.write([
      new ClipboardItem(Object.fromEntries(WRITABLE.map((form) => [form, new Blob([forms[form]!], { type: form })]))),
    ]);
  } catch {
    store.dispatch(noticed({ words: 'Only the words could be copied, and nothing was cut. Try again in a moment.' }));
    return;
  }
  if (!onCopied || turn !== later) return;
  if (!view.isDestroyed && view.state.doc.eq(doc) && view.state.selection.eq(selection)) onCopied();
  else store.dispatch(noticed({ words: 'Copied, and not cut, since the text has changed meanwhile.' }));
}

/** Cells go to a spreadsheet as rows. */
function writeCells(selection: CellSelection, data: DataTransfer): void {
  const rows = cellRows(selection);
  const table = document.createElement('table');
  for (const cells of rows) {
    const row = table.insertRow();
    for (const words of cells) row.insertCell().textContent = words;
  }
  data.clearData();
  data.setData('text/html', table.outerHTML);
  data.setData('text/plain', rows.map((cells) => cells.join('\t')).join('\n'));
}

/** Signs in a text by which Markdown is told from plain text: one that can't be meant otherwise, or several that could. */
const SURE =
  /^(?:#{1,6} \S|\s*[-*+] \[[ xX]\] |```|~~~|\|.*\|\s*$|> \S)|\*\*[^*\s][^*]*\*\*|\[[^\]]+\]\([^)\s]+\)|\[\[[^\]]+\]\]/mu;
const LIKELY = /^\s*(?:[-*+]|\d{1,3}[.)]) \S/gmu;

export const looksLikeMarkdown = (text: string): boolean =>
  SURE.test(text) || (text.match(LIKELY)?.length ?? 0) >= 2 || /(^|\s)[*_`][^*_`\s][^*_`]*[*_`](\s|$)/u.test(text);

function blocksOfMarkdown(formats: Formats, text: string): NodeJson[] {
  const { blocks } = formats.readMarkdown(text, () => undefined, false);
  return formats.resolveReferences(blocks, ({ form, name }) => (form === 'block' ? name : null), titleOf);
}

/** A line longer than this becomes several, parted where there is a space. */
const LINE_PIECE = /.{1,20000}(?:\s|$)|.{1,20000}/gsu;
/** A text longer than this is taken as it is: reading its signs would hold the window up. */
const LONG_TEXT = 300_000;

const blocksOfPlain = (text: string): NodeJson[] =>
  text
    .replace(/\r\n?/gu, '\n')
    .replace(/\n+$/u, '')
    .split('\n')
    .flatMap((line) => line.replaceAll('\u0000', '').match(LINE_PIECE) ?? [''])
    .map((line) => block('paragraph', line));

const blocksOfHtml = (formats: Formats, html: string, pending: Map<string, string>): NodeJson[] =>
  formats.readHtml(html, {
    pictureOf: (src, alt) => {
      const id = newId();
      const file = /\/api\/files\/([0-9a-f-]{36})/u.exec(src)?.[1] ?? null;
      if (!file && !/^data:image\//u.test(src)) return null;
      if (!file) pending.set(id, src);
      return {
        type: 'picture',
        attrs: { id, depth: 0, tint: null, file, name: 'picture', alt, caption: '', width: null },
      };
    },
  });

/** Words that were copied with a space before or after them keep it; HTML by itself tells nothing of such spaces. */
function withOuterSpaces(blocks: NodeJson[], text: string): NodeJson[] {
  const [only] = blocks;
  if (blocks.length !== 1 || only?.type !== 'block' || !only.content || text.trim() === '') return blocks;
  const space = (is: boolean): NodeJson[] => (is ? [{ type: 'text', text: ' ' }] : []);
  return [{ ...only, content: [...space(/^[ \t]/u.test(text)), ...only.content, ...space(/[ \t]$/u.test(text))] }];
}

/** Puts blocks where the cursor is: a single paragraph among the words there, others as lines of their own. */
export function pasteBlocks(view: EditorView, blocks: readonly NodeJson[]): void {
  const { state } = view;
  const { schema, selection } = state;
  const inCell = selection.$from.depth > 1;
  const usable = inCell ? blocks.filter((node) => node.type === 'block') : blocks;
  const nodes = usable.map((node) => schema.nodeFromJSON(node));
  if (nodes.length === 0) return;
  const isPlain = (node: DocumentNode | undefined) =>
    node?.type.name === 'block' && node.attrs.kind === 'paragraph' && Number(node.attrs.depth) === 0;
  const line = selection.$from.parent;
  if (line.type.spec.code) {
    view.dispatch(state.tr.insertText(nodes.map((node) => node.textContent).join('\n')).scrollIntoView());
    return;
  }
  const isEmpty = selection.empty && line.type.name === 'block' && line.content.size === 0 && !inCell;
  if (nodes.length === 1 && isPlain(nodes[0])) {
    view.dispatch(state.tr.replaceSelection(new Slice(nodes[0]!.content, 0, 0)).scrollIntoView());
    return;
  }
  if (isEmpty) {
    const from = selection.$from.before(1);
    const transaction = state.tr.replaceWith(from, selection.$from.after(1), nodes);
    const end = from + nodes.reduce((size, node) => size + node.nodeSize, 0);
    transaction.setSelection(TextSelection.near(transaction.doc.resolve(end), -1));
    view.dispatch(transaction.scrollIntoView());
    return;
  }
  const open = (node: DocumentNode | undefined) => (isPlain(node) ? 1 : 0);
  const slice = new Slice(Fragment.from(nodes), open(nodes[0]), open(nodes.at(-1)));
  view.dispatch(state.tr.replaceSelection(slice).scrollIntoView());
}

/** Ids in what is pasted stay only where nothing on this page has them: then it was cut, or comes from another page. */
function withOwnIds(view: EditorView, blocks: readonly NodeJson[], isCut: (id: string) => boolean): NodeJson[] {
  const present = new Set<string>();
  view.state.doc.forEach((node) => void present.add(String(node.attrs.id)));
  return blocks.map((node) => {
    const id = node.attrs?.id;
    if (typeof id === 'string' && !present.has(id) && isCut(id)) return node;
    return {
      ...node,
      attrs: { ...attributesOfCopy(node.attrs ?? {}), id: newId() },
    };
  });
}

/** Blocks that were cut out of a page during this visit: pasted once, they have moved. */
const cut = new Set<string>();

export function noteCut(ids: readonly string[]): void {
  cut.clear();
  ids.forEach((id) => cut.add(id));
}

/** Takes away what was cut. */
function deleteCut(view: EditorView): void {
  const ids: string[] = [];
  const { from, to } = view.state.selection;
  view.state.doc.nodesBetween(from, to, (node) => void (node.attrs.id && ids.push(String(node.attrs.id))));
  view.dispatch(view.state.tr.deleteSelection().scrollIntoView());
  const left = new Set<string>();
  view.state.doc.forEach((node) => void left.add(String(node.attrs.id)));
  noteCut(ids.filter((id) => !left.has(id)));
}

/** Pastes what is read by the code of other formats; its plain words when that can't be fetched. */
async function paste(
  editor: Editor,
  plain: string,
  read: (formats: Formats, pending: Map<string, string>) => NodeJson[],
): Promise<void> {
  const formats = await loadFormats().catch(() => null);
  if (editor.isDestroyed) return;
  if (!formats) {
    if (plain !== '') pasteBlocks(editor.view, blocksOfPlain(plain));
    const words = plain === '' ? 'This can’t be pasted without a network.' : 'Pasted as plain text, without a network.';
    store.dispatch(noticed({ words }));
    return;
  }
  const pending = new Map<string, string>();
  const blocks = withOwnIds(editor.view, read(formats, pending), (id) => cut.has(id) || pending.has(id));
  blocks.forEach((node) => cut.delete(String(node.attrs?.id)));
  pasteBlocks(editor.view, blocks);
  if (pending.size > 0) await sendPending(editor, pending);
}

export const Clipboard = Extension.create({
  name: 'clipboard',
  // Before what reads single addresses.
  priority: 90,
  onCreate() {
    whenAtRest(() => void loadFormats().catch(() => undefined));
  },
  addProseMirrorPlugins() {
    const { editor } = this;
    /** The key that pastes as plain text was pressed just now. */
    let isPlainKey = false;
    return [
      new Plugin({
        props: {
          handleKeyDown: (_view, event) => {
            isPlainKey = (event.metaKey || event.ctrlKey) && event.shiftKey && event.key.toLowerCase() === 'v';
            return false;
          },
          handleDOMEvents: {
            copy: (view, event) => {
              if (!event.clipboardData || view.state.selection.empty || !writeCopy(view, event.clipboardData))
                return false;
              event.preventDefault();
              return true;
            },
            cut: (view, event) => {
              if (!event.clipboardData || view.state.selection.empty) return false;
              if (!writeCopy(view, event.clipboardData, () => deleteCut(view))) return false;
              event.preventDefault();
              return true;
            },
          },
          handlePaste: (view, event) => {
            const data = event.clipboardData;
            if (!data) return false;
            const isPlain = isPlainKey;
            isPlainKey = false;
            const text = data.getData('text/plain');
            const isLong = text.length > LONG_TEXT;
            const html = isLong ? '' : data.getData('text/html');
            const files = [...data.files];
            // A single address of this place, or of the web, is read as what it is (addresses).
            const isBare = html === '' || !view.state.selection.empty || ownAddress(text.trim()) !== null;
            if (files.length === 0 && isSingleAddress(text) && isBare) return false;
            const isInCell = view.state.selection.$from.depth > 1;
            const isCells = !isLong && (html.includes('<table') || isSheetOfCells(text));
            if (files.length > 0 && !html.includes('<table')) {
              void attachFiles(editor, files);
              return true;
            }
            if (isPlain || view.state.selection.$from.parent.type.spec.code) {
              if (text === '') return false;
              pasteBlocks(view, blocksOfPlain(text));
              return true;
            }
            // A table's own paste spreads cells over cells.
            if (isInCell && isCells) return pasteCells(view, html, text);
            if (html !== '') {
              void paste(editor, text, (formats, pending) =>
                withOuterSpaces(blocksOfHtml(formats, html, pending), text),
              );
              return true;
            }
            if (text === '') return false;
            const markdown = isLong ? '' : data.getData('text/markdown') || (looksLikeMarkdown(text) ? text : '');
            if (!isLong && isSheetOfCells(text)) pasteBlocks(view, [tableOfCells(text)]);
            else if (markdown) void paste(editor, text, (formats) => blocksOfMarkdown(formats, markdown));
            else if (isLong || text.includes('\n')) pasteBlocks(view, blocksOfPlain(text));
            else return false;
            return true;
          },
          handleDrop: (view, event) => {
            const files = [...(event.dataTransfer?.files ?? [])];
            if (files.length === 0) return false;
            event.preventDefault();
            const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
            const index = at
              ? Math.min(view.state.doc.resolve(at.pos).index(0) + 1, view.state.doc.childCount)
              : view.state.doc.childCount;
            void attachFiles(editor, files, positionOf(view.state.doc, index));
            return true;
          },
        },
      }),
    ];
  },
});
