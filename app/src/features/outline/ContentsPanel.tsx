import { Link, usePathname } from 'expo-router';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { useContentsQuery, useEntryQuery } from '../../state/api';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { Words } from '../shell/Words';
import { ContentsTree } from './ContentsTree';
import { makePageAt } from './entryActs';
import { holdsWords } from './holds';
import { useNotebookHere, usePageHere } from './useNotebookHere';

/** The contents of the notebook that the shown page stands in, beside it on a wide screen. */
export function ContentsPanel() {
  const path = usePathname();
  const pageId = usePageHere(path);
  const notebookId = useNotebookHere(pageId ? path : '');
  if (!pageId || !notebookId) return null;
  return <Panel notebookId={notebookId} pageId={pageId} />;
}

function Panel({ notebookId, pageId }: { notebookId: string; pageId: string }) {
  const { data: notebook } = useEntryQuery(notebookId);
  const { data: contents } = useContentsQuery(notebookId);
  const scroller = useRef<HTMLDivElement>(null);
  useScrolledIntoView(pageId, contents !== undefined);
  if (!notebook || !contents) return <View style={{ width: measure.contents, backgroundColor: colour.ground }} />;
  return (
    <nav
      aria-label="Contents"
      style={{
        width: measure.contents,
        flexShrink: 0,
        background: colour.ground,
        borderRight: `1px solid ${colour.rule}`,
        height: '100%',
        boxSizing: 'border-box',
      }}
    >
      <div
        ref={scroller}
        style={{ height: '100%', overflowY: 'auto', padding: '16px 12px 40px 16px', boxSizing: 'border-box' }}
      >
        <View>
          <Link href={`/n/${notebookId}` as never}>
            <Words face="writing" size={22} line={26} weight="700" tone={pigmentColour(notebook.pigment)}>
              {notebook.name}
            </Words>
          </Link>
        </View>
        <Words size={15} tone={colour.soft}>
          {holdsWords(notebook)}
        </Words>
        <ContentsTree
          key={notebookId}
          notebook={notebook}
          contents={contents}
          hereId={pageId}
          isNarrow
          scroller={() => scroller.current}
        />
        <Action label="New page beside" tone={colour.soft} onPress={() => void makePageAt('beside', pageId)} />
      </div>
    </nav>
  );
}

/** Brings the line of the shown page into view, once, without moving a contents in which it is seen already. */
function useScrolledIntoView(id: string, isShown: boolean): void {
  useEffect(() => {
    if (isShown) document.getElementById(`entry-${id}`)?.scrollIntoView({ block: 'nearest' });
  }, [id, isShown]);
}
