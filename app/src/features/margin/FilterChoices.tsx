import type { MarginFacets } from '@glossarion/core/margin';
import type { MarginView } from '../../state/types';
import { pigmentColour } from '../../theme/tokens';
import { Box } from '../../kit/Box';
import { Said } from '../../kit/Words';
import { Tap } from '../../kit/Tap';

const TIMES: { since: MarginView['since']; label: string }[] = [
  { since: null, label: 'Any time' },
  { since: 'week', label: 'This week' },
  { since: 'month', label: 'This month' },
  { since: 'year', label: 'This year' },
];
/** More than these are a list to search, not to look through. */
export const SHOWN_CHOICES = 8;

interface FilterProps {
  facets: MarginFacets;
  view: MarginView;
  change: (changes: MarginView) => void;
}

/** From which notebooks lines are shown. */
export function FromChoices({ facets, view, change }: FilterProps) {
  return (
    <>
      {facets.notebooks.length > 1 && (
        <Choices label="From">
          {facets.notebooks.map(({ id, name, pigment, count }) => (
            <Choice
              key={id}
              isOn={view.notebook === id}
              edge={pigmentColour(pigment)}
              onPress={() => change({ notebook: view.notebook === id ? null : id })}
            >
              {name} <Said look="small">{count}</Said>
            </Choice>
          ))}
        </Choices>
      )}
    </>
  );
}

/** From which kinds of pages lines are shown, and since when. */
export function WhichChoices({ facets, view, change }: FilterProps) {
  return (
    <>
      {facets.kinds.length > 0 && (
        <Choices label="Kind">
          {facets.kinds.slice(0, SHOWN_CHOICES).map(({ kind, name, count }) => (
            <Choice
              key={kind}
              isOn={view.kind === kind}
              onPress={() => change({ kind: view.kind === kind ? null : kind })}
            >
              {name} <Said look="small">{count}</Said>
            </Choice>
          ))}
        </Choices>
      )}
      <Choices label="Since">
        {TIMES.map(({ since, label }) => (
          <Choice key={label} isOn={(view.since ?? null) === since} onPress={() => change({ since })}>
            {label}
          </Choice>
        ))}
      </Choices>
    </>
  );
}

export function Choices({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box look="margin-choices">
      <Said look="margin-choices-label" aria-hidden>
        {label}
      </Said>
      <Box look="margin-choices-all">{children}</Box>
    </Box>
  );
}

interface ChoiceProps {
  isOn: boolean;
  onPress: () => void;
  edge?: string;
  isTag?: boolean;
  children: React.ReactNode;
}

export function Choice({ isOn, onPress, edge, isTag, children }: ChoiceProps) {
  return (
    <Tap
      look={isTag ? 'margin-choice tag' : 'margin-choice'}
      aria-pressed={isOn}
      style={
        edge
          ? {
              borderInlineStartStyle: 'solid',
              borderInlineStartWidth: 3,
              borderInlineStartColor: edge,
              paddingInlineStart: 6,
            }
          : undefined
      }
      onPress={onPress}
    >
      {children}
    </Tap>
  );
}
