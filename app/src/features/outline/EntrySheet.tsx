import { Offers } from '../../kit/Offers';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { useEntryQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';
import type { ChosenEntry } from '../../state/view';
import { colour } from '../../theme/tokens';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { chosenOffers, entryOffers } from './entryOffers';
import { holdsWords } from './holds';
import { usePinned } from './usePinned';

/** What can be done with an entry; with all that are chosen, when it is one of them. */
export function EntrySheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const chosen = useAppSelector((state) => state.view.chosen);
  if (chosen && chosen.length > 1 && chosen.some(({ id }) => id === entryId)) {
    return <ChosenSheet chosen={chosen} onClose={onClose} />;
  }
  return <OneSheet entryId={entryId} onClose={onClose} />;
}

function OneSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  const isPinned = usePinned(entryId);
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
  return (
    <Sheet title={entry.title} onClose={onClose}>
      {entry.description !== '' && <Words style={{ paddingBottom: 4 }}>{entry.description}</Words>}
      <Words tone={colour.soft}>{holdsWords(entry)}</Words>
      <Offers groups={entryOffers(entry, isPinned)} onClose={onClose} />
    </Sheet>
  );
}

function ChosenSheet({ chosen, onClose }: { chosen: readonly ChosenEntry[]; onClose: () => void }) {
  return (
    <Sheet title={`${chosen.length} chosen`} onClose={onClose}>
      <Words tone={colour.soft}>{chosen.map(({ title }) => title).join(' · ')}</Words>
      <Offers groups={chosenOffers(chosen)} onClose={onClose} />
    </Sheet>
  );
}
