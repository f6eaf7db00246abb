import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { PageCard } from './PageCard';
import { openTarget } from '../../screen/navigation';
import { putBySheet } from '../awaiting';
import { blockProps, withReactView } from '../nodeView';
import { placeProps } from '../still';
import type { KindView } from './kind';

function CardBlock(props: NodeViewProps) {
  return (
    <NodeViewWrapper {...blockProps(props)} className="card-block">
      <PageCard target={String(props.node.attrs.target)} onOpen={openTarget} />
    </NodeViewWrapper>
  );
}

export const card: KindView = {
  name: 'card',
  offers: [
    {
      words: 'Page card',
      detail: 'a page with its picture and first words',
      also: 'preview embed link',
      insert: putBySheet('card'),
    },
  ],
  withView: (node) => withReactView(node, CardBlock),
  Still: ({ node }) => (
    <div className="card-block" {...placeProps(node)}>
      <PageCard target={String(node.attrs?.target)} onOpen={openTarget} />
    </div>
  ),
};
