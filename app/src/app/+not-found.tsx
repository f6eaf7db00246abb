import { open } from '../screen/navigation';
import { Screen } from '../screen/Screen';
import { Trouble } from '../kit/Trouble';

export default function NotFound() {
  return (
    <Screen label="Not here">
      <Trouble
        title="Not here"
        sentence="There is nothing at this address."
        action={{ label: 'Open Today', onPress: () => open('/today') }}
      />
    </Screen>
  );
}
