import { View } from 'react-native';
import { colour } from '../theme/tokens';
import { Words } from './Words';

/** What an empty place says: what belongs there, or what was looked for in vain. */
export function Empty({ children }: { children: string }) {
  return (
    <View style={{ paddingTop: 10 }}>
      <Words size={17} line={24} tone={colour.soft} role="paragraph">
        {children}
      </Words>
    </View>
  );
}
