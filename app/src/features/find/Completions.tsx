import { leavesOf, withoutFilter, writeQueryLine, writtenFilter, type Asked } from '@glossarion/core/find/query';
import { foldWords } from '@glossarion/core/words';
import { Box } from '../../kit/Box';
import { hasPointerMoved } from '../../kit/movedPointer';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';
import { useNamesQuery } from '../../state/api';
import { useFoundCountsQuery } from './queries';
import { MORE, slotOf } from './slots';

const OFFERED = 8;

/** What a filter can be that is being typed. */
export interface Offer {
  key: string;
  words: string;
  /** How many it would find; unknown for places that were looked up by name. */
  count: number | undefined;
  /** The line with it. */
  line: string;
}

/** What the filter can be that is being typed at the end of the line, and what it is called; none when none is. */
export function useOffers(typed: string, asked: Asked | null): { field: string; offers: readonly Offer[] } {
  const last = leavesOf(asked).at(-1);
  const filter = last?.is === 'filter' && last.isBeginning ? last : null;
  const { field, value, from } = filter ?? { field: '', value: '', from: 0 };
  const others = filter ? writeQueryLine(withoutFilter(asked, filter)).trim() : '';
  const { data: counts } = useFoundCountsQuery(others, { skip: !filter });
  const hasNames = field === 'in' || field === 'links';
  const { currentData: named = [] } = useNamesQuery(value, { skip: !hasNames || value === '' });
  if (!filter) return { field, offers: [] };
  const slot = slotOf({ field: field.toLowerCase(), value });
  const wanted = foldWords(value);
  const values = slot === MORE ? [] : slot.values(counts);
  const offers = [
    ...values.map((each) => ({ ...each, key: each.value })),
    ...named.map((each) => ({ key: each.id, value: each.title, count: undefined })),
  ]
    .filter((each, index, all) => all.findIndex((other) => other.value === each.value) === index)
    .filter((each) => foldWords(each.value).includes(wanted))
    .slice(0, OFFERED)
    .map(({ key, value: words, count }) => ({
      key,
      words,
      count,
      line: `${typed.slice(0, from)}${writtenFilter({ field, value: words, isBeginning: false })} `,
    }));
  return { field, offers };
}

interface CompletionsProps {
  field: string;
  offers: readonly Offer[];
  /** The one that Enter takes; -1 for none. */
  active: number;
  onChoose: (index: number) => void;
  onTake: (offer: Offer) => void;
}

/** What the filter can be that is being typed, gone through from the field by the arrows. */
export function Completions({ field, offers, active, onChoose, onTake }: CompletionsProps) {
  if (offers.length === 0) return null;
  return (
    <Box look="find-completions" role="listbox" id="find-completions" aria-label={`What “${field}:” can be`}>
      {offers.map((offer, index) => (
        <Tap
          key={offer.key}
          role="option"
          id={`find-completion-${index}`}
          aria-selected={index === active}
          tabIndex={-1}
          look={`find-completion${index === active ? ' active' : ''}`}
          onPointerMove={(event) => hasPointerMoved(event.nativeEvent) && onChoose(index)}
          onPress={() => onTake(offer)}
        >
          <Said dir="auto">{offer.words}</Said>
          {offer.count !== undefined && <Said look="find-count">{offer.count}</Said>}
        </Tap>
      ))}
    </Box>
  );
}
