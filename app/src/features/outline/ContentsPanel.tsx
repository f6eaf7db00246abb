import { usePathname } from 'expo-router';
import { View } from 'react-native';
import { later } from '../../kit/later';
import { toggleContents } from '../../screen/contentsView';
import { useRoom } from '../../screen/useRoom';
import { grown } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { usePlaceHere } from './useNotebookHere';

const NotebookContents = later(async () => (await import('./outlineParts')).NotebookContents);

/** The contents of the notebook that the shown page stands in, beside it where there is room. */
export function ContentsPanel() {
  const place = usePlaceHere(usePathname());
  const { hasContents } = useRoom(place?.pageId ?? '');
  if (!place || !hasContents) return null;
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
      <NotebookContents {...place} isNarrow onClose={toggleContents} />
    </View>
  );
}
