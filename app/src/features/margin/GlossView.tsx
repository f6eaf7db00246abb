import { memo, useState } from 'react';
import { kindOf, ownWords, type NodeJson } from '@glossarion/core/document';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { Gloss } from '@glossarion/core/margin';
import { BlockText, InlineView } from '../../editor';
import { setTask } from '../../state/tick';
import { colour, pigmentColour } from '../../theme/tokens';
import { later } from '../../kit/later';
import { open, openTarget } from '../../screen/navigation';
import { trailWords } from '../../screen/words';
import { TickBox } from '../../kit/TickBox';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';

const GlossEditor = later(async () => (await import('./GlossEditor')).GlossEditor, true);

const TIME = /^(\d{1,2}[:.]\d{2})\b/u;

interface Placed {
  day: string | null;
  node: NodeJson;
  changedAt: string;
  pageTitle: string;
  trail: Gloss['trail'];
}

/** Where a line comes from: the day and hour of a journal line, else the page, with its trail and date. */
export function originOf({ day, node, changedAt, pageTitle, trail }: Placed): { words: string; detail: string } {
  const today = localDay(new Date());
  if (day) {
    const near = nearDate(day, today);
    const time = TIME.exec(ownWords(node).trim())?.[1];
    const shown = near[0]!.toUpperCase() + near.slice(1);
    return { words: time ? `${shown}, ${time}` : shown, detail: 'Journal' };
  }
  const changed = nearDate(localDay(new Date(changedAt)), today);
  return { words: pageTitle, detail: [trailWords(trail), changed].filter(Boolean).join(', ') };
}

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
}

/** One entry of the Margin: a line elsewhere that points here, under what it stands, with what stands beneath it. */
export const GlossView = memo(function GlossView({ gloss, isFolded = false, isWithin = false }: GlossViewProps) {
  const [isEdited, setEdited] = useState(false);
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
  return (
    <Box
      role="article"
      look="gloss"
      aria-label={[words, detail].filter(Boolean).join(', ')}
      style={{ borderInlineStartColor: pigmentColour(gloss.day ? null : gloss.pigment) }}
    >
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
    </Box>
  );
});
