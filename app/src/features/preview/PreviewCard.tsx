import { useLayoutEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { localDay, nearDate } from '@glossarion/core/journal';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { SEASON_WORDS } from '@glossarion/core/outline';
import { BodyView } from '../../editor/BodyView';
import { editedLink } from '../../editor/linkViews';
import { useGlimpseQuery } from '../../state/api';
import { store } from '../../state/store';
import { besideOpened } from '../../state/view';
import { pigmentColour } from '../../theme/tokens';
import { copyAddress } from '../links/copy';
import { addressOf, lastingAddress, openTarget } from '../shell/navigation';
import { trailWords } from '../trail/words';
import type { Previewed } from './Previews';

const AWAY = 6;

/** What a link leads to, at a glance, and what can be done with the link. */
export function PreviewCard({ shown, onClose }: { shown: Previewed; onClose: () => void }) {
  const { data } = useGlimpseQuery(shown.target);
  const card = useRef<HTMLDivElement>(null);
  const [isWording, setWording] = useState(false);
  const [edited] = useState(() => editedLink(shown.link));

  useLayoutEffect(() => {
    const element = card.current;
    if (!element || !shown.link.isConnected) return;
    const [first] = shown.link.getClientRects();
    if (!first) return;
    const height = element.offsetHeight;
    const bar = window.innerWidth < 720 ? 70 : 0;
    const isBelow = first.bottom + AWAY + height < window.innerHeight - bar || first.top < height + AWAY;
    element.style.left = `${Math.max(8, Math.min(first.left, window.innerWidth - element.offsetWidth - 8))}px`;
    element.style.top = `${isBelow ? first.bottom + AWAY : first.top - height - AWAY}px`;
  });

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
    <div
      ref={card}
      className="preview"
      role="dialog"
      aria-label={`Preview of ${target.title || 'a page that is gone'}`}
      style={{ borderTopColor: pigmentColour(target.day ? null : target.pigment) }}
    >
      <div className="preview-head">
        <strong dir="auto">{target.title || 'A page that is gone'}</strong>
        <span>
          {[target.day ? 'Journal' : where || (target.kind === 'notebook' ? 'notebook' : ''), changed, said]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {names.length > 0 && <span>also {names.join(', ')}</span>}
      </div>
      {nodes.length > 0 && (
        <div className="preview-body" onClick={(event) => event.preventDefault()}>
          <BodyView content={nodes} />
        </div>
      )}
      {target.state === 'unwritten' && <p className="preview-empty">Nothing is written there yet.</p>}
      {isWording && edited ? (
        <input
          className="preview-words"
          aria-label="Words of the link"
          defaultValue={edited.words ?? target.title}
          autoFocus
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Enter') run(() => edited.setWords(event.currentTarget.value.trim() || null))();
            if (event.key === 'Escape') setWording(false);
          }}
        />
      ) : (
        <div className="preview-acts">
          {isThere && (
            <>
              <button type="button" onClick={run(() => openTarget(shown.target))}>
                Open
              </button>
              <button
                type="button"
                className="wide-only"
                onClick={run(() => store.dispatch(besideOpened(target.pageId)))}
              >
                Beside
              </button>
              <button
                type="button"
                onClick={run(() =>
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
              </button>
            </>
          )}
          {edited && (
            <>
              <button type="button" onClick={() => setWording(true)}>
                Own words
              </button>
              {edited.words !== null && (
                <button type="button" onClick={run(() => edited.setWords(null))}>
                  Show its title
                </button>
              )}
              <button type="button" onClick={run(() => edited.unlink(target.title))}>
                Unlink
              </button>
            </>
          )}
        </div>
      )}
    </div>,
    document.body,
  );
}
