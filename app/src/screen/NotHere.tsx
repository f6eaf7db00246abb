import { Trouble } from '../kit/Trouble';
import { open } from './navigation';
import { Screen } from './Screen';

/** An address that names nothing. */
export function NotHere() {
  return (
    <Screen label="Not here">
      <Trouble
        title="Not here"
        sentence="There is nothing at this address: it may not be whole."
        action={{ label: 'Open Today', onPress: () => open('/today') }}
      />
    </Screen>
  );
}
