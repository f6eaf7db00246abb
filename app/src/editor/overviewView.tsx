import { NodeViewWrapper, ReactNodeViewRenderer, type NodeViewProps } from '@tiptap/react';
import { useEffect, useState } from 'react';
import { Overview, type NodeJson } from '@glossarion/core/document';
import { overviewOf, type OverviewAttributes } from '@glossarion/core/overview';
import { OverviewList } from '../features/overview/OverviewList';
import { OverviewSheet } from '../features/overview/OverviewSheet';
import { openTarget } from '../features/shell/navigation';
import { awaitingChoice } from './insertItems';

const HEADINGS_AFTER = 200;

/** The page's own blocks, a moment after they change; only what lists headings asks for them. */
function useContent({ editor }: NodeViewProps, isWanted: boolean): NodeJson[] {
  const [content, setContent] = useState<NodeJson[]>([]);
  useEffect(() => {
    if (!isWanted) return;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const read = () => {
      timer = null;
      const found: NodeJson[] = [];
      editor.state.doc.forEach((node) => {
        if (node.attrs.kind === 'heading') found.push(node.toJSON() as NodeJson);
      });
      setContent(found);
    };
    const later = () => {
      timer ??= setTimeout(read, HEADINGS_AFTER);
    };
    read();
    editor.on('update', later);
    return () => {
      editor.off('update', later);
      if (timer) clearTimeout(timer);
    };
  }, [editor, isWanted]);
  return content;
}

/** An overview where it stands in a page: its lines, and a way to change what it lists. */
function OverviewBlock(props: NodeViewProps) {
  const { node, updateAttributes, selected } = props;
  const overview = overviewOf(node.attrs);
  const [isOpen, setOpen] = useState(() => awaitingChoice.delete(String(node.attrs.id)));
  const content = useContent(props, overview.subject === 'headings');
  const change = (changes: Partial<OverviewAttributes>) => {
    const { chosen, ...rest } = changes;
    updateAttributes({ ...rest, ...(chosen && { chosen: chosen.length > 0 ? chosen.join(' ') : null }) });
  };
  return (
    <NodeViewWrapper
      id={node.attrs.id ? `b-${String(node.attrs.id)}` : undefined}
      data-selected={selected || undefined}
      contentEditable={false}
    >
      <OverviewList
        overview={overview}
        ownId={(props.extension.options as { pageId: string }).pageId}
        content={content}
        onOpen={openTarget}
        onChange={
          <button type="button" className="overview-change" onClick={() => setOpen(true)}>
            Change
          </button>
        }
      />
      {isOpen && <OverviewSheet overview={overview} onChange={change} onClose={() => setOpen(false)} />}
    </NodeViewWrapper>
  );
}

export const OverviewWithView = Overview.extend<{ pageId: string }>({
  addOptions: () => ({ pageId: '' }),
  addNodeView: () =>
    ReactNodeViewRenderer(OverviewBlock, {
      // Its buttons and sheet are the interface’s, not the text’s.
      stopEvent: ({ event }) => !/^drag|^drop/u.test(event.type),
      ignoreMutation: () => true,
    }),
});
