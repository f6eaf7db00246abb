import { useState } from 'react';
import type { FoundCounts, Remark } from '@glossarion/core/find';
import type { Asked, ChosenFilter } from '@glossarion/core/find/query';
import { Box } from '../../kit/Box';
import { later } from '../../kit/later';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';
import { chosenIn, exchanged, meantFilters, MORE, SLOTS, type Slot } from './slots';

const FilterSheet = later(async () => (await import('./FilterSheet')).FilterSheet, true);

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
  const control = (slot: Slot, before: ChosenFilter | null) => (
    <Tap
      key={`${slot.key} ${before?.field ?? ''} ${before?.value ?? ''}`}
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
        return [control(slot, first), ...others.map((other) => control(slot, other))];
      })}
      {chosenIn(filters, MORE).map((filter) => control(MORE, filter))}
      {control(MORE, null)}
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
