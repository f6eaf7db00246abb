import { Link, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useContentsQuery, useEntryQuery } from '../../state/api';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { Loading } from '../../kit/Loading';
import { useRoom } from '../../screen/useRoom';
import { Words } from '../../kit/Words';
import { ContentsTree } from './ContentsTree';
import { makePageAt } from './entryActs';
import { holdsWords } from './holds';
import { toggleContents } from '../../screen/contentsView';
import { usePlaceHere } from './useNotebookHere';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';

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
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  useScrolledIntoView(pageId, contents !== undefined);
  if (!notebook || !contents) return <Loading tone={colour.rule} />;
  return (
    <Box role="navigation" aria-label="Contents" style={{ height: '100%' }}>
      <Box ref={setScroller} look="contents-scroll">
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
        <Action label="New page beside" tone={colour.soft} onPress={() => void makePageAt('beside', pageId)} />
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
