import { InlineView } from '../InlineView';
import { putBlock } from '../put';
import { tableNode } from '../tables';
import type { KindView, StillProps } from './kind';

function StillTable({ node }: StillProps) {
  return (
    <table>
      <tbody>
        {(node.content ?? []).map((row, index) => (
          <tr key={index}>
            {(row.content ?? []).map((cell, column) => {
              const Cell = cell.type === 'tableHeader' ? 'th' : 'td';
              return (
                <Cell key={column} data-align={(cell.attrs?.align as string | null) ?? undefined}>
                  {(cell.content ?? []).map((line, place) => (
                    <InlineView key={place} node={line} />
                  ))}
                </Cell>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export const table: KindView = {
  name: 'table',
  offers: [
    {
      words: 'Table',
      detail: 'three columns to begin with',
      also: 'grid spreadsheet rows columns cells',
      insert: (editor) =>
        putBlock(
          editor,
          tableNode([
            ['', '', ''],
            ['', '', ''],
            ['', '', ''],
          ]),
        ),
    },
  ],
  // Its view comes with its tools (tables.ts).
  withView: (node) => node,
  Still: StillTable,
};
