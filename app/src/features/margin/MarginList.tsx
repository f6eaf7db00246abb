import { useEffect, useState } from 'react';
import { dayInText, localDay, nearDate } from '@glossarion/core/journal';
import type { Gloss, GlossOrder, MarginFilter } from '@glossarion/core/margin';
import { useMarginQuery, type MarginWish } from '../../state/api';
import { trailWords } from '../../screen/words';
import { GlossView } from './GlossView';
import { logPart } from './log/logPart';
import { glossKey, besideWords, type ShownStack } from './stacks';
import { BESIDE, type MarginState } from './useMargin';
import { Box } from '../../kit/Box';
import { around } from '../../kit/later';
import { Tap } from '../../kit/Tap';
import { NearPiece } from '../../kit/NearPiece';
import { Heading, Said } from '../../kit/Words';

const LogList = around(logPart('LogList'));

/** Glosses of a long Margin that are read at once. */
const PIECE = 100;
/** How high a gloss is taken to be until it was drawn, in pixels. */
const LIKELY_HEIGHT = 74;

interface Grouped {
  key: string;
  words: string;
  detail: string;
  glosses: Gloss[];
}

/** What glosses are gathered by: the page or the day they come from. */
type GatheredBy = 'page' | 'day';

/** Glosses gathered, in the order in which each group is met. */
function grouped(glosses: readonly Gloss[], by: GatheredBy): Grouped[] {
  const today = localDay(new Date());
  const groups = new Map<string, Grouped>();
  for (const gloss of glosses) {
    const on = gloss.day ?? gloss.heldOn ?? localDay(new Date(gloss.changedAt));
    const key = by === 'page' ? gloss.pageId : on;
    const known = groups.get(key);
    if (known) known.glosses.push(gloss);
    else {
      const ofPage = gloss.day ? dayInText(on, today) : gloss.pageTitle;
      const words = by === 'page' ? ofPage : nearDate(on, today);
      const detail = by === 'page' && !gloss.day ? trailWords(gloss.trail) : '';
      groups.set(key, { key, words: words[0]!.toUpperCase() + words.slice(1), detail, glosses: [gloss] });
    }
  }
  return [...groups.values()];
}

/** All that points at a page, gathered by the page or the day it comes from, or by date as a log. */
export function GatheredGlosses({ margin, by, root }: { margin: MarginState; by: GatheredBy | 'log'; root: string }) {
  const { pageId, filter, order, glosses } = margin;
  const isFolded = margin.view.isFolded === true;
  if (by === 'log') {
    return (
      <LogList
        pageId={pageId}
        filter={filter}
        order={order === 'oldest' ? 'oldest' : 'newest'}
        isFolded={isFolded}
        emptyWords="Nothing that is shown was said of it."
        root={root}
      />
    );
  }
  return (
    <>
      {grouped(glosses, by).map((group) => (
        <GroupView key={group.key} group={group} by={by} isFolded={isFolded} />
      ))}
      <OlderGlosses margin={margin} root={root} />
    </>
  );
}

function GroupView({ group, by, isFolded }: { group: Grouped; by: GatheredBy; isFolded: boolean }) {
  const [isOpen, setOpen] = useState(!isFolded);
  useEffect(() => setOpen(!isFolded), [isFolded]);
  return (
    <Box role="region" look="margin-group">
      <Tap aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        <Said look="strong">{group.words}</Said>
        {group.detail && <Said look="gloss-detail"> {group.detail}</Said>}
        {group.glosses.length > 1 && <Said look="small">{group.glosses.length}</Said>}
      </Tap>
      {isOpen &&
        group.glosses.map((gloss) => <GlossView key={glossKey(gloss)} gloss={gloss} isWithin={by === 'page'} />)}
    </Box>
  );
}

interface StackRestProps {
  pageId: string;
  stack: ShownStack;
  filter: MarginFilter;
  order: GlossOrder;
  /** How many of its glosses stand before. */
  from: number;
  isFolded: boolean;
}

/** What of a stack was not read with the page, as a list that is read as it comes into view. */
export function StackRest({ pageId, stack, filter, order, from, isFolded }: StackRestProps) {
  const left = stack.count - from;
  return Array.from({ length: Math.ceil(left / PIECE) }, (_each, index) => (
    <Piece
      key={index}
      wish={{
        id: pageId,
        ...filter,
        order,
        line: stack.key,
        from: from + index * PIECE,
        limit: Math.min(PIECE, left - index * PIECE),
      }}
      beside={besideWords(stack)}
      isFolded={isFolded}
    />
  ));
}

/** What is older than the glosses beside the text, as a list that is read as it comes into view. */
function OlderGlosses({ margin, root }: { margin: MarginState; root: string }) {
  const older = margin.count - BESIDE;
  if (older <= 0) return null;
  const pieces = Array.from({ length: Math.ceil(older / PIECE) }, (_each, index) => index);
  return (
    <Box role="region" look="margin-older" aria-label="Older glosses">
      <Heading level={3}>
        Older <Said>{older}</Said>
      </Heading>
      {pieces.map((index) => (
        <Piece
          key={index}
          wish={{
            id: margin.pageId,
            ...margin.filter,
            order: margin.order,
            from: BESIDE + index * PIECE,
            limit: Math.min(PIECE, older - index * PIECE),
          }}
          isFolded={margin.view.isFolded === true}
          root={root}
        />
      ))}
    </Box>
  );
}

interface PieceProps {
  wish: MarginWish & { limit: number };
  beside?: string;
  isFolded: boolean;
  /** What is scrolled; the window where nothing is named. */
  root?: string;
}

/** Some glosses, drawn while they are near what is seen; else their room is kept. */
function Piece({ wish, beside, isFolded, root }: PieceProps) {
  const [isWanted, setWanted] = useState(false);
  const { currentData } = useMarginQuery(wish, { skip: !isWanted });
  return (
    <NearPiece likely={wish.limit * LIKELY_HEIGHT} root={root} onNear={setWanted}>
      {currentData?.glosses.map((gloss) => (
        <Box key={glossKey(gloss)} look="margin-list-gloss">
          <GlossView gloss={gloss} isFolded={isFolded} beside={beside} />
        </Box>
      ))}
    </NearPiece>
  );
}
