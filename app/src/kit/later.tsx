import { useEffect, useState, type ComponentType } from 'react';
import { Action } from './Action';
import { whenAtRest } from './atRest';
import { Loading } from './Loading';
import { Sheet } from './Sheet';
import { Trouble } from './Trouble';
import { Words } from './Words';

const SENTENCE =
  'This part of the app could not be fetched. What you wrote is kept; try again when there is a network.';

/** Says that the code of a part could not be fetched, and offers to try again: over the screen what would stand there. */
function NotFetched({ onAgain, onClose }: { onAgain: () => void; onClose?: () => void }) {
  if (!onClose)
    return <Trouble title="Not reached" sentence={SENTENCE} action={{ label: 'Try again', onPress: onAgain }} />;
  return (
    <Sheet title="Not reached" onClose={onClose}>
      <Words role="alert">{SENTENCE}</Words>
      <Action label="Try again" onPress={onAgain} />
    </Sheet>
  );
}

/**
 * A part that the first screen does not need: its code comes once that screen is at rest, or when it is asked for.
 *
 * `prepare` asks for it where it may be wanted in a moment. A quiet part with `onClose` stands over the screen.
 *
 * @param isQuiet whether nothing is shown while it comes, as for a sheet
 */
export const later = <Props extends object>(load: Load<Props>, isQuiet = false): LaterPart<Props> =>
  part(load, isQuiet ? 'quiet' : 'shown');

/**
 * Such a part that stands around what one came for: nothing is said while it can't be fetched, since nobody asked for it,
 * and it comes by itself as soon as it can.
 */
export const around = <Props extends object>(load: Load<Props>): LaterPart<Props> => part(load, 'around');

/** So long after it was missed a part that stands around is asked for again, in milliseconds. */
const AGAIN_AFTER = 4_000;

type Load<Props> = () => Promise<ComponentType<Props>>;
type LaterPart<Props> = ComponentType<Props> & { prepare: () => void };

function part<Props extends object>(load: Load<Props>, manner: 'shown' | 'quiet' | 'around'): LaterPart<Props> {
  let present: ComponentType<Props> | null = null;
  const ask = async () => (present = await load());
  const prepare = () => void (present ?? ask().catch(() => undefined));
  whenAtRest(prepare);
  const Later = (props: Props) => {
    const [Part, setPart] = useState(() => present);
    const [isMissed, setMissed] = useState(false);
    useEffect(() => {
      if (Part || isMissed) return;
      let isGone = false;
      ask().then(
        (part) => isGone || setPart(() => part),
        () => isGone || setMissed(true),
      );
      return () => {
        isGone = true;
      };
    }, [Part, isMissed]);
    useEffect(() => {
      if (!isMissed || manner !== 'around') return;
      const timer = setTimeout(() => setMissed(false), AGAIN_AFTER);
      return () => clearTimeout(timer);
    }, [isMissed]);
    if (Part) return <Part {...props} />;
    if (isMissed && manner !== 'around') {
      // What is shown in its place may be closed too, and lies over nothing.
      const { onClose } = manner === 'quiet' ? (props as { onClose?: () => void }) : {};
      return <NotFetched onAgain={() => setMissed(false)} onClose={onClose} />;
    }
    return manner === 'shown' ? <Loading /> : null;
  };
  return Object.assign(Later, { prepare });
}
