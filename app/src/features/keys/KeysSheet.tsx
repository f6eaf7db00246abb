import { View } from 'react-native';
import { colour, face } from '../../theme/tokens';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';

const GROUPS: { name: string; keys: [string, string][] }[] = [
  {
    name: 'Out of text',
    keys: [
      ['t', 'Today'],
      ['d', 'Desk'],
      ['b', 'Notebooks'],
      ['1–9', 'The notebooks of the pile'],
      ['f', 'Find'],
      ['g', 'Go to'],
      ['n', 'New page beside'],
      ['u', 'New page beneath'],
      ['m', 'Margin shown or put away'],
      ['l', 'Copy link'],
      ['?', 'All keys'],
    ],
  },
  {
    name: 'Anywhere',
    keys: [
      ['Shift Shift', 'Go to'],
      ['Esc', 'Out of the text; closes what is open'],
    ],
  },
  {
    name: 'In text',
    keys: [
      ['[[', 'Link to a page'],
      ['Tab, Shift+Tab', 'Indent, outdent'],
      ['Alt+↑ ↓', 'Move the line'],
      ['Ctrl+Enter', 'Tick'],
      ['Ctrl+B I U E', 'Bold, italic, underline, code'],
      ['Ctrl+Shift+H', 'Highlight'],
      ['Ctrl+K', 'Link the selected words'],
      ['Ctrl+Z', 'Undo'],
    ],
  },
];

/** Every key, on one sheet. */
export function KeysSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Keys" onClose={onClose}>
      {GROUPS.map((group) => (
        <View key={group.name} style={{ marginBottom: 14 }}>
          <Words face="capitals" weight="700" tone={colour.ochre} style={{ marginBottom: 4 }}>
            {group.name}
          </Words>
          {group.keys.map(([key, what]) => (
            <View key={key} style={{ flexDirection: 'row', gap: 16, paddingVertical: 3 }}>
              <Words size={15} style={{ width: 130, fontFamily: face.code, fontSize: 14 }}>
                {key}
              </Words>
              <Words style={{ flex: 1 }}>{what}</Words>
            </View>
          ))}
        </View>
      ))}
    </Sheet>
  );
}
