import { useState } from 'react';
import { dayInText, periodTitle, weekdayShort } from '@glossarion/core/journal';
import type { LogEntry, LogMonth, LogOrder } from '@glossarion/core/log';
import type { MarginFilter } from '@glossarion/core/margin';
import { LiveDrawing } from '../../../editor';
import { Box } from '../../../kit/Box';
import { Tap } from '../../../kit/Tap';
import { NearPiece } from '../../../kit/NearPiece';
import { Line, Paragraph, Said } from '../../../kit/Words';
import { useToday } from '../../../screen/useToday';
import { GlossView } from '../GlossView';
import { glossKey } from '../stacks';
import { useLogQuery, type LogWish } from './queries';

/** Entries that are read at once. */
const PIECE = 100;
/** How high an entry is taken to be until it was drawn, in pixels. */
const LIKELY_HEIGHT = 64;

interface LogListProps {
  pageId: string;
  filter: MarginFilter;
  order: LogOrder;
  /** Whether only the days and what they come from are shown. */
  isFolded?: boolean;
  /** What is said when nothing is in it. */
  emptyWords: string;
  /** What is scrolled; the window where nothing is named. */
  root?: string;
}

/** The first piece of a log, with what is known of the whole. */
export function useLogPiece(pageId: string | null, filter: MarginFilter, order: LogOrder) {
  const wish = { id: pageId ?? '', ...filter, order, limit: PIECE };
  const { data, currentData, isError } = useLogQuery(wish, { skip: pageId === null });
  return { piece: currentData ?? data, isError };
}

/** What was said of a page, a month after the other, each line with its day. */
export function LogList({ pageId, filter, order, isFolded = false, emptyWords, root }: LogListProps) {
  const wish = { id: pageId, ...filter, order };
  const { piece: shown, isError } = useLogPiece(pageId, filter, order);
  if (!shown && isError)
    return <Paragraph look="log-empty">It is listed as soon as the server can be reached.</Paragraph>;
  if (!shown) return <Box look="log-waiting" aria-busy />;
  if (shown.count === 0) return <Paragraph look="log-empty">{emptyWords}</Paragraph>;
  let from = 0;
  return (
    // What a line of it holds is none of its business: a log there is only named.
    <LiveDrawing.Provider value={null}>
      <Box look="log">
        {shown.months.map((month) => {
          const begins = from;
          from += month.count;
          const known = from <= shown.entries.length ? shown.entries.slice(begins, from) : null;
          return (
            <Month
              key={month.month}
              month={month}
              from={begins}
              known={known}
              wish={wish}
              isFolded={isFolded}
              root={root}
            />
          );
        })}
      </Box>
    </LiveDrawing.Provider>
  );
}

interface MonthProps {
  month: LogMonth;
  /** The place of its first entry among all. */
  from: number;
  /** Its entries, where all of them were read with the first. */
  known: readonly LogEntry[] | null;
  wish: LogWish;
  isFolded: boolean;
  root?: string;
}

function Month({ month: { month, count }, from, known, wish, isFolded, root }: MonthProps) {
  const [isOpen, setOpen] = useState(true);
  const pieces = Array.from({ length: Math.ceil(count / PIECE) }, (_each, index) => index * PIECE);
  return (
    <Box role="group" look="margin-group log-month" aria-label={periodTitle(month)}>
      <Tap aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        <Said look="strong">{periodTitle(month)}</Said>
        {count > 1 && <Said look="small">{count}</Said>}
      </Tap>
      {isOpen && known && <Entries entries={known} isFolded={isFolded} />}
      {isOpen &&
        !known &&
        pieces.map((begins) => (
          <Piece
            key={begins}
            wish={{ ...wish, from: from + begins, limit: Math.min(PIECE, count - begins) }}
            isFolded={isFolded}
            root={root}
          />
        ))}
    </Box>
  );
}

interface PieceProps {
  wish: LogWish & { limit: number };
  isFolded: boolean;
  root?: string;
}

/** Some entries, read and drawn while they are near what is seen. */
function Piece({ wish, isFolded, root }: PieceProps) {
  const [isWanted, setWanted] = useState(false);
  const { currentData } = useLogQuery(wish, { skip: !isWanted });
  return (
    <NearPiece
      likely={wish.limit * LIKELY_HEIGHT}
      root={root}
      onNear={setWanted}
      unread={<Line look="log-unread">{wish.limit} more, which were not read when this was printed.</Line>}
    >
      {currentData && <Entries entries={currentData.entries} isFolded={isFolded} />}
    </NearPiece>
  );
}

function Entries({ entries, isFolded }: { entries: readonly LogEntry[]; isFolded: boolean }) {
  const today = useToday();
  return entries.map(({ gloss, on, isDone }, index) => (
    <Box key={`${glossKey(gloss)}${isDone ? ` ${on}` : ''}`} look="log-entry">
      <Said
        look="log-day"
        dataSet={{ again: entries[index - 1]?.on === on || undefined, today: on === today || undefined }}
      >
        <Said look="log-number">{Number(on.slice(8))}</Said> {weekdayShort(on)}
      </Said>
      <Box look="log-said">
        {isDone && <Said look="log-done">Done on {dayInText(on, today)}</Said>}
        <GlossView gloss={gloss} isFolded={isFolded} />
      </Box>
    </Box>
  ));
}
