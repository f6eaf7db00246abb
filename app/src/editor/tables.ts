import { Extension } from '@tiptap/core';
import { Fragment, Slice, type Node as DocumentNode } from '@tiptap/pm/model';
import { Selection, TextSelection, type Command, type EditorState, type Transaction } from '@tiptap/pm/state';
import {
  addColumnAfter,
  addColumnBefore,
  addRowAfter,
  addRowBefore,
  CellSelection,
  columnResizing,
  deleteColumn,
  deleteRow,
  deleteTable,
  findTable,
  goToNextCell,
  handlePaste as pasteIntoTable,
  isInTable,
  moveTableColumn,
  moveTableRow,
  selectedRect,
  tableEditing,
  TableMap,
  TableView,
  toggleHeader,
} from '@tiptap/pm/tables';
import type { EditorView, ViewMutationRecord } from '@tiptap/pm/view';
import { block, newId, ownWords, type NodeJson } from '@glossarion/core/document';
import { elementIdOf } from '../screen/blockPlace';
import { isRightToLeft } from './direction';

const cell = (type: string, words = ''): NodeJson => ({
  type,
  attrs: { align: null, colspan: 1, rowspan: 1, colwidth: null },
  content: [block('paragraph', words)],
});

/** A table's node from its words, row by row; the first row is its head. */
export const tableNode = (rows: readonly (readonly string[])[], hasHead = true): NodeJson => {
  const width = Math.max(1, ...rows.map((row) => row.length));
  return {
    type: 'table',
    attrs: { id: newId(), depth: 0, tint: null },
    content: rows.map((row, index) => ({
      type: 'tableRow',
      content: Array.from({ length: width }, (_each, column) =>
        cell(index === 0 && hasHead ? 'tableHeader' : 'tableCell', row[column] ?? ''),
      ),
    })),
  };
};

/** Rows as spreadsheets put them on the clipboard: cells parted by tabs; one with a line end or a quote in quotes. */
export function cellsOf(text: string): string[][] {
  const rows: string[][] = [[]];
  const pattern = /"((?:[^"]|"")*)"(?=\t|\r?\n|$)|([^\t\r\n]*)/y;
  let place = 0;
  while (place <= text.length) {
    pattern.lastIndex = place;
    const match = pattern.exec(text)!;
    rows
      .at(-1)!
      .push(match[1] !== undefined ? match[1].replaceAll('""', '"').replace(/\s*\r?\n\s*/gu, ' ') : match[2]!);
    place = pattern.lastIndex;
    if (place >= text.length) break;
    if (text[place] === '\t') place += 1;
    else {
      place += text.startsWith('\r\n', place) ? 2 : 1;
      if (place >= text.length) break;
      rows.push([]);
    }
  }
  return rows;
}

/** Whether a text is cells of a spreadsheet: more than one in its first row, and as many in each. */
export function isSheetOfCells(text: string): boolean {
  if (!text.includes('\t')) return false;
  const rows = cellsOf(text);
  return rows[0]!.length > 1 && rows.every((row) => row.length === rows[0]!.length);
}

export const tableOfCells = (text: string): NodeJson => tableNode(cellsOf(text));

/** Spreads rows of words over the cells from the one with the cursor on; rows and columns are added as needed. */
export function pasteCells(view: EditorView, html: string, text: string): boolean {
  if (!isInTable(view.state)) return false;
  const rows = isSheetOfCells(text) ? cellsOf(text) : rowsOfHtml(html);
  if (rows.length === 0) return false;
  const slice = new Slice(Fragment.from(view.state.schema.nodeFromJSON(tableNode(rows, false))), 0, 0);
  return pasteIntoTable(view, new ClipboardEvent('paste'), slice);
}

/** The words of the first table in what was copied, cell by cell. */
function rowsOfHtml(html: string): string[][] {
  const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table');
  return [...(table?.rows ?? [])].map((row) =>
    [...row.cells].map((each) => each.textContent.replace(/\s+/gu, ' ').trim()),
  );
}

/** Sorts the rows below the head by the column with the cursor: numbers as numbers, words as they are read. */
export function sortRows(isDescending: boolean): Command {
  return (state, dispatch) => {
    if (!isInTable(state)) return false;
    const { table, tableStart, left } = selectedRect(state);
    const rows: DocumentNode[] = [];
    table.forEach((row) => void rows.push(row));
    const headRows = rows.findIndex((row) => row.child(Math.min(1, row.childCount - 1)).type.name !== 'tableHeader');
    const head = rows.slice(0, Math.max(0, headRows));
    const words = (row: DocumentNode) => ownWords(row.child(left).toJSON() as NodeJson).trim();
    const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });
    const sorted = rows.slice(head.length).sort((one, other) => {
      const [first, second] = [words(one), words(other)];
      // What is empty stays at the end, whichever way.
      if (first === '' || second === '') return Number(first === '') - Number(second === '');
      const [a, b] = [numberOf(first), numberOf(second)];
      const order = a !== null && b !== null ? a - b : collator.compare(first, second);
      return isDescending ? -order : order;
    });
    if (dispatch) {
      const transaction = state.tr.replaceWith(
        tableStart,
        tableStart + table.content.size,
        Fragment.from([...head, ...sorted]),
      );
      // The cursor goes along with its cell.
      const { top } = selectedRect(state);
      const row = top < head.length ? top : head.length + sorted.indexOf(rows[top]!);
      const sortedTable = transaction.doc.nodeAt(tableStart - 1)!;
      const cellAt = tableStart + TableMap.get(sortedTable).positionAt(row, left, sortedTable);
      dispatch(transaction.setSelection(TextSelection.near(transaction.doc.resolve(cellAt + 1))));
    }
    return true;
  };
}

