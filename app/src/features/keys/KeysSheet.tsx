import { View } from 'react-native';
import { grown } from '../../theme/rem';
import { colour, face } from '../../theme/tokens';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { KEY_ACTS } from './keys';

const GROUPS: { name: string; keys: [string, string][] }[] = [
  {
    name: 'Out of text',
    keys: [...KEY_ACTS.map(({ key, label }): [string, string] => [key, label]), ['1–9', 'The notebooks of the pile']],
  },
  {
    name: 'In the contents',
    keys: [
      ['↑ ↓ ← →', 'Go, fold, open'],
      ['Enter', 'Open'],
      ['Space, Shift+↑ ↓', 'Choose several'],
      ['Alt+↑ ↓', 'Move up, down'],
      ['Alt+Shift+← →', 'Move out, in'],
      ['F2', 'Rename'],
      ['.', 'All that can be done'],
      ['Delete', 'To the bin'],
    ],
  },
  {
    name: 'Anywhere',
    keys: [
      ['Shift Shift', 'These letters along the bottom'],
      ['Ctrl+Z', 'Take back, in text or out of it'],
      ['Esc', 'Out of the text; closes what is open'],
      ['Alt+Enter', 'All that can be done with what is shown'],
      ['In a menu: letters', 'On to what begins with them'],
    ],
  },
  {
    name: 'In text',
    keys: [
      ['[[', 'Link to a page; over selected words, link those'],
      ['→ in the list', 'On to the lines of a page'],
      ['Tab after a date', 'Link the date to its day'],
      ['/', 'Insert'],
      ['Tab, Shift+Tab', 'Indent, outdent; Esc frees Tab'],
      ['Alt+Shift+← →', 'Outdent, indent, chosen lines too'],
      ['Alt+Enter', 'The menu of the line; in a table its tools; of chosen lines their bar'],
      ['Alt+↑ ↓', 'Move the line'],
      ['Ctrl+Enter', 'Tick'],
      ['Ctrl+B I U E', 'Bold, italic, underline, code'],
      ['Ctrl+Shift+H', 'Highlight; again, in the next colour'],
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
              <Words
                size={15}
                style={{ width: grown(130), maxWidth: '55%', fontFamily: face.code, fontSize: grown(14) }}
              >
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
