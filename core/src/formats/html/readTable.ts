import type { Element, ElementContent } from 'hast';
import { block } from '../../document/build';
import { newId } from '../../document/ids';
import { ownWords } from '../../document/text';
import type { NodeJson } from '../../document/types';
import { BlockReader, readChildren, type HtmlContext } from './read';

const elements = (children: readonly ElementContent[]): Element[] =>
  children.filter((child): child is Element => child.type === 'element');

/** Rows of a table, wherever it keeps them; those of a table within it belong to that. */
const rowsOf = (element: Element): Element[] =>
  elements(element.children).flatMap((child) =>
    child.tagName === 'tr' ? [child] : ['thead', 'tbody', 'tfoot'].includes(child.tagName) ? rowsOf(child) : [],
  );

const span = (value: unknown): number => Math.max(1, Math.min(100, Math.trunc(Number(value ?? 1)) || 1));

const emptyCell = (type: string): NodeJson => ({
  type,
  attrs: { align: null, colspan: 1, rowspan: 1, colwidth: null },
  content: [block('paragraph')],
});

/** Reads a table; a cell over several columns or rows stands in the first, and the others are empty. */
export function readTable(element: Element, context: HtmlContext): NodeJson | null {
  const grid: NodeJson[][] = [];
  rowsOf(element).forEach((row, index) => {
    grid[index] ??= [];
    let column = 0;
    for (const cell of elements(row.children)) {
      if (cell.tagName !== 'td' && cell.tagName !== 'th') continue;
      while (grid[index]![column]) column += 1;
      const type = cell.tagName === 'th' ? 'tableHeader' : 'tableCell';
      for (let down = 0; down < span(cell.properties.rowSpan); down += 1) {
        for (let along = 0; along < span(cell.properties.colSpan); along += 1) {
          (grid[index + down] ??= [])[column + along] = emptyCell(type);
        }
      }
      grid[index]![column] = readCell(cell, type, context);
    }
  });
  const width = Math.max(0, ...grid.map((row) => row.length));
  if (width === 0) return null;
  const content = grid.map((row) => ({
    type: 'tableRow',
    content: Array.from({ length: width }, (_cell, column) => row[column] ?? emptyCell('tableCell')),
  }));
  return { type: 'table', attrs: { id: newId(), depth: 0, tint: null }, content };
}

const ALIGNS = ['left', 'center', 'right'];

function readCell(cell: Element, type: string, context: HtmlContext): NodeJson {
  const reader = new BlockReader(context);
  readChildren(cell.children, reader, { depth: 0, kind: 'paragraph', list: null }, []);
  reader.end();
  // A cell holds lines of text; what else was in it leaves its words.
  const lines = reader.blocks.flatMap((node) => {
    if (node.type === 'block') return [{ ...node, attrs: { ...node.attrs, depth: 0 } }];
    const words = ownWords(node).trim();
    return words ? [block('paragraph', words.replace(/\s*\n\s*/gu, ' '))] : [];
  });
  const style = /text-align\s*:\s*(left|center|right)/iu.exec(String(cell.properties.style ?? ''))?.[1];
  const align = ALIGNS.find((each) => each === (cell.properties.align ?? style?.toLowerCase())) ?? null;
  const width = Number(cell.properties.dataWidth);
  return {
    type,
    attrs: { align, colspan: 1, rowspan: 1, colwidth: width >= 20 && width <= 2000 ? [width] : null },
    content: lines.length > 0 ? lines : [block('paragraph')],
  };
}
