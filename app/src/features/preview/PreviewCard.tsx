import { useLayoutEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { localDay, nearDate } from '@glossarion/core/journal';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { SEASON_WORDS } from '@glossarion/core/outline';
import { BodyView, editedLink } from '../../editor';
import { useGlimpseQuery } from '../../state/api';
import { store } from '../../state/store';
import { besideOpened } from '../../state/view';
import { windowWidth } from '../../theme/rem';
import { measure, pigmentColour } from '../../theme/tokens';
import { useCover } from '../../kit/covers';
import { placeBeside } from '../../kit/placed';
import { copyAddress } from '../../screen/copy';
import { addressOf, lastingAddress, openTarget } from '../../screen/navigation';
import { trailWords, whereWords } from '../../screen/words';
import type { Previewed } from './previewed';
import { InlineField } from '../../kit/InlineField';
import { Box } from '../../kit/Box';
import { Paragraph, Said } from '../../kit/Words';
import { Tap } from '../../kit/Tap';

const canHover = (): boolean => window.matchMedia('(hover: hover)').matches;

/** What a link leads to, at a glance, and what can be done with the link. */
export function PreviewCard({ shown, onClose }: { shown: Previewed; onClose: () => void }) {
  const { data } = useGlimpseQuery(shown.target);
  const card = useRef<HTMLDivElement>(null);
  const [isWording, setWording] = useState(false);
  const [edited] = useState(() => editedLink(shown.link));

  useLayoutEffect(() => {
    const element = card.current;
    if (!element || !shown.link.isConnected) return;
    // Beside the first of the lines that a long link runs over.
    const [first] = shown.link.getClientRects();
    const bottom = windowWidth() < measure.wide ? measure.bar : 0;
    if (first) void placeBeside({ getBoundingClientRect: () => first }, element, { bottom });
  });
  useCover(!canHover(), onClose);

  if (!data) return null;
  const { target, nodes, names, changedAt } = data;
  const said = [LINK_STATE_WORDS[target.state], target.state === 'aside' ? '' : SEASON_WORDS[target.season]]
    .filter(Boolean)
    .join(', ');
  const where =
    target.kind === 'block' ? [...target.trail.map(({ name }) => name)].join(' / ') : trailWords(target.trail);
  const changed = changedAt ? `changed ${nearDate(localDay(new Date(changedAt)), localDay(new Date()))}` : '';
  const isThere = target.state !== 'gone';
  const run = (act: () => unknown) => () => {
    onClose();
    void act();
  };
  const kind = target.kind === 'block' ? 'b' : target.kind === 'page' ? 'p' : 'n';
  return createPortal(
    <Box
      ref={card}
      look="preview"
      role="dialog"
      aria-label={`Preview of ${target.title || 'a page that is gone'}`}
      style={{ borderTopColor: pigmentColour(target.day ? null : target.pigment) }}
    >
      <Box look="preview-head">
        <Said look="strong" dir="auto">
          {target.title || 'A page that is gone'}
        </Said>
        <Said>
          {[
            target.standsIn ? whereWords(target) : where || (target.kind === 'notebook' ? 'notebook' : ''),
            changed,
            said,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Said>
        {names.length > 0 && <Said>also {names.join(', ')}</Said>}
      </Box>
      {nodes.length > 0 && (
        <Box look="preview-body" onClick={(event) => event.preventDefault()}>
          <BodyView content={nodes} />
        </Box>
      )}
      {target.state === 'unwritten' && <Paragraph look="preview-empty">Nothing is written there yet.</Paragraph>}
      {isWording && edited ? (
        <InlineField
          label="Words of the link"
          initial={edited.words ?? target.title}
          look="preview-words"
          onDone={(words) => (words === null ? setWording(false) : run(() => edited.setWords(words.trim() || null))())}
        />
      ) : (
        <Box look="preview-acts">
          {isThere && (
            <>
              <Tap onPress={run(() => openTarget(shown.target))}>Open</Tap>
              <Tap look="wide-only" onPress={run(() => store.dispatch(besideOpened(target.pageId)))}>
                Beside
              </Tap>
              <Tap
                onPress={run(() =>
                  copyAddress(
                    target.day && target.kind !== 'block'
                      ? `${window.location.origin}${addressOf(target)}`
                      : lastingAddress(kind, target.kind === 'block' ? target.id : target.pageId),
                    target.title,
                    'it',
                  ),
                )}
              >
                Copy link
              </Tap>
            </>
          )}
          {edited && (
            <>
              <Tap onPress={() => setWording(true)}>Own words</Tap>
              {edited.words !== null && <Tap onPress={run(() => edited.setWords(null))}>Show its title</Tap>}
              <Tap onPress={run(() => edited.unlink(target.title))}>Unlink</Tap>
            </>
          )}
        </Box>
      )}
    </Box>,
    document.body,
  );
}
