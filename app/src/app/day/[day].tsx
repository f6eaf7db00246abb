import { useLocalSearchParams } from 'expo-router';
import { isDay } from '@glossarion/core/journal';
import { DayScreen } from '../../features/journal/DayScreen';
import { open } from '../../features/shell/navigation';
import { Screen } from '../../features/shell/Screen';
import { Trouble } from '../../features/shell/Trouble';

export default function Day() {
  const { day } = useLocalSearchParams<{ day: string }>();
  if (isDay(day)) return <DayScreen key={day} day={day} />;
  return (
    <Screen label="Day">
      <Trouble
        title="Not a day"
        sentence="This address does not name a day of the calendar."
        action={{ label: 'Open Today', onPress: () => open('/today') }}
      />
    </Screen>
  );
}
