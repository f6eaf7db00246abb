import { Fragment, useState } from 'react';
import { dayInText } from '@glossarion/core/journal';
import type { Gloss, TagLines as Found, TagOrder } from '@glossarion/core/margin';
import type { TagTree } from '@glossarion/core/tags';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { Empty } from '../../kit/Empty';
import { NearPiece } from '../../kit/NearPiece';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Line, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { useToday } from '../../screen/useToday';
import type { MarginView } from '../../state/types';
import { useWindowWidth } from '../../theme/rem';
import { measure } from '../../theme/tokens';
import { Choice, Choices, FromChoices, WhichChoices } from '../margin/FilterChoices';
import { GlossView } from '../margin/GlossView';
import { isFiltered, useMarginFilter, useMarginView } from '../margin/marginView';
import { originOf } from '../margin/origin';
import { glossKey } from '../margin/stacks';
import { useTagLinesQuery, type NamedTag, type TagLinesWish } from '../../state/tagQueries';

/** Lines that are read at once, and how high one is taken to be until it was drawn, in pixels. */
const PIECE = 60;
const LIKELY_HEIGHT = 84;
/** Of the tags that often stand with it, so many are shown. */
const OFTEN = 10;

interface TagLinesProps {
  tag: NamedTag;
  tree: TagTree;
  /** The tags that its pages are to wear too. */
  also: readonly string[];
  onAlso: (also: string[]) => void;
}

/** All lines that wear a tag, by page or by day, filtered as a Margin is and combined with other tags. */
export function TagLines({ tag, tree, also, onAlso }: TagLinesProps) {
  const [view, change] = useMarginView(tag.id);
  const { tag: _tag, ...filter } = useMarginFilter(view);
  const wish = { id: tag.id, ...filter, also, order: orderOf(view), limit: PIECE };
  const { data, currentData, isError } = useTagLinesQuery(wish);
  const found = currentData ?? data;
  if (!found) {
    return isError ? <Empty>The lines that wear it are listed as soon as the server can be reached.</Empty> : null;
  }
  const pieces = Array.from({ length: Math.ceil(found.count / PIECE) }, (_each, index) => index * PIECE);
  return (
    <>
      <Together found={found} tree={tree} also={also} onAlso={onAlso} />
      <Heading level={2} look="tags-head">
        {found.total === 0 ? 'Worn by no line' : `${count(found.total, 'line')} on ${count(found.pages, 'page')}`}
      </Heading>
      {found.total > 0 && <Tools found={found} view={view} change={change} />}
      {found.total === 0 && also.length === 0 && (
        <Empty>{`Type #${tag.path} in any line, and the line stands here by itself.`}</Empty>
      )}
      {found.total > 0 && found.count === 0 && <Empty>No line is left by what was chosen above.</Empty>}
      <Line look="said" role="status">
        {count(found.count, 'line')}
      </Line>
      <Box look="tag-lines">
        {pieces.map((from) => (
          <Piece key={from} wish={{ ...wish, from, limit: Math.min(PIECE, found.count - from) }} />
        ))}
      </Box>
    </>
  );
}

/** Shown by page where nothing was chosen. */
function orderOf({ group, order }: MarginView): TagOrder {
  if (group !== 'day') return 'page';
  return order === 'oldest' ? 'oldest' : 'newest';
}

interface ToolsProps {
  found: Found;
  view: MarginView;
  change: (changes: MarginView) => void;
}

/** On a phone they are folded away until they are asked for, so that the lines are seen first. */
function Tools(props: ToolsProps) {
  const isNarrow = useWindowWidth() < measure.wide;
  const [isOpen, setOpen] = useState(() => isFiltered(props.view));
  if (!isNarrow) return <OpenTools {...props} />;
  return (
    <>
      <Tap look="tag-fold" aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        {orderOf(props.view) === 'page' ? 'By page' : 'By day'}
        {isFiltered(props.view) ? ', some of them' : ''}
      </Tap>
      {isOpen && <OpenTools {...props} />}
    </>
  );
}

