import type { Editor } from '@tiptap/core';
import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { useEffect, useState } from 'react';
import { newId, type NodeJson } from '@glossarion/core/document';
import { overviewNode, overviewOf, type OverviewAttributes } from '@glossarion/core/overview';
import { OverviewList } from '../overview/OverviewList';
import { later } from '../../kit/later';
import { elementIdOf } from '../../screen/blockPlace';
import { openTarget } from '../../screen/navigation';
import { awaitingChoice } from '../awaiting';
import { withReactView } from '../nodeView';
import type { WritingPlace } from '../writingPlace';
import { putBlock } from '../put';
import type { KindView } from './kind';

const OverviewSheet = later(async () => (await import('../overview/OverviewSheet')).OverviewSheet, true);

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
      id={node.attrs.id ? elementIdOf(String(node.attrs.id)) : undefined}
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

const put =
  (attributesFor: (place: WritingPlace) => Partial<OverviewAttributes>) =>
  (editor: Editor, place: WritingPlace): void =>
    putBlock(editor, overviewNode(newId(), attributesFor(place)));

const nearest = (place: WritingPlace, kind: 'section' | 'notebook'): string =>
  place.trail.findLast((step) => step.kind === kind)?.id ?? place.trail[0]?.id ?? place.pageId;

export const overview: KindView = {
  name: 'overview',
  offers: [
    {
      words: 'Overview of the headings here',
      detail: 'always current',
      also: 'contents table index outline page',
      insert: put(() => ({ subject: 'headings' })),
    },
    {
      words: 'Overview of the pages beneath',
      detail: 'always current',
      also: 'contents table index subpages',
      insert: put(({ pageId }) => ({ subject: 'beneath', target: pageId })),
    },
    {
      words: 'Overview of this section',
      detail: 'always current',
      also: 'contents table index',
      insert: put((place) => ({ subject: 'beneath', target: nearest(place, 'section') })),
    },
    {
      words: 'Overview of this notebook',
      detail: 'always current',
      also: 'contents table index',
      insert: put((place) => ({ subject: 'beneath', target: nearest(place, 'notebook'), levels: 2 })),
    },
    {
      words: 'Overview of chosen pages',
      detail: 'picked by hand, always current',
      also: 'contents table index list collection passages',
      insert: (editor) => {
        const id = newId();
        awaitingChoice.add(id);
        putBlock(editor, overviewNode(id, { subject: 'chosen' }));
      },
    },
  ],
  withView: (node, pageId) =>
    withReactView(node, OverviewBlock, () => true).extend<{ pageId: string }>({ addOptions: () => ({ pageId }) }),
  Still: ({ node, content }) => (
    <OverviewList overview={overviewOf(node.attrs)} content={content} onOpen={openTarget} />
  ),
};
