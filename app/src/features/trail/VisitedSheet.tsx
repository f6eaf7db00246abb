import { View } from 'react-native';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { goBack, goForward, open } from '../../screen/navigation';
import { Sheet } from '../../kit/Sheet';
import { Said, Words } from '../../kit/Words';
import { useVisited } from '../../screen/visited';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';

const time = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The places this window has shown, and the steps back and forward between them. */
export function VisitedSheet({ onClose }: { onClose: () => void }) {
  const places = useVisited();
  const then = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Sheet title="Places visited" onClose={onClose}>
      <View style={{ flexDirection: 'row', columnGap: 18 }}>
        <Action label="← Back" onPress={then(goBack)} />
        <Action label="Forward →" onPress={then(goForward)} />
      </View>
      {places.length === 0 && (
        <Words tone={colour.soft}>Places come to stand here as they are opened, the latest first.</Words>
      )}
      <Box role="list" look="places">
        {places.map(({ address, title, at }) => (
          <Box role="listitem" key={address}>
            <Way to={address} onOpen={() => then(() => open(address))()}>
              <Said dir="auto">{title || address}</Said>
              <Said role="time">{time(at)}</Said>
            </Way>
          </Box>
        ))}
      </Box>
    </Sheet>
  );
}
