import { memo, useEffect, useRef, useState } from 'react';
import { kindOf, ownWords, type NodeJson } from '@glossarion/core/document';
import type { Gloss } from '@glossarion/core/margin';
import { BlockText, InlineView } from '../../editor';
import { TaskEnd } from '../tasks/TaskEnd';
import { taskTitle } from '../tasks/taskTitle';
import { followLink } from '../../screen/followLink';
import { setTask, ticking } from '../../state/tasks';
import { colour, pigmentColour } from '../../theme/tokens';
import { around, later } from '../../kit/later';
import { open } from '../../screen/navigation';
import { TickBox } from '../../kit/TickBox';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { useGlossMoving } from './moving';
import { originOf } from './origin';

const MoveGlossSheet = later(async () => (await import('./MoveGlossSheet')).MoveGlossSheet, true);
const GlossGrip = around(async () => (await import('./GlossGrip')).GlossGrip);
const LineElsewhere = later(async () => (await import('../parts/LineElsewhere')).LineElsewhere, true);

const TaskSheet = later(async () => (await import('../../screen/TaskSheet')).TaskSheet, true);

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
  const [isTasked, setTasked] = useState(false);
  const [isPointed, setPointed] = useState(false);
  const moving = useGlossMoving();
  const hold = moving?.hold;
  const latest = useRef(gloss);
  latest.current = gloss;
  useEffect(() => {
    if (isEdited) return hold?.(latest.current);
  }, [isEdited, hold]);
  const { words, detail } = originOf(gloss);
  const address = gloss.field === null ? `/b/${gloss.blockId}` : `/p/${gloss.pageId}`;
  const tick = (node: NodeJson) => void setTask(gloss.pageId, node, ticking(node));
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
      {isTask(node) && <TaskEnd attrs={node.attrs ?? {}} />}
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
      look={isWithin ? 'gloss within' : 'gloss'}
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
      {isFolded ? null : gloss.field !== null ? (
        <Line look="gloss-line">
          <Said look="gloss-field">{gloss.field}</Said>
        </Line>
      ) : isEdited ? (
        <LineElsewhere line={gloss} onDone={() => setEdited(false)} />
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
              {isTask(gloss.node) && (
                <Tap aria-label={`Due, put off, repeat: ${taskTitle(gloss.node)}`} onPress={() => setTasked(true)}>
                  Due
                </Tap>
              )}
              {gloss.node.type === 'block' && (
                <Tap
                  aria-label={`Edit this line of ${words}`}
                  onFocus={LineElsewhere.prepare}
                  onPointerEnter={LineElsewhere.prepare}
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
      {isTasked && (
        <TaskSheet
          words={taskTitle(gloss.node)}
          attrs={gloss.node.attrs ?? {}}
          onChange={(...changes) => void setTask(gloss.pageId, gloss.node, ...changes)}
          onClose={() => setTasked(false)}
        />
      )}
      {isMoved && moving && <MoveGlossSheet gloss={gloss} moving={moving} onClose={() => setMoved(false)} />}
    </Box>
  );
});
