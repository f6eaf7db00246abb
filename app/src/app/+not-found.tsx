import { open } from '../features/shell/navigation';
import { Screen } from '../features/shell/Screen';
import { Trouble } from '../features/shell/Trouble';

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