function OpenTools({ found: { facets }, view, change }: ToolsProps) {
  const order = orderOf(view);
  return (
    <Box look="margin-tools tag-tools" role="group" aria-label="Which lines are shown">
      <Choices label="Set">
        <Choice isOn={order === 'page'} onPress={() => change({ group: undefined })}>
          By page
        </Choice>
        <Choice isOn={order === 'newest'} onPress={() => change({ group: 'day', order: undefined })}>
          By day, the newest first
        </Choice>
        <Choice isOn={order === 'oldest'} onPress={() => change({ group: 'day', order: 'oldest' })}>
          The oldest first
        </Choice>
      </Choices>
      <FromChoices facets={facets} view={view} change={change} />
      <WhichChoices facets={facets} view={view} change={change} />
      {(facets.aside > 0 || view.isWithoutAside || isFiltered(view)) && (
        <Choices label="And">
          {(facets.aside > 0 || view.isWithoutAside) && (
            <Choice
              isOn={view.isWithoutAside === true}
              onPress={() => change({ isWithoutAside: !view.isWithoutAside })}
            >
              Without what is laid aside <Said look="small">{facets.aside}</Said>
            </Choice>
          )}
          {isFiltered(view) && (
            <Choice
              isOn={false}
              onPress={() => change({ notebook: null, kind: null, since: null, isWithoutAside: false })}
            >
              Show all
            </Choice>
          )}
        </Choices>
      )}
    </Box>
  );
}

interface TogetherProps {
  found: Found;
  tree: TagTree;
  also: readonly string[];
  onAlso: (also: string[]) => void;
}

/** The tags that often stand on the same pages: each narrows what is shown to pages that wear it too. */
function Together({ found, tree, also, onAlso }: TogetherProps) {
  const often = found.facets.tags.filter(({ tag }) => !also.includes(tag)).slice(0, OFTEN);
  if (often.length === 0 && also.length === 0) return null;
  return (
    <Box role="group" aria-label="Together with" look="tag-beneath">
      <Said look="tags-head">together with</Said>
      {also.map((id) => (
        <Tap
          key={id}
          look="tag-chip chosen"
          aria-pressed
          dir="auto"
          onPress={() => onAlso(also.filter((each) => each !== id))}
        >
          {tree.nameOf(id) ?? '…'}
        </Tap>
      ))}
      {often.map(({ tag, name, count: pages }) => (
        <Tap key={tag} look="tag-chip" aria-pressed={false} dir="auto" onPress={() => onAlso([...also, tag])}>
          {name} <Said look="tags-count">{pages}</Said>
        </Tap>
      ))}
    </Box>
  );
}

/** Some lines, read and drawn while they are near what is seen. */
function Piece({ wish }: { wish: TagLinesWish & { limit: number } }) {
  const [isNear, setNear] = useState(false);
  const { currentData } = useTagLinesQuery(wish, { skip: !isNear });
  const today = useToday();
  return (
    <NearPiece root="#main" likely={wish.limit * LIKELY_HEIGHT} onNear={setNear}>
      {currentData?.entries.map(({ gloss, on }, index) => {
        const before = currentData.entries[index - 1];
        const isOfPage = wish.order === 'page';
        const isAgain = isOfPage ? before?.gloss.pageId === gloss.pageId : before?.on === on;
        return (
          <Fragment key={glossKey(gloss)}>
            {!isAgain && (isOfPage ? <PageHead gloss={gloss} /> : <DayHead on={on} today={today} />)}
            <GlossView gloss={gloss} isWithin={isOfPage} />
          </Fragment>
        );
      })}
    </NearPiece>
  );
}

function PageHead({ gloss }: { gloss: Gloss }) {
  const { words, detail } = originOf(gloss);
  const address = `/p/${gloss.pageId}`;
  return (
    <Heading level={3} look="tag-lines-head">
      <Way to={address} dir="auto" onOpen={() => open(address)}>
        {words}
      </Way>
      {detail && <Said look="gloss-detail"> {detail}</Said>}
    </Heading>
  );
}

const DayHead = ({ on, today }: { on: string; today: string }) => (
  <Heading level={3} look="tag-lines-head">
    <Way to={`/day/${on}`} onOpen={() => open(`/day/${on}`)}>
      {dayInText(on, today)}
    </Way>
  </Heading>
);
