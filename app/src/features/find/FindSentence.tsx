import { useState } from 'react';
import type { FoundCounts, Remark } from '@glossarion/core/find';
import type { Asked, ChosenFilter } from '@glossarion/core/find/query';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';
import { FilterSheet } from './FilterSheet';
import { chosenIn, exchanged, meantFilters, MORE, SLOTS, type Slot } from './slots';

interface FindSentenceProps {
  asked: Asked | null;
  remarks: readonly Remark[];
  counts: FoundCounts | undefined;
  total: string | null;
  onAsk: (next: Asked | null) => void;
}

/** What is found, in a sentence: each underlined part of it is what changes it. */
export function FindSentence({ asked, remarks, counts, total, onAsk }: FindSentenceProps) {
  const filters = meantFilters(asked, remarks);
  const [changing, setChanging] = useState<{ slot: Slot; before: ChosenFilter | null } | null>(null);
  // Known by its place in the sentence, so that the focus comes back to it, whatever it says by then.
  const control = (slot: Slot, before: ChosenFilter | null, place: number) => (
    <Tap
      key={`${slot.key} ${place}`}
      look={before ? 'find-control chosen' : 'find-control'}
      aria-haspopup="dialog"
      onPress={() => setChanging({ slot, before })}
    >
      {before ? slot.said(before)! : slot.open}
    </Tap>
  );
  return (
    <Box look="find-sentence" role="group" aria-label="What is found">
      <Said>{total === null ? 'Pages' : `${total} found`}</Said>
      {SLOTS.map((slot) => {
        const [first = null, ...others] = chosenIn(filters, slot);
        return [first, ...others].map((each, place) => control(slot, each, place));
      })}
      {[...chosenIn(filters, MORE), null].map((each, place) => control(MORE, each, place))}
      {changing && (
        <FilterSheet
          slot={changing.slot}
          before={changing.before}
          counts={counts}
          onClose={() => setChanging(null)}
          onTake={(next) => {
            setChanging(null);
            onAsk(exchanged(asked, changing.before, next));
          }}
        />
      )}
    </Box>
  );
}
