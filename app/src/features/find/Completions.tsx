import {
  leavesOf,
  withoutFilter,
  writeQueryLine,
  writtenFilter,
  type Asked,
  type AskedFilter,
} from '@glossarion/core/find/query';
import { foldWords } from '@glossarion/core/words';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';
import { useNamesQuery } from '../../state/api';
import { useFoundCountsQuery } from './queries';
import { MORE, slotOf } from './slots';

const OFFERED = 8;

interface CompletionsProps {
  typed: string;
  asked: Asked | null;
  onType: (typed: string) => void;
}

/** What the filter can be that is being typed at the end of the line. */
export function Completions({ typed, asked, onType }: CompletionsProps) {
  const last = leavesOf(asked).at(-1);
  if (last?.is !== 'filter' || !last.isBeginning) return null;
  return <Offered typed={typed} asked={asked} filter={last} onType={onType} />;
}

function Offered({ typed, asked, filter, onType }: CompletionsProps & { filter: AskedFilter }) {
  const { field, value, from } = filter;
  const slot = slotOf({ field: field.toLowerCase(), value });
  const { data: counts } = useFoundCountsQuery(writeQueryLine(withoutFilter(asked, filter)).trim());
  const hasNames = field === 'in' || field === 'links';
  const { currentData: named = [] } = useNamesQuery(value, { skip: !hasNames || value === '' });
  const wanted = foldWords(value);
  const values = slot === MORE ? [] : slot.values(counts);
  const fitting = [
    ...values.map((each) => ({ ...each, key: each.value })),
    ...named.map((each) => ({ key: each.id, value: each.title, count: undefined })),
  ]
    .filter((each, index, all) => all.findIndex((other) => other.value === each.value) === index)
    .filter((each) => foldWords(each.value).includes(wanted))
    .slice(0, OFFERED);
  if (fitting.length === 0) return null;
  return (
    <Box look="find-completions" role="group" aria-label={`What “${field}:” can be`}>
      {fitting.map(({ key, value: whole, count }) => (
        <Tap
          key={key}
          look="find-completion"
          onPress={() =>
            onType(`${typed.slice(0, from)}${writtenFilter({ field, value: whole, isBeginning: false })} `)
          }
        >
          <Said dir="auto">{whole}</Said>
          {count !== undefined && <Said look="find-count">{count}</Said>}
        </Tap>
      ))}
    </Box>
  );
}
