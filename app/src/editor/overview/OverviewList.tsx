import { useEffect, useId, type ReactNode } from 'react';
import { shownWords, type NodeJson } from '@glossarion/core/document';
import { localDay, nearDate } from '@glossarion/core/journal';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { contentsRows } from '@glossarion/core/outline';
import { headingLines, type OverviewAttributes } from '@glossarion/core/overview';
import { useBeneathQuery } from '../../state/api';
import { targetOf, useAppSelector, wantTargets } from '../../state/store';
import { linkWords, placeWords } from '../../screen/words';
import { Box } from '../../kit/Box';
import { Paragraph, Said } from '../../kit/Words';
import { Way } from '../../kit/Way';

/** One line of an overview, ready to be set. */
interface OverviewLine {
  id: string;
  number: string;
  words: string;
  detail: string;
  /** How far it is set in, from 0. */
  depth: number;
  isSection?: boolean;
  state?: string;
}

interface OverviewListProps {
  overview: OverviewAttributes;
  /** The page it stands on, which it does not list itself. */
  ownId?: string;
  /** The blocks of that page. */
  content: readonly NodeJson[];
  onOpen: (id: string) => void;
  /** The button that changes it, where it may be changed. */
  onChange?: ReactNode;
}

/** A live table of contents: set like the contents of a book, current by itself. */
export function OverviewList({ overview, ownId, content, onOpen, onChange }: OverviewListProps) {
  const headId = useId();
  const { lines, head, emptyWords } = useLines(overview, content, ownId);
  return (
    <Box role="navigation" look="overview" aria-labelledby={headId}>
      <Box look="overview-head">
        <Said id={headId}>{head}</Said>
        {onChange}
      </Box>
      {lines.length === 0 && <Paragraph look="overview-empty">{emptyWords}</Paragraph>}
      <Box role="list">
        {lines.map((line) => (
          <Box
            role="listitem"
            key={line.id}
            style={{ '--depth': String(Math.min(line.depth, 8)) }}
            dataSet={{ section: line.isSection || undefined }}
          >
            <Way
              to={`/to/${line.id}`}
              aria-label={accessibleName(line)}
              onOpen={(event) => {
                event.stopPropagation();
                onOpen(line.id);
              }}
              dataSet={{ state: line.state, target: line.id }}
            >
              <Said look="overview-number">{line.number}</Said>
              <Said look="overview-words" dir="auto">
                {line.words}
              </Said>
              <Box look="contents-leader" aria-hidden />
              <Said look="overview-detail">{line.detail}</Said>
            </Way>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function accessibleName({ number, words, detail, state }: OverviewLine): string {
  const said = state ? LINK_STATE_WORDS[state as keyof typeof LINK_STATE_WORDS] : '';
  return [`${number} ${words}`.trim(), said, detail].filter(Boolean).join(', ');
}

function useLines(
  overview: OverviewAttributes,
  content: readonly NodeJson[],
  ownId: string | undefined,
): { lines: OverviewLine[]; head: string; emptyWords: string } {
  const { subject, target, levels, order, chosen } = overview;
  const { data: beneath = [] } = useBeneathQuery(
    { id: target ?? '', levels },
    { skip: subject !== 'beneath' || !target },
  );
  const listed = beneath.filter((entry) => entry.id !== ownId || entry.pagesBeneath > 0);
  const known = useAppSelector((state) => state.targets.known);
  const wanted = subject === 'chosen' ? chosen : target ? [target] : [];
  const missing = wanted.filter((id) => !known[id]).join(',');
  useEffect(() => {
    if (missing) wantTargets(missing.split(','));
  }, [missing]);
  const today = localDay(new Date());

  switch (subject) {
    case 'headings':
      return {
        head: 'Overview of this page',
        emptyWords: 'Headings of this page come to stand here as they are written.',
        lines: headingLines(content, levels, (node) => shownWords(node, (id) => linkWords(targetOf(id)))).map(
          ({ id, words, level, number }) => ({ id, number, words: words || '…', detail: '', depth: level - 1 }),
        ),
      };
    case 'beneath':
      return {
        head: target && known[target] ? `Overview of ${known[target].title}` : 'Overview',
        emptyWords: 'What comes to stand beneath it is listed here by itself.',
        lines: contentsRows(target ?? '', listed, order).map(({ entry, title, folio, level }) => ({
          id: entry.id,
          number: folio,
          words: title,
          detail: entry.kind === 'page' ? nearDate(localDay(new Date(entry.changedAt)), today) : '',
          depth: level - 1,
          isSection: entry.kind === 'section',
          ...(entry.kind === 'page' && entry.wordCount === 0 && entry.firstWords === '' && { state: 'unwritten' }),
        })),
      };
    case 'chosen': {
      const targets = chosen.map((id) => known[id]).filter((each) => each !== undefined);
      if (order === 'name') targets.sort((one, other) => one.title.localeCompare(other.title, 'en', { numeric: true }));
      return {
        head: 'Overview of chosen places',
        emptyWords: 'Choose the pages and lines that are to stand here.',
        lines: targets.map((each, index) => ({
          id: each.id,
          number: String(index + 1),
          words: linkWords(each),
          detail: placeWords(each),
          depth: 0,
          state: each.state,
        })),
      };
    }
  }
}
