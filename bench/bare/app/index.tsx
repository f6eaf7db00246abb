import { EditorContent, useEditor } from '@tiptap/react';
import Collaboration from '@tiptap/extension-collaboration';
import { ScrollView, StyleSheet, Text, View } from 'react-native';
import * as Y from 'yjs';
import { block, documentMarks, documentNodes, seedDocument, type BodyJson } from '@glossarion/core/document';

/** The anchor for opening: the same editor on a page of React Native Web, and nothing of the product’s own. */
const body: BodyJson = {
  type: 'doc',
  content: Array.from({ length: 12 }, (_each, index) => block('paragraph', `Line ${index}: the pool at sill level.`)),
};
const text = new Y.Doc();
Y.applyUpdate(text, seedDocument('plain', '', body));

export default function BarePage() {
  const editor = useEditor({
    extensions: [
      ...Object.values(documentNodes),
      ...Object.values(documentMarks),
      Collaboration.configure({ fragment: text.getXmlFragment('body') }),
    ],
    editorProps: { attributes: { class: 'writing' } },
  });
  return (
    <View style={styles.frame}>
      <View role="navigation" style={styles.rail}>
        {['Desk', 'Today', 'Notebooks', 'Find'].map((name) => (
          <Text key={name}>{name}</Text>
        ))}
      </View>
      <ScrollView>
        <EditorContent editor={editor} />
      </ScrollView>
    </View>
  );
}

const styles = StyleSheet.create({ frame: { flex: 1, flexDirection: 'row' }, rail: { width: 176 } });
