import { useAppSelector } from '../state/store';
import { colour } from '../theme/tokens';
import { Words } from '../kit/Words';

const SAID = { saved: 'Saved', saving: 'Saving', offline: 'Offline, kept here', full: 'No room, kept here' } as const;

/** The quiet sign of how far what was written has come. */
export function SavingSign() {
  const saving = useAppSelector((state) => state.view.saving);
  return (
    <Words
      size={14}
      tone={saving === 'offline' || saving === 'full' ? colour.ochre : colour.soft}
      role="status"
      testID="saving"
    >
      {SAID[saving]}
    </Words>
  );
}
