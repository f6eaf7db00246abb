import { ownWords } from '@glossarion/core/document';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { Gloss } from '@glossarion/core/margin';
import { BlockText, InlineView } from '../../editor/BodyView';
import { colour, pigmentColour } from '../../theme/tokens';
import { open, openTarget } from '../shell/navigation';
import { trailWords } from '../trail/words';

const TIME = /^(\d{1,2}[:.]\d{2})\b/u;

/** Where a gloss comes from: the day and hour of a journal line, else the page, with its trail and date. */
function origin(gloss: Gloss): { words: string; detail: string } {
  const today = localDay(new Date());
  if (gloss.day) {
    const near = nearDate(gloss.day, today);
    const time = TIME.exec(ownWords(gloss.node).trim())?.[1];
    const day = near[0]!.toUpperCase() + near.slice(1);
    return { words: time ? `${day}, ${time}` : day, detail: 'Journal' };
  }
  const changed = nearDate(localDay(new Date(gloss.changedAt)), today);
  return { words: gloss.pageTitle, detail: [trailWords(gloss.trail), changed].filter(Boolean).join(', ') };
}

/** One entry of the Margin: a line elsewhere that points here, with what stands beneath it. */
export function GlossView({ gloss }: { gloss: Gloss }) {
  const { words, detail } = origin(gloss);
  const address = `/b/${gloss.blockId}`;
  return (
    <article
      className="gloss"
      style={{
        borderInlineStart: `3px solid ${pigmentColour(gloss.day ? null : gloss.pigment)}`,
        paddingInlineStart: 10,
      }}
    >
      <a
        className="gloss-origin"
        href={address}
        onClick={(event) => {
          if (event.metaKey || event.ctrlKey) return;
          event.preventDefault();
          open(address);
        }}
      >
        {words}
        {detail && <span className="gloss-detail"> {detail}</span>}
      </a>
      <div
        onClick={(event) => {
          const link = (event.target as Element).closest<HTMLElement>('a[data-target]');
          if (!link || event.metaKey || event.ctrlKey) return;
          event.preventDefault();
          openTarget(link.dataset.target!);
        }}
      >
        <div className="gloss-line" dir="auto">
          <InlineView node={gloss.node} />
        </div>
        {gloss.children.length > 0 && (
          <div className="gloss-children">
            {gloss.children.map((node, index) => (
              <div key={index} className="gloss-child" style={{ color: colour.soft }}>
                {node.type === 'block' ? <InlineView node={node} /> : <BlockText node={node} />}
              </div>
            ))}
          </div>
        )}
      </div>
    </article>
  );
}
