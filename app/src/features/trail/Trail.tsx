import type { Outside, TrailStep } from '@glossarion/core/outline';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { toggleContents } from '../../screen/contentsView';
import { count as counted } from '../../kit/count';
import { goBack, goForward, open } from '../../screen/navigation';
import { useRoom } from '../../screen/useRoom';
import { Way } from '../../kit/Way';
import { Tap } from '../../kit/Tap';
import { Box } from '../../kit/Box';
import { Said } from '../../kit/Words';

export const addressOfStep = (step: TrailStep): string => (step.kind === 'page' ? `/p/${step.id}` : `/n/${step.id}`);

/** A trail of more steps than this is shown by its ends; the whole of it opens by the number between. */
const SHOWN_WIDE = 4;
const SHOWN_PHONE = 2;

function Step({ step }: { step: TrailStep }) {
  const address = addressOfStep(step);
  return (
    <Way look="trail-step" to={address} tip={step.name} dir="auto" onOpen={() => open(address)}>
      {step.name || 'Nameless page'}
    </Way>
  );
}

/** Opens the whole trail, where some of it was left out. */
function Between({ entryId, count }: { entryId: string; count: number }) {
  const dispatch = useAppDispatch();
  return (
    <Tap
      look="trail-between"
      aria-label={`Show the whole trail, ${counted(count, 'more step')}`}
      onPress={() => dispatch(sheetOpened({ for: 'trail', entryId }))}
    >
      {count} between
    </Tap>
  );
}

/** What stands in no notebook, by where it stands. */
const OUTSIDE: Record<Outside, { name: string; address: string }> = {
  journal: { name: 'Journal', address: '/today' },
  tray: { name: 'Tray', address: '/tray' },
};

function OutsideStep({ outside }: { outside: Outside }) {
  const { name, address } = OUTSIDE[outside];
  return (
    <Way look="trail-step" to={address} onOpen={() => open(address)}>
      {name}
    </Way>
  );
}

interface TrailProps {
  /** What it stands in when that is no notebook. */
  standsIn?: Outside | null;
  entryId: string;
  trail: readonly TrailStep[];
  title: string;
}

/** Where a page stands, on a wide screen: every step from the notebook down, and back, forward and up. */
export function Trail({ entryId, trail, title, standsIn }: TrailProps) {
  const left = trail.length > SHOWN_WIDE ? trail.slice(2, -2) : [];
  const shown = trail.filter((step) => !left.includes(step));
  const up = trail[trail.length - 1];
  const { hasContents } = useRoom(entryId);
  return (
    <Box role="navigation" aria-label="Trail" look="trail">
      {!hasContents && trail.length > 0 && (
        <Tap look="trail-contents" onPress={toggleContents}>
          Contents
        </Tap>
      )}
      <Box look="trail-ways">
        <Tap aria-label="Back" onPress={goBack}>
          ←
        </Tap>
        <Tap aria-label="Forward" onPress={goForward}>
          →
        </Tap>
        {up && (
          <Tap aria-label={`Up to ${up.name}`} onPress={() => open(addressOfStep(up))}>
            ↑
          </Tap>
        )}
      </Box>
      {standsIn && (
        <Said look="trail-part">
          <OutsideStep outside={standsIn} />
          <Said aria-hidden>/</Said>
        </Said>
      )}
      {shown.map((step, index) => (
        <Said key={step.id} look="trail-part">
          {left.length > 0 && index === 2 && (
            <>
              <Between entryId={entryId} count={left.length} />
              <Said aria-hidden>/</Said>
            </>
          )}
          <Step step={step} />
          <Said aria-hidden>/</Said>
        </Said>
      ))}
      <Said look="trail-here" dir="auto">
        {title}
      </Said>
    </Box>
  );
}

/** Where a page stands, on a phone: back, in what, and in which notebook; the steps between open as a list. */
export function PhoneTrail({ entryId, trail, standsIn }: Omit<TrailProps, 'title'>) {
  const [nearest, ...others] = [...trail].reverse();
  const left = others.length > SHOWN_PHONE ? others.slice(0, -1) : [];
  const shown = others.filter((step) => !left.includes(step));
  return (
    <Box role="navigation" aria-label="Trail" look="trail phone">
      <Box look="trail-ways">
        <Tap aria-label="Back" onPress={goBack}>
          ←
        </Tap>
      </Box>
      <Box look="trail-line">
        {standsIn && (
          <Said look="trail-part">
            <Said>in</Said>
            <OutsideStep outside={standsIn} />
          </Said>
        )}
        {nearest && (
          <Said look="trail-part">
            <Said>in</Said>
            <Step step={nearest} />
          </Said>
        )}
        {left.length > 0 && <Between entryId={entryId} count={left.length} />}
        {shown.map((step) => (
          <Said key={step.id} look="trail-part">
            <Said>in</Said>
            <Step step={step} />
          </Said>
        ))}
      </Box>
    </Box>
  );
}
