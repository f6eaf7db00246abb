import { useId, useState } from 'react';
import type { Listed, ListedOrder } from '@glossarion/core/document';
import { LiveDrawing, type FoundListProps } from '../../../editor';
import { Box } from '../../../kit/Box';
import { count } from '../../../kit/count';
import { Tap } from '../../../kit/Tap';
import { Way } from '../../../kit/Way';
import { Paragraph, Said } from '../../../kit/Words';
import { addressOf, open } from '../../../screen/navigation';
import { whereWords } from '../../../screen/words';
import { pigmentColour } from '../../../theme/tokens';
import { GlossView } from '../../margin/GlossView';
import { glossKey } from '../../margin/stacks';
import { useFoundListQuery } from '../queries';
import { FoundListSettings } from './FoundListSettings';

const ONE_OF: Record<Listed, string> = { pages: 'page', lines: 'line', tasks: 'open task' };
export const ORDER_WORDS: Record<ListedOrder, string> = {
  best: 'what fits best first',
  newest: 'the newest first',
  oldest: 'the oldest first',
  title: 'by title',
};

/** What a search finds, as it stands on a page: always current, and changed by its sentence. */
export function FoundListBlock({ list, isNew = false, onChange }: FoundListProps) {
  const { line, name, of, order, most } = list;
  const headId = useId();
  const [isOpen, setOpen] = useState(isNew);
  const { data, currentData, isError } = useFoundListQuery({ line, of, by: order, most }, { skip: line.trim() === '' });
  const found = line.trim() === '' ? undefined : (currentData ?? data);
  const address = `/find?q=${encodeURIComponent(line)}`;
  const total =
    found &&
    (found.isMore ? `more than ${count(Math.min(found.count, most), ONE_OF[of])}` : count(found.count, ONE_OF[of]));
  return (
    <Box role="region" look="log-here" aria-labelledby={headId}>
      <Box look="overview-head">
        <Said id={headId}>
          {line.trim() === '' ? (
            'A list of what is found'
          ) : (
            <Way look="found-list-name" to={address} dir="auto" onOpen={() => open(address)}>
              {name || line}
            </Way>
          )}
          {total && <Said look="log-details">{[total, ORDER_WORDS[order]].join(', ')}</Said>}
        </Said>
        {onChange && (
          <Tap look="overview-change" aria-haspopup="dialog" onPress={() => setOpen(true)}>
            Change
          </Tap>
        )}
      </Box>
      {found?.remarks.map((words) => (
        <Paragraph key={words} look="log-empty">
          {words}
        </Paragraph>
      ))}
      {line.trim() === '' && <Paragraph look="log-empty">Say what is to be listed, as in Find.</Paragraph>}
      {!found && isError && <Paragraph look="log-empty">It is listed as soon as the server can be reached.</Paragraph>}
      {found?.count === 0 && <Paragraph look="log-empty">Nothing of that is found now.</Paragraph>}
      {found && (
        // What a line of it holds is none of its business: a list there is only named.
        <LiveDrawing.Provider value={null}>
          <Box look="log found-list" role={found.pages.length > 0 ? 'list' : undefined}>
            {found.pages.map((page) => (
              <Box
                key={page.id}
                role="listitem"
                look="found-list-page"
                style={{ borderInlineStartColor: pigmentColour(page.day ? null : page.pigment) }}
              >
                <Way to={addressOf(page)} dir="auto" onOpen={() => open(addressOf(page))}>
                  {page.title}
                </Way>
                <Said look="found-list-where">{whereWords(page)}</Said>
              </Box>
            ))}
            {found.glosses.map((gloss) => (
              <GlossView key={glossKey(gloss)} gloss={gloss} />
            ))}
          </Box>
          {found.count > most && (
            <Way look="found-list-more" to={address} onOpen={() => open(address)}>
              {found.isMore ? 'More in Find' : `${found.count - most} more`}
            </Way>
          )}
        </LiveDrawing.Provider>
      )}
      {isOpen && onChange && <FoundListSettings list={list} onChange={onChange} onClose={() => setOpen(false)} />}
    </Box>
  );
}
