import type { NodeConfig } from '@tiptap/core';
import type { Element, ElementContent } from 'hast';
import type { AlignType, Table as MarkdownTable, TableRow } from 'mdast';
import { oneOf, type Attribute, type Attributes } from '../attributes';
import type { NodeJson } from '../types';
import { element, orNone, type HtmlReading, type MarkdownReading, type SaidAttributes, type SolidKind } from './kind';
import { paragraphOf, solidBlock } from './made';

const ALIGNS = ['left', 'center', 'right'] as const;

/** Cells are not merged; the names and meanings of these three are those of prosemirror-tables. */
const ONE: Attribute = { default: 1, check: (value) => value === 1, read: () => 1, write: () => '1' };

const isWidth = (value: unknown): boolean => typeof value === 'number' && value >= 20 && value <= 2000;

const width: Attribute = {
  default: null,
  check: (value) =>
    value === null || value === undefined || (Array.isArray(value) && value.length === 1 && isWidth(value[0])),
  read: (text) => (isWidth(Number(text)) ? [Number(text)] : undefined),
  write: (value) => String((value as number[])[0]),
};

const cellAttributes = { align: oneOf(ALIGNS), colspan: ONE, rowspan: ONE, colwidth: width } satisfies Attributes;

/** What a node is to prosemirror-tables. Every node is asked of, so that each answers for itself alone. */
const tableRole =
  (name: string, role: string) =>
  (extension: { name: string }): Record<string, unknown> =>
    extension.name === name ? { tableRole: role } : {};

const cell = (name: string, tag: string, role: string): { node: Partial<NodeConfig>; attributes: Attributes } => ({
  node: {
    content: 'block+',
    isolating: true,
    extendNodeSchema: tableRole(name, role),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  },
  attributes: cellAttributes,
});

/** Whether the first row, the first column, both or neither are headers. */
function headersOf(rows: readonly NodeJson[]): 'row' | 'column' | 'both' | 'none' {
  const isHeader = (row: number, column: number) => rows[row]?.content?.[column]?.type === 'tableHeader';
  const isRow = isHeader(0, 1) || (isHeader(0, 0) && (rows[0]?.content?.length ?? 0) < 2 && !isHeader(1, 0));
  const isColumn = isHeader(1, 0) || (rows.length < 2 && isHeader(0, 0) && !isRow);
  return isRow && isColumn ? 'both' : isRow ? 'row' : isColumn ? 'column' : 'none';
}

/** A table with the headers and widths that were said. Markdown's own first row is empty when no row is a header. */
function withColumns(table: NodeJson, { headers = 'row', widths }: SaidAttributes): NodeJson {
  const sizes = widths?.split(',').map((size) => (Number(size) > 0 ? [Number(size)] : null));
  const rows = headers === 'column' || headers === 'none' ? table.content?.slice(1) : table.content;
  const isHeader = (row: number, column: number) =>
    (row === 0 && (headers === 'row' || headers === 'both')) ||
    (column === 0 && (headers === 'column' || headers === 'both'));
  return {
    ...table,
    content: rows?.map((row, index) => ({
      ...row,
      content: row.content?.map((each, column) => ({
        ...each,
        type: isHeader(index, column) ? 'tableHeader' : 'tableCell',
        attrs: { ...each.attrs, colwidth: sizes?.[column] ?? null },
      })),
    })),
  };
}

const elements = (children: readonly ElementContent[]): Element[] =>
  children.filter((child): child is Element => child.type === 'element');

/** Rows of a table, wherever it keeps them; those of a table within it belong to that. */
const rowsOf = (table: Element): Element[] =>
  elements(table.children).flatMap((child) =>
    child.tagName === 'tr' ? [child] : ['thead', 'tbody', 'tfoot'].includes(child.tagName) ? rowsOf(child) : [],
  );

const span = (value: unknown): number => Math.max(1, Math.min(100, Math.trunc(Number(value ?? 1)) || 1));

const emptyCell = (type: string): NodeJson => ({ type, content: [paragraphOf('')] });

function readCell(read: Element, type: string, reading: HtmlReading): NodeJson {
  const style = /text-align\s*:\s*(left|center|right)/iu.exec(String(read.properties.style ?? ''))?.[1];
  const align = ALIGNS.find((each) => each === (read.properties.align ?? style?.toLowerCase())) ?? null;
  const size = Number(read.properties.dataWidth);
  const lines = reading.lines(read);
  return {
    type,
    attrs: { align, colwidth: isWidth(size) ? [size] : null },
    content: lines.length > 0 ? lines : [paragraphOf('')],
  };
}

