import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { useContext, useState } from 'react';
import { newId, solidBlock } from '@glossarion/core/document';
import { logOf, type LogAttributes } from '@glossarion/core/log';
import { Paragraph } from '../../kit/Words';
import { awaitingChoice } from '../awaiting';
import { LiveDrawing, type LogProps } from '../liveDrawing';
import { blockProps, withReactView } from '../nodeView';
import { putBlock } from '../put';
import { placeProps } from '../still';
import type { KindView } from './kind';

function LogHere(props: LogProps) {
  const drawn = useContext(LiveDrawing);
  return drawn ? <drawn.Log {...props} /> : <Paragraph look="log-named">A log stands here.</Paragraph>;
}

function LogBlock(props: NodeViewProps) {
  const { node, updateAttributes } = props;
  const [isNew] = useState(() => awaitingChoice.delete(String(node.attrs.id)));
  return (
    <NodeViewWrapper {...blockProps(props)} className="log-block">
      <LogHere
        log={logOf(node.attrs)}
        pageId={(props.extension.options as { pageId: string }).pageId}
        isNew={isNew}
        onChange={(changes: Partial<LogAttributes>) => updateAttributes(changes)}
      />
    </NodeViewWrapper>
  );
}

export const log: KindView = {
  name: 'log',
  offers: [
    {
      words: 'Log of this page',
      detail: 'what was said of it, by date, always current',
      also: 'mentions journal history meetings dates live list',
      insert: (editor, { pageId }) => putBlock(editor, solidBlock('log', { id: newId(), target: pageId })),
    },
    {
      words: 'Log of another page',
      detail: 'of a project, a person …, always current',
      also: 'mentions journal history meetings dates live list',
      insert: (editor, { pageId }) => {
        const id = newId();
        awaitingChoice.add(id);
        putBlock(editor, solidBlock('log', { id, target: pageId }));
      },
    },
  ],
  withView: (node, pageId) =>
    withReactView(node, LogBlock, () => true).extend<{ pageId: string }>({ addOptions: () => ({ pageId }) }),
  Still: ({ node }) => (
    <div className="log-block" {...placeProps(node)}>
      <LogHere log={logOf(node.attrs)} pageId={null} />
    </div>
  ),
};
