import { usePathname } from 'expo-router';
import { View } from 'react-native';
import { Afterwards } from '../../kit/Afterwards';
import { around } from '../../kit/later';
import { toggleContents } from '../../screen/contentsView';
import { useRoom } from '../../screen/useRoom';
import { grown } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { useNotebookHere, usePageHere } from './useNotebookHere';

const NotebookContents = around(async () => (await import('./outlineParts')).NotebookContents);

/** The contents of the notebook that the shown page stands in, beside it where there is room. */
export function ContentsPanel() {
  const path = usePathname();
  const pageId = usePageHere(path);
  const notebookId = useNotebookHere(pageId ? path : '');
  const { hasContents } = useRoom(pageId ?? '');
  // Its room is kept until it is known whose contents they are.
  if (!pageId || notebookId === null || !hasContents) return null;
  return (
    <View
      style={{
        width: grown(measure.contents),
        flexShrink: 0,
        backgroundColor: colour.ground,
        borderRightWidth: 1,
        borderRightColor: colour.rule,
      }}
    >
      {notebookId && (
        <Afterwards>
          <NotebookContents notebookId={notebookId} pageId={pageId} isNarrow onClose={toggleContents} />
        </Afterwards>
      )}
    </View>
  );
}
