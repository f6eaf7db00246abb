import { Link, usePathname } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useContentsQuery, useEntryQuery } from '../../state/api';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { Words } from '../shell/Words';
import { Action } from '../shell/Action';
import { ContentsList } from './ContentsList';
import { useMakePage } from './useMakePage';
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
  const { data: entries = [] } = useContentsQuery(notebookId);
  const makePage = useMakePage();
  if (!notebook) return <View style={{ width: measure.contents, backgroundColor: colour.ground }} />;
  const sections = entries.filter((entry) => entry.kind === 'section').length;
  const pages = entries.filter((entry) => entry.kind === 'page').length;
  return (
    <View
      role="navigation"
      aria-label="Contents"
      style={{
        width: measure.contents,
        backgroundColor: colour.ground,
        borderRightWidth: 1,
        borderRightColor: colour.rule,
        height: '100%',
      }}
    >
      <ScrollView contentContainerStyle={{ paddingTop: 16, paddingLeft: 16, paddingRight: 14, paddingBottom: 40 }}>
        <Link href={`/n/${notebookId}` as never}>
          <Words face="writing" size={22} line={26} weight="700" tone={pigmentColour(notebook.pigment)}>
            {notebook.name}
          </Words>
        </Link>
        <Words size={15} tone={colour.soft}>
          {count(sections, 'section')}, {count(pages, 'page')}
        </Words>
        <ContentsList notebookId={notebookId} pigment={notebook.pigment} entries={entries} hereId={pageId} isNarrow />
        <Action label="New page beside" tone={colour.soft} onPress={() => void makePage('beside', pageId)} />
      </ScrollView>
    </View>
  );
}

export const count = (number: number, what: string): string => `${number} ${what}${number === 1 ? '' : 's'}`;
