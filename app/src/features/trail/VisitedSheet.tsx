import { View } from 'react-native';
import { colour } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { goBack, goForward, open } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';
import { visitedPlaces } from './visited';

const time = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The places this window has shown, and the steps back and forward between them. */
export function VisitedSheet({ onClose }: { onClose: () => void }) {
  const places = visitedPlaces();
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
      <ul className="places">
        {places.map(({ address, title, at }) => (
          <li key={address}>
            <a
              href={address}
              onClick={(event) => {
                if (event.metaKey || event.ctrlKey) return;
                event.preventDefault();
                then(() => open(address))();
              }}
            >
              <span dir="auto">{title || address}</span>
              <time dateTime={at}>{time(at)}</time>
            </a>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
