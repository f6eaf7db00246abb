import { createElement } from 'react';
import { isHeading, isItem, kindOf, levelOf, solidKindOf, toldLevels, type NodeJson } from '@glossarion/core/document';
import { InlineView } from './InlineView';
import { atEnd, textLook, viewOf, type StillProps } from './kinds';
import { placeProps } from './still';
import { StillHtml } from './StillHtml';

/** Bodies shown without an editor: earlier days, glosses, previews. What each kind looks like says its file in kinds/. */

export type Tick = (node: NodeJson) => void;

interface BlockTextProps {
  node: NodeJson;
  onTick?: Tick;
  /** The blocks it stands among, for an overview of their headings. */
  content?: readonly NodeJson[];
}

/** One block. To-dos can be ticked where `onTick` is given. */
export function BlockText({ node, onTick, content = [] }: BlockTextProps) {
  const still: StillProps = { node, content, onTick };
  if (!solidKindOf(node)) return <TextBlock {...still} />;
  const Still = viewOf(node.type)?.Still ?? StillHtml;
  return <Still {...still} />;
}

function TextBlock(still: StillProps) {
  const { node, content } = still;
  const { level, state } = (node.attrs ?? {}) as Record<string, string | number | null | undefined>;
  const kind = kindOf(node);
  const { element, StillMark } = textLook(kind);
  const inline = <InlineView node={node} />;
  const place = placeProps(node);
  const told = isHeading(node) ? toldLevels(content.filter(isHeading).map(levelOf)).get(levelOf(node)) : undefined;
  return (
    <div
      className="block"
      {...place}
      style={{ ...place.style, '--at-end': atEnd(kind, node.attrs ?? {}) ?? undefined } as React.CSSProperties}
      data-kind={kind}
      data-level={level ?? undefined}
      data-state={state ?? undefined}
      role={isItem(node) ? 'listitem' : undefined}
    >
      {StillMark && <StillMark {...still} />}
      {createElement(
        element?.(node.attrs ?? {}) ?? 'div',
        { className: 'words', dir: 'auto', 'aria-level': told },
        inline,
      )}
    </div>
  );
}

/** A whole body; runs of items are lists to a screen reader. */
export function BodyView({ content, onTick }: { content: readonly NodeJson[]; onTick?: Tick }) {
  const groups: { isList: boolean; nodes: NodeJson[] }[] = [];
  for (const node of content) {
    const isList = isItem(node);
    const last = groups[groups.length - 1];
    if (last && last.isList === isList) last.nodes.push(node);
    else groups.push({ isList, nodes: [node] });
  }
  return (
    <div className="writing still">
      {groups.map(({ isList, nodes }, index) => (
        <div key={index} role={isList ? 'list' : undefined} className="run">
          {nodes.map((node, place) => (
            <BlockText key={String(node.attrs?.id ?? place)} node={node} onTick={onTick} content={content} />
          ))}
        </div>
      ))}
    </div>
  );
}
