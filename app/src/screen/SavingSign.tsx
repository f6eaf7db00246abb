import { useAnnounced } from '../kit/useAnnounced';
import { Line, Words } from '../kit/Words';
import { useAppSelector } from '../state/store';
import { colour } from '../theme/tokens';

const SAID = { saved: 'Saved', saving: 'Saving', offline: 'Offline, kept here', full: 'No room, kept here' } as const;

/** The quiet sign of how far what was written has come. */
export function SavingSign() {
  const saving = useAppSelector((state) => state.view.saving);
  const isTrouble = saving === 'offline' || saving === 'full';
  const announced = useAnnounced(SAID[saving], isTrouble);
  return (
    <>
      <Words size={14} tone={isTrouble ? colour.ochre : colour.soft} testID="saving">
        {SAID[saving]}
      </Words>
      <Line look="said" role="status">
        {announced}
      </Line>
    </>
  );
}
