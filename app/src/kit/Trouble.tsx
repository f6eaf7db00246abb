import { View } from 'react-native';
import { colour } from '../theme/tokens';
import { Action } from './Action';
import { Words } from './Words';

interface TroubleProps {
  title: string;
  sentence: string;
  action?: { label: string; onPress: () => void };
}

/** What is shown where something could not be: what happened, what was kept, what to do. */
export function Trouble({ title, sentence, action }: TroubleProps) {
  return (
    <View style={{ padding: 24, maxWidth: 560, gap: 8 }}>
      <Words face="writing" size={26} weight="700" role="heading" aria-level={1}>
        {title}
      </Words>
      <Words size={18} tone={colour.soft}>
        {sentence}
      </Words>
      {action && <Action label={action.label} onPress={action.onPress} />}
    </View>
  );
}
