import { View } from 'react-native';
import { colour } from '../theme/tokens';
import { Words } from './Words';

interface ProgressProps {
  label: string;
  /** How much is done, from 0 to 1. */
  share: number;
  /** What follows the per cent: “taken in”. */
  words: string;
}

/** How far long work has come, drawn and in words. */
export function Progress({ label, share, words }: ProgressProps) {
  const percent = Math.round(Math.min(1, Math.max(0, share)) * 100);
  return (
    <>
      <View
        role="progressbar"
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        style={{ height: 4, backgroundColor: colour.rule }}
      >
        <View style={{ height: 4, width: `${percent}%`, backgroundColor: colour.verdigris }} />
      </View>
      <Words size={15} tone={colour.soft} role="status">
        {percent} % {words}
      </Words>
    </>
  );
}
