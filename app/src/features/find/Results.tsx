import type { MarkedPiece } from '@glossarion/core/find';
import { localDay, nearDate } from '@glossarion/core/journal';
import { SEASON_WORDS } from '@glossarion/core/outline';
import { Box } from '../../kit/Box';
import { hasPointerMoved } from '../../kit/movedPointer';
import { Way } from '../../kit/Way';
import { Mark, Said } from '../../kit/Words';
import { whereWords } from '../../screen/words';
import { pigmentColour } from '../../theme/tokens';
import type { ResultRow } from './rows';

interface ResultsProps {
  label: string;
  rows: readonly ResultRow[];
  active: number;
  onChoose: (index: number) => void;
  onOpen: (row: ResultRow) => void;
}

/** What was found: pages, each with the lines that fit beneath it. */
export function Results({ label, rows, active, onChoose, onOpen }: ResultsProps) {
  const groups: { index: number; row: ResultRow }[][] = [];
  rows.forEach((row, index) => {
    if (row.blockId === null) groups.push([{ index, row }]);
    else groups[groups.length - 1]!.push({ index, row });
  });
  return (
    <Box role="listbox" id="findings" aria-label={label} look="findings">
      {groups.map((group) => (
        <Box
          role="group"
          key={group[0]!.row.id}
          aria-label={group[0]!.row.target.title}
          look="finding"
          style={{
            borderInlineStartColor: pigmentColour(group[0]!.row.target.day ? null : group[0]!.row.target.pigment),
          }}
        >
          {group.map(({ index, row }) => (
            <Way
              key={row.id}
              role="option"
              id={`finding-${index}`}
              aria-selected={index === active}
              tabIndex={-1}
              to={row.address}
              look={`${row.blockId === null ? 'finding-page' : 'finding-line'}${index === active ? ' active' : ''}`}
              onPointerMove={(event) => hasPointerMoved(event.nativeEvent) && onChoose(index)}
              onOpen={() => onOpen(row)}
            >
              {row.blockId === null ? <Page row={row} /> : <Pieces pieces={row.pieces} />}
            </Way>
          ))}
        </Box>
      ))}
    </Box>
  );
}

function Page({ row: { target, pieces, changedAt } }: { row: ResultRow }) {
  const changed = changedAt ? nearDate(localDay(new Date(changedAt)), localDay(new Date())) : '';
  const said = [whereWords(target) || target.kind, SEASON_WORDS[target.season], changed].filter(Boolean);
  return (
    <>
      <Said look="finding-title" dir="auto">
        <Pieces pieces={pieces} />
      </Said>
      <Said look="finding-trail">{said.join(' · ')}</Said>
    </>
  );
}

function Pieces({ pieces }: { pieces: readonly MarkedPiece[] }) {
  return (
    <>
      {pieces.map(({ text, isMarked }, index) =>
        isMarked ? <Mark key={index}>{text}</Mark> : <Said key={index}>{text}</Said>,
      )}
    </>
  );
}
