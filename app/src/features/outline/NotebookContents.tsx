import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Loading } from '../../kit/Loading';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Words } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { useContentsQuery, useEntryQuery } from '../../state/api';
import { colour, pigmentColour } from '../../theme/tokens';
import { ContentsTree } from './ContentsTree';
import { makePageAt } from './entryActs';
import { holdsWords } from './holds';

interface NotebookContentsProps {
  notebookId: string;
  pageId: string;
  isNarrow: boolean;
  onClose: () => void;
}

/** The contents of a notebook, as they stand beside a page or are drawn over it. */
export function NotebookContents({ notebookId, pageId, isNarrow, onClose }: NotebookContentsProps) {
  const dispatch = useAppDispatch();
  const { data: notebook } = useEntryQuery(notebookId);
  const { data: contents } = useContentsQuery(notebookId);
  // A state and no ref: the lines of a long contents are drawn once what they are scrolled in is known.
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  useScrolledIntoView(pageId, contents !== undefined);
  if (!notebook || !contents) return <Loading tone={colour.rule} />;
  return (
    <Box role="navigation" aria-label="Contents" style={{ height: '100%' }}>
      <Box ref={setScroller} look="contents-scroll">
        <View>
          <Way to={`/n/${notebookId}`} onOpen={() => open(`/n/${notebookId}`)} look="contents-head">
            <Words face="writing" size={22} line={26} weight="700" tone={pigmentColour(notebook.pigment)}>
              {notebook.name}
            </Words>
          </Way>
        </View>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }}>
          <Words size={15} tone={colour.soft}>
            {holdsWords(notebook)}
          </Words>
          <Tap look="contents-away" onPress={onClose}>
            Put away
          </Tap>
        </View>
        <ContentsTree
          key={notebookId}
          notebook={notebook}
          contents={contents}
          hereId={pageId}
          isNarrow={isNarrow}
          scroller={() => scroller}
        />
        <Box look="contents-tools">
          <Action
            label="New page"
            aria-label="New page beside"
            tone={colour.soft}
            onPress={() => void makePageAt('beside', pageId)}
          />
          <Action
            label="New section"
            tone={colour.soft}
            onPress={() => dispatch(sheetOpened({ for: 'make', kind: 'section', parentId: notebookId }))}
          />
        </Box>
      </Box>
    </Box>
  );
}

/** Brings the line of the shown page into view, once, without moving a contents in which it is seen already. */
function useScrolledIntoView(id: string, isShown: boolean): void {
  useEffect(() => {
    if (isShown) document.getElementById(`entry-${id}`)?.scrollIntoView({ block: 'nearest' });
  }, [id, isShown]);
}