/** "£1,140.50" is a number; "11 logs" is not. */
function numberOf(words: string): number | null {
  const bare = words.replace(/^[£$€]\s?|\s?[%£$€]$/gu, '').replace(/(?<=\d)[, ](?=\d{3})/gu, '');
  return /^[+-]?\d+(?:\.\d+)?$/u.test(bare) ? Number(bare) : null;
}

/** Whether the columns of the table with the cursor run from right to left, as it is shown. */
function isTableRightToLeft(state: EditorState, view: EditorView | undefined): boolean {
  const at = tableAt(state);
  const shown = at && view ? (view.nodeDOM(at.position) as Partial<HTMLElement> | null) : null;
  const table = shown?.querySelector?.('table');
  return table ? getComputedStyle(table).direction === 'rtl' : false;
}

const moveBy =
  (axis: 'row' | 'column', by: 1 | -1): Command =>
  (state, dispatch, view) => {
    if (!isInTable(state)) return false;
    const { top, left, map } = selectedRect(state);
    const from = axis === 'row' ? top : left;
    // To the left is where one sees it.
    const to = axis === 'column' && isTableRightToLeft(state, view) ? from - by : from + by;
    if (to < 0 || to >= (axis === 'row' ? map.height : map.width)) return false;
    return (axis === 'row' ? moveTableRow : moveTableColumn)({ from, to })(state, dispatch);
  };

const align =
  (side: 'left' | 'center' | 'right'): Command =>
  (state, dispatch) => {
    if (!isInTable(state)) return false;
    const { table, tableStart, left, right, map } = selectedRect(state);
    const transaction = state.tr;
    for (let row = 0; row < map.height; row += 1) {
      for (let column = left; column < right; column += 1) {
        const position = map.map[row * map.width + column]!;
        const present = table.nodeAt(position)!;
        const next = present.attrs.align === side || side === 'left' ? null : side;
        transaction.setNodeAttribute(tableStart + position, 'align', next);
      }
    }
    dispatch?.(transaction);
    return true;
  };

/** Makes the columns of the cursor narrower or wider, for those who can't drag their edges. */
const widen =
  (by: number): Command =>
  (state, dispatch, view) => {
    if (!isInTable(state)) return false;
    const { table, tableStart, left, right, map } = selectedRect(state);
    const transaction = state.tr;
    for (let column = left; column < right; column += 1) {
      const first = map.map[column]!;
      const shown = view?.nodeDOM(tableStart + first) as HTMLElement | null | undefined;
      const present =
        (table.nodeAt(first)!.attrs.colwidth as number[] | null)?.[0] ?? Math.round(shown?.offsetWidth ?? 120);
      const width = Math.max(40, Math.min(900, present + by));
      for (let row = 0; row < map.height; row += 1) {
        transaction.setNodeAttribute(tableStart + map.map[row * map.width + column]!, 'colwidth', [width]);
      }
    }
    dispatch?.(transaction);
    return true;
  };

export const TABLE_GROUPS = ['row', 'column', 'table'] as const;
/** What a tool of a table is about. */
export type TableGroup = (typeof TABLE_GROUPS)[number];
export const TABLE_GROUP_WORDS: Record<TableGroup, string> = { row: 'Row …', column: 'Column …', table: 'Table …' };

export interface TableDeed {
  words: string;
  group: TableGroup;
  run: Command;
  /** Whether it is at hand at once. */
  isFirst?: boolean;
  isDanger?: boolean;
}

/** What can be done with a table where the cursor is, in the order it is offered. */
export const TABLE_DEEDS: readonly TableDeed[] = [
  { words: 'Row below', group: 'row', run: addRowAfter, isFirst: true },
  { words: 'Row above', group: 'row', run: addRowBefore },
  { words: 'Row up', group: 'row', run: moveBy('row', -1) },
  { words: 'Row down', group: 'row', run: moveBy('row', 1) },
  { words: 'Delete row', group: 'row', run: deleteRow, isDanger: true },
  { words: 'Column after', group: 'column', run: addColumnAfter, isFirst: true },
  { words: 'Column before', group: 'column', run: addColumnBefore },
  { words: 'Column left', group: 'column', run: moveBy('column', -1) },
  { words: 'Column right', group: 'column', run: moveBy('column', 1) },
  { words: 'Sort up', group: 'column', run: sortRows(false), isFirst: true },
  { words: 'Sort down', group: 'column', run: sortRows(true) },
  { words: 'Align left', group: 'column', run: align('left') },
  { words: 'Centre', group: 'column', run: align('center') },
  { words: 'Align right', group: 'column', run: align('right') },
  { words: 'Wider', group: 'column', run: widen(40) },
  { words: 'Narrower', group: 'column', run: widen(-40) },
  { words: 'Delete column', group: 'column', run: deleteColumn, isDanger: true },
  { words: 'Head row', group: 'table', run: toggleHeader('row') },
  { words: 'Head column', group: 'table', run: toggleHeader('column') },
  { words: 'Delete table', group: 'table', run: deleteTable, isDanger: true },
];

