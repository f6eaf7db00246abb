import { useState } from 'react';
import {
  daysOf,
  periodAfter,
  periodOf,
  reviewedOf,
  REVIEWED,
  type Review,
  type ReviewedBar,
  type Took,
} from '@glossarion/core/review';
import type { Target } from '@glossarion/core/links';
import { dayTitle, daysBetween } from '@glossarion/core/journal';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { Empty } from '../../kit/Empty';
import { Loading } from '../../kit/Loading';
import { Tap } from '../../kit/Tap';
import { Trouble } from '../../kit/Trouble';
import { Way } from '../../kit/Way';
import { Heading, Line, Said } from '../../kit/Words';
import { addressOf, open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { useToday } from '../../screen/useToday';
import { problemSentence, usePeriodsQuery } from '../../state/api';
import { weekBegins } from '../../state/typedDay';
import { colour } from '../../theme/tokens';
import { Bars } from './Bars';
import { useReviewQuery } from './queries';
import { barTitle, changeWords, MEASURES, reviewTitle, type Measure } from './words';

const SPANS = { week: 'Week', month: 'Month', year: 'Year' } as const;
/** Days that are named of what took the time. */
const DAYS_SHOWN = 12;

/** A week, a month or a year at a glance: what was written and done, what took the time, and the way behind each value. */
export function ReviewScreen({ period }: { period: string }) {
  const today = useToday();
  const begins = weekBegins();
  const asked = useReviewQuery({ period, today, weekBegins: begins });
  const title = reviewTitle(period, today);
  useTitle(`${title}, looked back on`);
  const { data } = asked;
  return (
    <Screen label={`Review of ${title}`} tone={colour.ground}>
      <Box look="review">
        <Head period={period} today={today} begins={begins} before={data?.review.before ?? null} />
        {data ? (
          <>
            <Figures review={data.review} />
            <Box look="review-columns">
              <Chart key={period} review={data.review} />
              <TookTime took={data.took} targets={data.targets} />
            </Box>
            {reviewedOf(period) !== 'year' && <OwnPage period={period} />}
          </>
        ) : asked.isError ? (
          <Trouble title="Not reached" sentence={problemSentence(asked.error)} />
        ) : (
          <Loading />
        )}
      </Box>
    </Screen>
  );
}

interface HeadProps {
  period: string;
  today: string;
  begins: number;
  before: Review['before'] | null;
}

function Head({ period, today, begins, before }: HeadProps) {
  const reviewed = reviewedOf(period);
  const go = (to: string) => ({ to: `/review/${to}`, onOpen: () => open(`/review/${to}`) });
  const [earlier, later] = [periodAfter(period, -1, begins), periodAfter(period, 1, begins)];
  // Of another length: the one that holds the last day of this one that has come.
  const { first, last } = daysOf(period, begins);
  const anchor = last < today ? last : first > today ? first : today;
  return (
    <>
      <Box look="review-head">
        <Heading level={1} look="review-title">
          {reviewTitle(period, today)}
        </Heading>
        <Box look="review-ways" role="navigation" aria-label="Earlier and later">
          <Way look="review-way" {...go(earlier)} aria-label={`Earlier: ${reviewTitle(earlier, today)}`}>
            ←
          </Way>
          <Way look="review-way" {...go(later)} aria-label={`Later: ${reviewTitle(later, today)}`}>
            →
          </Way>
        </Box>
      </Box>
      <Box look="review-head">
        <Line look="review-against">{before ? againstWords(before, today, begins) : '\u00a0'}</Line>
        <Box look="review-ways" role="navigation" aria-label="How much is looked back on">
          {REVIEWED.map((each) => (
            <Way
              key={each}
              look="review-way"
              {...go(periodOf(each, anchor, begins))}
              aria-current={each === reviewed ? 'page' : undefined}
            >
              {SPANS[each]}
            </Way>
          ))}
        </Box>
      </Box>
    </>
  );
}

/** “Against October”; of a period that is not over, how much of the one before it is held against. */
function againstWords({ period, days }: Review['before'], today: string, begins: number): string {
  const whole = daysOf(period, begins);
  const title = reviewTitle(period, today);
  if (days.last >= whole.last) return `Against ${title}`;
  return `Against the first ${count(daysBetween(days.first, days.last) + 1, 'day')} of ${title}`;
}

/** The numbers of a period, with how much more or less they are than before. */
function Figures({ review: { counts, before } }: { review: Review }) {
  return (
    <Box look="review-figures" role="list">
      {MEASURES.map(({ key, label }) => {
        const change = changeWords(counts[key], before.counts[key]);
        return (
          <Box key={key} role="listitem" look="review-figure">
            <Said look="review-number">{counts[key].toLocaleString()}</Said>
            <Said look="review-label">
              {label.toLowerCase()}
              {change && <Said look="review-change">, {change}</Said>}
            </Said>
          </Box>
        );
      })}
    </Box>
  );
}

/** One measure by day or by month: as bars, or as a table; what is taken hold of says what is behind it. */
function Chart({ review: { bars } }: { review: Review }) {
  const [measure, setMeasure] = useState<Measure>(MEASURES[1]!);
  const [held, setHeld] = useState<number | null>(null);
  const [isTable, setTable] = useState(false);
  const isEmpty = bars.every(({ counts }) => counts[measure.key] === 0);
  const bar = held === null ? null : bars[held]!;
  return (
    <Box role="region" aria-label="By day">
      <Box look="review-head review-rule">
        <Heading level={2} look="review-section">
          {measure.label} by {bars.length === 12 ? 'month' : 'day'}
        </Heading>
        <Tap look="review-way" aria-pressed={isTable} onPress={() => setTable(!isTable)}>
          as a table
        </Tap>
      </Box>
      <Box look="review-measures" role="radiogroup" aria-label="What is shown">
        {MEASURES.map((each) => (
          <Tap
            key={each.key}
            role="radio"
            aria-checked={each.key === measure.key}
            look="review-measure"
            onPress={() => setMeasure(each)}
          >
            {each.label}
          </Tap>
        ))}
      </Box>
      {isTable ? (
        <Table bars={bars} />
      ) : (
        <>
          <Bars bars={bars} measure={measure} held={held} onHold={setHeld} />
          {isEmpty && <Empty>Nothing of this kind was counted here.</Empty>}
          {bar && <Held bar={bar} measure={measure} />}
        </>
      )}
    </Box>
  );
}

/** Where a bar leads: its day, or its month looked back on. */
const addressOfBar = ({ name }: ReviewedBar): string => (name.length > 7 ? `/day/${name}` : `/review/${name}`);

function Held({ bar, measure }: { bar: ReviewedBar; measure: Measure }) {
  const address = addressOfBar(bar);
  const others = MEASURES.filter(({ key }) => key !== measure.key && key !== 'daysWritten' && bar.counts[key] !== 0);
  return (
    <Box look="review-held" role="status">
      <Line>
        <Said look="review-held-name">{barTitle(bar)}</Said>, {measure.words(bar.counts[measure.key])}
      </Line>
      <Line look="review-held-more">
        <Way to={address} onOpen={() => open(address)}>
          {bar.name.length > 7 ? 'Open the day' : 'Look back on the month'}
        </Way>
        {others.map(({ key, words }) => (
          <Said key={key}> · {words(bar.counts[key])}</Said>
        ))}
      </Line>
    </Box>
  );
}

/** All values, a line for each day or month on which there are any. */
function Table({ bars }: { bars: readonly ReviewedBar[] }) {
  const shown = bars.filter(({ counts }) => Object.values(counts).some((value) => value !== 0));
  if (shown.length === 0) return <Empty>Nothing was counted here.</Empty>;
  const measures = MEASURES.filter(({ key }) => bars.length === 12 || key !== 'daysWritten');
  return (
    <Box look="review-table" role="table" aria-label="All values" dataSet={{ scrolls: true }}>
      <Box role="row" look="review-row">
        <Said role="columnheader" look="review-cell name">
          {bars.length === 12 ? 'Month' : 'Day'}
        </Said>
        {measures.map(({ key, label }) => (
          <Said key={key} role="columnheader" look="review-cell">
            {label}
          </Said>
        ))}
      </Box>
      {shown.map((bar) => (
        <Box role="row" look="review-row" key={bar.name}>
          <Said role="rowheader" look="review-cell name">
            <Way to={addressOfBar(bar)} onOpen={() => open(addressOfBar(bar))}>
              {barTitle(bar)}
            </Way>
          </Said>
          {measures.map(({ key }) => (
            <Said key={key} role="cell" look="review-cell">
              {bar.counts[key].toLocaleString()}
            </Said>
          ))}
        </Box>
      ))}
    </Box>
  );
}

const PIGMENTS = { project: colour.lapis, person: colour.plum, reading: colour.ochre } as const;

/** Which projects, people and readings the lines of days name. */
function TookTime({ took, targets }: { took: readonly Took[]; targets: readonly Target[] }) {
  const [openId, setOpenId] = useState<string | null>(null);
  const most = Math.max(1, ...took.map(({ lines }) => lines));
  return (
    <Box role="region" aria-label="What took the time">
      <Box look="review-head review-rule">
        <Heading level={2} look="review-section">
          What took the time
        </Heading>
        <Said look="review-against">lines that name it</Said>
      </Box>
      {took.length === 0 && <Empty>Projects, people and readings that lines of your days name stand here.</Empty>}
      <Box role="list">
        {took.map((each) => {
          const target = targets.find(({ id }) => id === each.pageId);
          if (!target) return null;
          const change = changeWords(each.lines, each.linesBefore);
          return (
            <Box role="listitem" look="review-took" key={each.pageId}>
              <Way look="review-took-title" to={addressOf(target)} dir="auto" onOpen={() => open(addressOf(target))}>
                {target.title}
              </Way>
              <Box look="review-took-room" aria-hidden>
                <Box
                  look="review-took-bar"
                  style={{ width: `${(each.lines / most) * 100}%`, background: PIGMENTS[each.kind] }}
                />
              </Box>
              <Tap
                look="review-took-count"
                aria-expanded={openId === each.pageId}
                aria-label={`${target.title}: ${count(each.lines, 'line')}, ${count(each.words, 'word')}${change ? `, ${change}` : ''}. Its days`}
                onPress={() => setOpenId(openId === each.pageId ? null : each.pageId)}
              >
                {each.lines}
              </Tap>
              {openId === each.pageId && (
                <Line look="review-took-days">
                  {count(each.words, 'word')}
                  {change && `, ${change} lines`}:{' '}
                  {each.days.slice(-DAYS_SHOWN).map((day) => (
                    <Way key={day} look="review-took-day" to={`/day/${day}`} onOpen={() => open(`/day/${day}`)}>
                      {dayTitle(day).replace(/^\S+ /u, '')}
                    </Way>
                  ))}
                </Line>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** A week or a month has a page of its own to write about it. */
function OwnPage({ period }: { period: string }) {
  const { data: [page] = [] } = usePeriodsQuery(period);
  if (!page) return null;
  return (
    <Box role="region" aria-label="Its page">
      <Box look="review-head review-rule">
        <Heading level={2} look="review-section">
          Its page
        </Heading>
      </Box>
      <Tap look="review-page" onPress={async () => (await import('../journal/Periods')).openPeriod(page)}>
        <Said dir="auto">{page.firstWords || `Write about ${page.title}`}</Said>
      </Tap>
    </Box>
  );
}
