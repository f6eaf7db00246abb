import type { TrailStep } from '@glossarion/core/outline';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { toggleContents } from '../outline/contentsView';
import { goBack, goForward, open } from '../shell/navigation';
import { useRoom } from '../shell/useRoom';

export const addressOfStep = (step: TrailStep): string => (step.kind === 'page' ? `/p/${step.id}` : `/n/${step.id}`);

/** A trail of more steps than this is shown by its ends; the whole of it opens by the number between. */
const SHOWN_WIDE = 4;
const SHOWN_PHONE = 2;

function Step({ step }: { step: TrailStep }) {
  const address = addressOfStep(step);
  return (
    <a
      className="trail-step"
      href={address}
      title={step.name}
      dir="auto"
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        open(address);
      }}
    >
      {step.name || 'Nameless page'}
    </a>
  );
}

/** Opens the whole trail, where some of it was left out. */
function Between({ entryId, count }: { entryId: string; count: number }) {
  const dispatch = useAppDispatch();
  return (
    <button
      type="button"
      className="trail-between"
      aria-label={`Show the whole trail, ${count} more steps`}
      onClick={() => dispatch(sheetOpened({ for: 'trail', entryId }))}
    >
      {count} between
    </button>
  );
}

interface TrailProps {
  entryId: string;
  trail: readonly TrailStep[];
  title: string;
}

/** Where a page stands, on a wide screen: every step from the notebook down, and back, forward and up. */
export function Trail({ entryId, trail, title }: TrailProps) {
  const left = trail.length > SHOWN_WIDE ? trail.slice(2, -2) : [];
  const shown = trail.filter((step) => !left.includes(step));
  const up = trail[trail.length - 1];
  const { hasContents } = useRoom(entryId);
  return (
    <nav aria-label="Trail" className="trail">
      {!hasContents && trail.length > 0 && (
        <button type="button" className="trail-contents" onClick={toggleContents}>
          Contents
        </button>
      )}
      <span className="trail-ways">
        <button type="button" aria-label="Back" onClick={goBack}>
          ←
        </button>
        <button type="button" aria-label="Forward" onClick={goForward}>
          →
        </button>
        {up && (
          <button type="button" aria-label={`Up to ${up.name}`} onClick={() => open(addressOfStep(up))}>
            ↑
          </button>
        )}
      </span>
      {shown.map((step, index) => (
        <span key={step.id} className="trail-part">
          {left.length > 0 && index === 2 && (
            <>
              <Between entryId={entryId} count={left.length} />
              <span aria-hidden>/</span>
            </>
          )}
          <Step step={step} />
          <span aria-hidden>/</span>
        </span>
      ))}
      <span className="trail-here" dir="auto">
        {title}
      </span>
    </nav>
  );
}

/** Where a page stands, on a phone: back, in what, and in which notebook; the steps between open as a list. */
export function PhoneTrail({ entryId, trail }: Omit<TrailProps, 'title'>) {
  const [nearest, ...others] = [...trail].reverse();
  const left = others.length > SHOWN_PHONE ? others.slice(0, -1) : [];
  const shown = others.filter((step) => !left.includes(step));
  return (
    <nav aria-label="Trail" className="trail phone">
      <span className="trail-ways">
        <button type="button" aria-label="Back" onClick={goBack}>
          ←
        </button>
      </span>
      <span className="trail-line">
        {nearest && (
          <span className="trail-part">
            <span>in</span>
            <Step step={nearest} />
          </span>
        )}
        {left.length > 0 && <Between entryId={entryId} count={left.length} />}
        {shown.map((step) => (
          <span key={step.id} className="trail-part">
            <span>in</span>
            <Step step={step} />
          </span>
        ))}
      </span>
    </nav>
  );
}