/** The rows of a table; a cell over several columns or rows stands in the first, and the others are empty. */
function readRows(read: Element, reading: HtmlReading): NodeJson[] {
  const grid: NodeJson[][] = [];
  rowsOf(read).forEach((row, index) => {
    grid[index] ??= [];
    let column = 0;
    for (const each of elements(row.children)) {
      if (each.tagName !== 'td' && each.tagName !== 'th') continue;
      while (grid[index]![column]) column += 1;
      const type = each.tagName === 'th' ? 'tableHeader' : 'tableCell';
      for (let down = 0; down < span(each.properties.rowSpan); down += 1) {
        for (let along = 0; along < span(each.properties.colSpan); along += 1) {
          (grid[index + down] ??= [])[column + along] = emptyCell(type);
        }
      }
      grid[index]![column] = readCell(each, type, reading);
    }
  });
  const columns = Math.max(0, ...grid.map((row) => row.length));
  if (columns === 0) return [];
  return grid.map((row) => ({
    type: 'tableRow',
    content: Array.from({ length: columns }, (_cell, column) => row[column] ?? emptyCell('tableCell')),
  }));
}

function writeRow(row: NodeJson, lines: (cell: NodeJson) => Element[]): Element {
  const cells = (row.content ?? []).map((each) => {
    const { align, colwidth } = each.attrs ?? {};
    const properties = { align: orNone(align), dataWidth: Array.isArray(colwidth) ? String(colwidth[0]) : undefined };
    return element(each.type === 'tableHeader' ? 'th' : 'td', properties, lines(each));
  });
  return element('tr', {}, cells);
}

export const table: SolidKind = {
  name: 'table',
  isText: false,
  node: {
    content: 'tableRow+',
    isolating: true,
    extendNodeSchema: tableRole('table', 'table'),
    parseHTML: () => [{ tag: 'table' }],
    renderHTML: ({ HTMLAttributes }) => ['table', HTMLAttributes, ['tbody', 0]],
  },
  parts: {
    tableRow: {
      node: {
        content: '(tableCell|tableHeader)*',
        extendNodeSchema: tableRole('tableRow', 'row'),
        parseHTML: () => [{ tag: 'tr' }],
        renderHTML: ({ HTMLAttributes }) => ['tr', HTMLAttributes, 0],
      },
      attributes: {},
    },
    tableCell: cell('tableCell', 'td', 'cell'),
    tableHeader: cell('tableHeader', 'th', 'header_cell'),
  },
  knownBy: 'Table',
  markdown: {
    write: (node, writing) => {
      const rows = node.content ?? [];
      const headers = headersOf(rows);
      const first = rows[0]?.content ?? [];
      const widths = first.map((each) => (each.attrs?.colwidth as number[] | null | undefined)?.[0] ?? 'auto');
      const isSized = widths.some((each) => each !== 'auto');
      const more = writing.isWhole
        ? { headers: headers === 'row' ? null : headers, widths: isSized ? widths.join(',') : null }
        : {};
      const written: TableRow[] = rows.map((row) => ({
        type: 'tableRow',
        children: (row.content ?? []).map((each) => ({ type: 'tableCell', children: writing.cell(each) })),
      }));
      if (headers === 'column' || headers === 'none') {
        written.unshift({ type: 'tableRow', children: first.map(() => ({ type: 'tableCell', children: [] })) });
      }
      const align = first.map((each) => (each.attrs?.align as AlignType | undefined) ?? null);
      return [...writing.said(more), { type: 'table', align, children: written }];
    },
    reads: {
      table: (node: MarkdownTable, depth: number, reading: MarkdownReading) => {
        const rows = node.children.map((row, index) => ({
          type: 'tableRow',
          content: row.children.map((each, column) => ({
            type: index === 0 ? 'tableHeader' : 'tableCell',
            attrs: { align: node.align?.[column] ?? null },
            content: reading.cell(each),
          })),
        }));
        return [solidBlock('table', { depth }, rows)];
      },
    },
    withSaid: withColumns,
  },
  html: {
    write: (node, data, writing) =>
      element('table', data, [
        element(
          'tbody',
          {},
          (node.content ?? []).map((row) => writeRow(row, writing.lines)),
        ),
      ]),
    reads: {
      table: (read, reading, { depth }) => {
        const rows = readRows(read, reading);
        if (rows.length > 0) reading.push(solidBlock('table', { depth, ...reading.saidOf(read) }, rows));
      },
    },
  },
};
