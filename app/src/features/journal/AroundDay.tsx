import type { ReactNode } from 'react';
import { dayInText } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import { useAtRest } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { Way } from '../../kit/Way';
import { Heading, Line, Said } from '../../kit/Words';
import { addressOf, open } from '../../screen/navigation';
import { useAroundQuery } from '../../state/api';
import { fileAddress } from '../../state/upload';
import { taskTitle } from '../tasks/taskTitle';

/** So many are named; the others are counted. */
const NAMED = 6;

/** What else happened on a day, and on the same date in earlier years. */
export function AroundDay({ day, today }: { day: string; today: string }) {
  const { data } = useAroundQuery(day, { skip: !useAtRest() });
  if (!data) return null;
  const { years, begun, changed, done, attached } = data;
  if ([years, begun, changed, done, attached].every((list) => list.length === 0)) return null;
  const isToday = day === today;
  return (
    <Box role="region" look="around" aria-label="Also on this date">
      <Heading level={2}>Also on this date</Heading>
      {years.map((each) => (
        <Line key={each.day} look="around-line">
          <Way
            to={`/day/${each.day}`}
            look="around-year"
            aria-label={dayInText(each.day, today)}
            onOpen={() => open(`/day/${each.day}`)}
          >
            {each.day.slice(0, 4)}
          </Way>{' '}
          <Said dir="auto">{each.firstWords}</Said> <Said look="around-count">{count(each.wordCount, 'word')}</Said>
        </Line>
      ))}
      <Pages label={isToday ? 'Begun today' : 'Begun'} pages={begun} />
      <Pages label="Changed" pages={changed} />
      {done.length > 0 && (
        <Part label="Done">
          {done.slice(0, NAMED).map(({ blockId, node }, index) => (
            <Said key={blockId}>
              {index > 0 && '; '}
              <Way to={`/b/${blockId}`} onOpen={() => open(`/b/${blockId}`)}>
                <Said dir="auto">{taskTitle(node)}</Said>
              </Way>
            </Said>
          ))}
          {done.length > NAMED && `, ${done.length - NAMED} more`}
        </Part>
      )}
      {attached.length > 0 && (
        <Part label="Attached">
          {attached.slice(0, NAMED).map(({ id, name }, index) => (
            <Said key={id}>
              {index > 0 && ', '}
              <Way to={fileAddress(id, name)} onOpen={() => window.open(fileAddress(id, name), '_blank')}>
                {name}
              </Way>
            </Said>
          ))}
        </Part>
      )}
    </Box>
  );
}

function Part({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Line look="around-line">
      <Said look="around-label">{label}</Said> {children}
    </Line>
  );
}

function Pages({ label, pages }: { label: string; pages: readonly Target[] }) {
  if (pages.length === 0) return null;
  return (
    <Part label={label}>
      {pages.slice(0, NAMED).map((page, index) => (
        <Said key={page.id}>
          {index > 0 && ', '}
          <Way to={addressOf(page)} onOpen={() => open(addressOf(page))}>
            <Said dir="auto">{page.title}</Said>
          </Way>
        </Said>
      ))}
      {pages.length > NAMED && `, ${pages.length - NAMED} more`}
    </Part>
  );
}
