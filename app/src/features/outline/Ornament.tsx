import Svg, { Circle, Path } from 'react-native-svg';
import type { Ornament as OrnamentName } from '@glossarion/core/outline';

/** A dozen small printer's ornaments, drawn with one line. */
const DRAWN: Record<OrnamentName, string> = {
  waves: 'M2 7c3-4 5 4 8 0s5 4 8 0M2 12c3-4 5 4 8 0s5 4 8 0M2 17c3-4 5 4 8 0s5 4 8 0',
  wheel: 'M10 3a7 7 0 1 0 .01 0M10 3v14M3 10h14M5 5l10 10M15 5L5 15',
  leaf: 'M4 16C4 8 9 4 17 3c0 8-4 13-12 13M4 17c3-5 6-7 9-9',
  acorn: 'M5 8c0-3 10-3 10 0v1H5zM6 9c0 5 2 7 4 9c2-2 4-4 4-9M10 5V2',
  star: 'M10 2v16M2 10h16M5 5l10 10M15 5L5 15',
  key: 'M6 3a3.500 3.500 0 1 0 .01 0M8 9l7 8M12 14l2-2M14.500 16.500l1.500-1.500',
  bell: 'M4 15c2-2 2-4 2-6c0-6 8-6 8 0c0 2 0 4 2 6zM9 17.500h2M10 4V2',
  anchor: 'M10 6v12M10 2.500a1.750 1.750 0 1 0 .01 0M6 9h8M3 12c0 4 3 6 7 6s7-2 7-6',
  lantern: 'M7 6h6l1 9H6zM7 6l3-4 3 4M6 15h8v2.500H6zM10 8.500v4',
  quill: 'M3 18C6 10 10 4 17 2c-1 7-5 11-11 12M5 15l6-7',
  arch: 'M3 18V9c0-9 14-9 14 0v9M7 18v-8c0-4 6-4 6 0v8M2 18h16',
  fleuron: 'M10 18c0-5-6-4-6-9c0-3 4-3 4 0M10 18c0-5 6-4 6-9c0-3-4-3-4 0M10 12V3M8 5l2-3 2 3',
};

export function Ornament({ name, tone, size = 18 }: { name: OrnamentName; tone: string; size?: number }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 20 20" aria-hidden>
      <Path d={DRAWN[name]} stroke={tone} strokeWidth={1.4} fill="none" strokeLinecap="round" strokeLinejoin="round" />
      {name === 'wheel' && <Circle cx={10} cy={10} r={1.6} stroke={tone} strokeWidth={1.4} fill="none" />}
    </Svg>
  );
}
