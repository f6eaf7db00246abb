import { Link, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useContentsQuery, useEntryQuery } from '../../state/api';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { Loading } from '../shell/Loading';
import { useRoom } from '../shell/useRoom';
import { Words } from '../shell/Words';
import { ContentsTree } from './ContentsTree';
import { makePageAt } from './entryActs';
import { holdsWords } from './holds';
import { toggleContents } from './contentsView';
import { usePlaceHere } from './useNotebookHere';

/** The contents of the notebook that the shown page stands in, beside it where there is room. */
export function ContentsPanel() {
  const place = usePlaceHere(usePathname());
  const { hasContents } = useRoom(place?.pageId ?? '');
  if (!place || !hasContents) return null;
  return (
    <View
      style={{
        width: measure.contents,
        flexShrink: 0,
        backgroundColor: colour.ground,
        borderRightWidth: 1,
        borderRightColor: colour.rule,
      }}
    >
      <NotebookContents {...place} isNarrow onClose={toggleContents} />
    </View>
  );
}

interface NotebookContentsProps {
  notebookId: string;
  pageId: string;
  isNarrow: boolean;
  onClose: () => void;
}

export function NotebookContents({ notebookId, pageId, isNarrow, onClose }: NotebookContentsProps) {
  const { data: notebook } = useEntryQuery(notebookId);
  const { data: contents } = useContentsQuery(notebookId);
  // A state and no ref: the lines of a long contents are drawn once what they are scrolled in is known.
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  useScrolledIntoView(pageId, contents !== undefined);
  if (!notebook || !contents) return <Loading tone={colour.rule} />;
  return (
    <nav aria-label="Contents" style={{ height: '100%' }}>
      <div
        ref={setScroller}
        style={{ height: '100%', overflowY: 'auto', padding: '16px 12px 40px 16px', boxSizing: 'border-box' }}
      >
        <View>
          <Link href={`/n/${notebookId}` as never}>
            <Words face="writing" size={22} line={26} weight="700" tone={pigmentColour(notebook.pigment)}>
              {notebook.name}
            </Words>
          </Link>
        </View>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }}>
          <Words size={15} tone={colour.soft}>
            {holdsWords(notebook)}
          </Words>
          <button type="button" className="contents-away" onClick={onClose}>
            Put away
          </button>
        </View>
        <ContentsTree
          key={notebookId}
          notebook={notebook}
          contents={contents}
          hereId={pageId}
          isNarrow={isNarrow}
          scroller={() => scroller}
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
