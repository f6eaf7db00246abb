import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { useContext, useState } from 'react';
import { foundListOf, newId, solidBlock } from '@glossarion/core/document';
import { Paragraph } from '../../kit/Words';
import { awaitingChoice } from '../awaiting';
import { LiveDrawing, type FoundListProps } from '../liveDrawing';
import { blockProps, withReactView } from '../nodeView';
import { putBlock } from '../put';
import { placeProps } from '../still';
import type { KindView } from './kind';

function FoundHere(props: FoundListProps) {
  const drawn = useContext(LiveDrawing);
  return drawn ? <drawn.FoundList {...props} /> : <Paragraph look="log-named">A list stands here.</Paragraph>;
}

function FoundBlock(props: NodeViewProps) {
  const { node, updateAttributes } = props;
  const [isNew] = useState(() => awaitingChoice.delete(String(node.attrs.id)));
  return (
    <NodeViewWrapper {...blockProps(props)} className="log-block">
      <FoundHere
        list={foundListOf(node.attrs)}
        pageId={(props.extension.options as { pageId: string }).pageId}
        isNew={isNew}
        onChange={(changes) => updateAttributes(changes)}
      />
    </NodeViewWrapper>
  );
}

export const found: KindView = {
  name: 'found',
  offers: [
    {
      words: 'List of what is found',
      detail: 'pages, lines or tasks of a search, always current',
      also: 'search query saved live list tagged',
      insert: (editor) => {
        const id = newId();
        awaitingChoice.add(id);
        putBlock(editor, solidBlock('found', { id }));
      },
    },
  ],
  withView: (node, pageId) =>
    withReactView(node, FoundBlock, () => true).extend<{ pageId: string }>({ addOptions: () => ({ pageId }) }),
  Still: ({ node }) => (
    <div className="log-block" {...placeProps(node)}>
      <FoundHere list={foundListOf(node.attrs)} pageId={null} />
    </div>
  ),
};
