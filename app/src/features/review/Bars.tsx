import { useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { View } from 'react-native';
import type { ReviewedBar } from '@glossarion/core/review';
import { Box } from '../../kit/Box';
import { around } from '../../kit/later';
import { Said } from '../../kit/Words';
import { useMode } from '../../theme/mode';
import { palettes } from '../../theme/tokens';
import { barLabel, barTitle, type Measure } from './words';

// What draws is fetched with what else is drawn: two late parts would have it with the first screen.
const BarChart = around(async () => (await import('../outline/outlineParts')).BarChart);

interface BarsProps {
  bars: readonly ReviewedBar[];
  measure: Measure;
  /** Which of them is taken hold of; null for none. */
  held: number | null;
  onHold: (index: number) => void;
}

const HEIGHT = 128;
/** The library draws bars within three quarters of a chart: https://www.npmjs.com/package/react-native-chart-kit */
const DRAWN = 3 / 4;
/** Its bars are so wide at a percentage of 1, in pixels. */
const WHOLE_BAR = 32;
/** Of the room that each has, so much is bar. */
const FILLED = 0.72;
/** So many names stand beneath the bars of a month. */
const NAMED = 5;

const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -7,
  PageUp: 7,
};

/**
 * What was counted, a bar for each day or month. All of it is one control that slides from bar to bar: a finger takes
 * hold of whatever it is above, arrow keys go on, and each value is read out.
 */
export function Bars({ bars, measure, held, onHold }: BarsProps) {
  const { slate, vermilion } = palettes[useMode()];
  const [width, setWidth] = useState(0);
  const box = useRef<HTMLElement>(null);
  const values = bars.map(({ counts }) => Math.max(0, counts[measure.key]));
  const slot = width / bars.length;
  const bar = slot * FILLED;
  const chosen = held ?? bars.length - 1;
  const hold = (index: number) => onHold(Math.max(0, Math.min(bars.length - 1, index)));
  const onKeyDown = (event: KeyboardEvent) => {
    const { key } = event;
    const next = key === 'Home' ? 0 : key === 'End' ? bars.length - 1 : key in STEPS ? chosen + STEPS[key]! : null;
    if (next === null) return;
    event.preventDefault();
    event.stopPropagation();
    hold(next);
  };
  const onClick = (event: MouseEvent<HTMLElement>) => {
    const { left } = event.currentTarget.getBoundingClientRect();
    hold(Math.floor((event.clientX - left) / slot));
  };
  const valueWords = (each: ReviewedBar) => `${barTitle(each)}, ${measure.words(each.counts[measure.key])}`;
  const every = bars.length > 12 ? Math.ceil(bars.length / NAMED) : 1;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <Box
        ref={box}
        look="review-bars"
        role="slider"
        tabIndex={0}
        aria-label={`${measure.label}, by ${bars.length === 12 ? 'month' : 'day'}`}
        aria-valuemin={0}
        aria-valuemax={bars.length - 1}
        aria-valuenow={chosen}
        aria-valuetext={held === null ? 'none is taken hold of yet' : valueWords(bars[chosen]!)}
        onKeyDown={onKeyDown}
        onClick={onClick}
        style={{ height: HEIGHT + 1 }}
      >
        {width > 0 && values.some((value) => value > 0) && (
          // Its bars stand half a bar to the right of the room that they have.
          <View aria-hidden style={{ marginLeft: slot / 2 - bar }}>
            <BarChart
              data={{
                labels: [],
                datasets: [
                  { data: values, colors: bars.map((_bar, index) => () => (index === held ? vermilion : slate)) },
                ],
              }}
              width={width}
              height={HEIGHT / DRAWN}
              yAxisLabel=""
              yAxisSuffix=""
              fromZero
              flatColor
              withCustomBarColorFromData
              showBarTops={false}
              withInnerLines={false}
              withHorizontalLabels={false}
              withVerticalLabels={false}
              style={{ paddingRight: 0, paddingTop: 0 }}
              chartConfig={{
                barPercentage: bar / WHOLE_BAR,
                backgroundGradientFromOpacity: 0,
                backgroundGradientToOpacity: 0,
                color: () => slate,
              }}
            />
          </View>
        )}
      </Box>
      <Box look="review-names" aria-hidden>
        {bars.map((each, index) => (
          <Said key={each.name} look="review-name">
            {index % every === 0 && index + every / 2 < bars.length + 1 ? barLabel(each) : ''}
          </Said>
        ))}
      </Box>
    </View>
  );
}
