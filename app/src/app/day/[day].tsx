import { useLocalSearchParams } from 'expo-router';
import { isDay } from '@glossarion/core/journal';
import { DayScreen } from '../../features/journal/DayScreen';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { Trouble } from '../../kit/Trouble';

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