/** The table with the cursor and where it begins; null out of tables. */
export const tableAt = (state: EditorState): { position: number } | null => {
  const found = findTable(state.selection.$from);
  return found ? { position: found.pos } : null;
};

/** Tab goes to the next cell, and on from the last to a new row. */
const nextCell: Command = (state, dispatch, view) => {
  if (!isInTable(state)) return false;
  if (goToNextCell(1)(state, dispatch)) return true;
  if (!dispatch) return true;
  addRowAfter(state, dispatch);
  if (view) goToNextCell(1)(view.state, view.dispatch);
  return true;
};

/**
 * An arrow at the end of a line of a table that runs from right to left goes to what one sees there: the next line, not
 * the one before. From left to right the library's own key does so.
 */
const arrow =
  (side: 'left' | 'right'): Command =>
  (state, dispatch, view) => {
    const { selection, doc } = state;
    if (!view || !isInTable(state) || !(selection instanceof TextSelection) || !selection.empty) return false;
    if (!isRightToLeft(view) || !view.endOfTextblock(side)) return false;
    const by = side === 'left' ? 1 : -1;
    const next = Selection.findFrom(doc.resolve(by === 1 ? selection.$head.after() : selection.$head.before()), by);
    if (next) dispatch?.(state.tr.setSelection(next).scrollIntoView());
    return true;
  };

/** Down from the last line of a page's last table there is always a line to write in. */
function lineAfterTable(state: EditorState): Transaction | null {
  const last = state.doc.lastChild;
  if (last?.type.name !== 'table') return null;
  return state.tr.insert(state.doc.content.size, state.schema.nodes.block!.create({ id: newId() }));
}

/** The words of the cells that are chosen, row by row. */
export function cellRows(selection: CellSelection): string[][] {
  const table = selection.$anchorCell.node(-1);
  const map = TableMap.get(table);
  const start = selection.$anchorCell.start(-1);
  const { left, right, top, bottom } = map.rectBetween(
    selection.$anchorCell.pos - start,
    selection.$headCell.pos - start,
  );
  const rows: string[][] = [];
  for (let row = top; row < bottom; row += 1) {
    const cells: string[] = [];
    for (let column = left; column < right; column += 1) {
      const node = table.nodeAt(map.map[row * map.width + column]!)!;
      cells.push(node.textBetween(0, node.content.size, ' ', ' '));
    }
    rows.push(cells);
  }
  return rows;
}

/** A table that scrolls within its own frame and shows its columns in the widths they were given. */
class PageTableView extends TableView {
  constructor(node: DocumentNode, defaultCellMinWidth: number) {
    super(node, defaultCellMinWidth);
    this.place(node);
  }

  private place(node: DocumentNode): void {
    const { id, depth, tint } = node.attrs as Record<string, string | number | null>;
    this.dom.id = id ? elementIdOf(String(id)) : '';
    this.dom.dataset.depth = String(depth ?? 0);
    this.dom.style.setProperty('--depth', String(depth ?? 0));
    if (tint) this.dom.dataset.tint = String(tint);
    else delete this.dom.dataset.tint;
    const isSized = node.firstChild?.content.content.some((each) => each.attrs.colwidth) ?? false;
    this.table.classList.toggle('sized', isSized);
  }

  override update(node: DocumentNode): boolean {
    if (!super.update(node)) return false;
    this.place(node);
    return true;
  }

  override ignoreMutation(mutation: ViewMutationRecord): boolean {
    // What its frame says of itself is none of the text.
    return (mutation.type === 'attributes' && mutation.target === this.dom) || super.ignoreMutation(mutation);
  }
}

export const Tables = Extension.create({
  name: 'tables',
  priority: 600,
  addKeyboardShortcuts() {
    const run = (command: Command) => () => command(this.editor.state, this.editor.view.dispatch, this.editor.view);
    return {
      Tab: run(nextCell),
      'Shift-Tab': run((state, dispatch) => isInTable(state) && (goToNextCell(-1)(state, dispatch) || true)),
      ArrowLeft: run(arrow('left')),
      ArrowRight: run(arrow('right')),
      ArrowDown: () => {
        const { state, view } = this.editor;
        const transaction = isInTable(state) && view.endOfTextblock('down') ? lineAfterTable(state) : null;
        if (transaction) view.dispatch(transaction);
        return false;
      },
    };
  },
  addProseMirrorPlugins: () => [
    columnResizing({
      handleWidth: 6,
      cellMinWidth: 40,
      defaultCellMinWidth: 60,
      View: PageTableView,
      lastColumnResizable: true,
    }),
    tableEditing({ allowTableNodeSelection: false }),
  ],
});
