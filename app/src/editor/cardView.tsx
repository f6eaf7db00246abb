import { NodeViewWrapper, ReactNodeViewRenderer, type NodeViewProps } from '@tiptap/react';
import { Card } from '@glossarion/core/document';
import { PageCard } from '../features/cards/PageCard';
import { openTarget } from '../features/shell/navigation';

function CardBlock({ node, selected }: NodeViewProps) {
  return (
    <NodeViewWrapper
      id={node.attrs.id ? `b-${String(node.attrs.id)}` : undefined}
      data-tint={(node.attrs.tint as string | null) ?? undefined}
      className="card-block"
      data-selected={selected || undefined}
      style={{ '--depth': String(node.attrs.depth ?? 0) } as React.CSSProperties}
      contentEditable={false}
    >
      <PageCard target={String(node.attrs.target)} onOpen={openTarget} />
    </NodeViewWrapper>
  );
}

export const CardWithView = Card.extend({
  addNodeView: () =>
    ReactNodeViewRenderer(CardBlock, {
      stopEvent: ({ event }) => !/^drag|^drop/u.test(event.type) && event.type !== 'mousedown',
      ignoreMutation: () => true,
    }),
});
