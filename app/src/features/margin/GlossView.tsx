import { memo, useEffect, useRef, useState } from 'react';
import { kindOf, ownWords, type NodeJson } from '@glossarion/core/document';
import type { Gloss } from '@glossarion/core/margin';
import { BlockText, InlineView } from '../../editor';
import { setTask } from '../../state/tick';
import { colour, pigmentColour } from '../../theme/tokens';
import { later } from '../../kit/later';
import { open, openTarget } from '../../screen/navigation';
import { TickBox } from '../../kit/TickBox';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { useGlossMoving } from './moving';
import { originOf } from './origin';

const MoveGlossSheet = later(async () => (await import('./MoveGlossSheet')).MoveGlossSheet, true);
const GlossGrip = later(async () => (await import('./GlossGrip')).GlossGrip, true);
const GlossEditor = later(async () => (await import('./GlossEditor')).GlossEditor, true);

/** Opens what is clicked, unless another window was asked for. */
export const opening = (act: () => void) => (event: React.MouseEvent) => {
  if (event.metaKey || event.ctrlKey) return;
  event.preventDefault();
  act();
};

/** Follows links in words that are only shown. */
export function followLink(event: React.MouseEvent): void {
  const link = (event.target as Element).closest<HTMLElement>('a[data-target]');
  if (!link) return;
  opening(() => openTarget(link.dataset.target!, event.shiftKey))(event);
}

const isTask = (node: NodeJson): boolean => kindOf(node) === 'todo';

interface GlossViewProps {
  gloss: Gloss;
  /** Whether only where it comes from is shown. */
  isFolded?: boolean;
  /** Whether where it comes from is said above a group of such already. */
  isWithin?: boolean;
  /** The line it speaks to, in words. */
  beside?: string;
}

/** One entry of the Margin: a line elsewhere that points here, under what it stands, with what stands beneath it. */
export const GlossView = memo(function GlossView({
  gloss,
  isFolded = false,
  isWithin = false,
  beside,
}: GlossViewProps) {
  const [isEdited, setEdited] = useState(false);
  const [isMoved, setMoved] = useState(false);
  const [isPointed, setPointed] = useState(false);
  const moving = useGlossMoving();
  const hold = moving?.hold;
  const latest = useRef(gloss);
  latest.current = gloss;
  useEffect(() => {
    if (isEdited) return hold?.(latest.current);
  }, [isEdited, hold]);
  const { words, detail } = originOf(gloss);
  const address = `/b/${gloss.blockId}`;
  const tick = (node: NodeJson) => void setTask(gloss.pageId, node, node.attrs?.state === 'done' ? 'open' : 'done');
  const above = gloss.above.map((each) => each.words).join(' › ');
  const line = (node: NodeJson) => (
    <>
      {isTask(node) && (
        <TickBox words={ownWords(node)} state={String(node.attrs?.state ?? 'open')} onTick={() => tick(node)} />
      )}
      <Said
        look="gloss-words"
        dir="auto"
        dataSet={{ state: isTask(node) ? String(node.attrs?.state ?? 'open') : undefined }}
      >
        <InlineView node={node} />
      </Said>
    </>
  );
  const onKeyDown = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (!moving || !by || !event.altKey || isEdited) return;
    event.preventDefault();
    event.stopPropagation();
    moving.step(gloss, by);
  };
  return (
    <Box
      role="article"
      look="gloss"
      onKeyDown={onKeyDown}
      onPointerEnter={(event) => event.pointerType === 'mouse' && setPointed(true)}
      aria-label={[words, detail, beside].filter(Boolean).join(', ')}
      style={{ borderInlineStartColor: pigmentColour(gloss.day ? null : gloss.pigment) }}
    >
      {isPointed && moving && <GlossGrip gloss={gloss} moving={moving} />}
      {!isWithin && (
        <Way look="gloss-origin" to={address} onOpen={() => open(address)}>
          {words}
          {detail && <Said look="gloss-detail"> {detail}</Said>}
          {!isFolded && above && <Said look="gloss-above"> {above}</Said>}
        </Way>
      )}
      {isWithin && !isFolded && above && <Line look="gloss-above">{above}</Line>}
      {isFolded ? null : isEdited ? (
        <GlossEditor gloss={gloss} onDone={() => setEdited(false)} />
      ) : (
        <Box onClick={followLink}>
          <Line look="gloss-line">
            {line(gloss.node)}
            <Said look="gloss-tools">
              {isWithin && (
                <Way to={address} onOpen={() => open(address)}>
                  Open
                </Way>
              )}
              {moving && (
                <Tap aria-label={`Set ${words} beside another line`} onPress={() => setMoved(true)}>
                  {gloss.isMoved ? 'Moved' : 'Move'}
                </Tap>
              )}
              {gloss.node.type === 'block' && (
                <Tap
                  aria-label={`Edit this line of ${words}`}
                  onFocus={GlossEditor.prepare}
                  onPointerEnter={GlossEditor.prepare}
                  onPress={() => setEdited(true)}
                >
                  Edit
                </Tap>
              )}
            </Said>
          </Line>
          {gloss.children.length > 0 && (
            <Box look="gloss-children">
              {gloss.children.map((node, index) => (
                <Box key={index} look="gloss-child" style={{ color: colour.soft }}>
                  {node.type === 'block' ? line(node) : <BlockText node={node} />}
                </Box>
              ))}
            </Box>
          )}
        </Box>
      )}
      {isMoved && moving && <MoveGlossSheet gloss={gloss} moving={moving} onClose={() => setMoved(false)} />}
    </Box>
  );
});
