import type { MarginFacets } from '@glossarion/core/margin';
import { useMarginQuery } from '../../state/api';
import type { MarginView } from '../../state/types';
import { Choice, Choices, FromChoices, SHOWN_CHOICES, WhichChoices } from './FilterChoices';
import { isFiltered } from './marginView';
import type { MarginState } from './useMargin';
import { Box } from '../../kit/Box';
import { Said } from '../../kit/Words';

const NO_FACETS: MarginFacets = { notebooks: [], tags: [], kinds: [], aside: 0 };
const GROUPS: { group: NonNullable<MarginView['group']>; label: string }[] = [
  { group: 'line', label: 'Beside its line' },
  { group: 'page', label: 'By page' },
  { group: 'day', label: 'By day' },
  { group: 'log', label: 'As a log' },
];
/** What of the Margin is shown, and how. All of it is remembered for the page. */
export function MarginTools({ margin: { pageId, view, change } }: { margin: MarginState }) {
  const { data } = useMarginQuery({ id: pageId, limit: 1, hasFacets: true });
  const facets = data?.facets ?? NO_FACETS;
  const group = view.group ?? 'line';
  return (
    <Box look="margin-tools" role="group" aria-label="What the Margin shows">
      <Choices label="Set">
        {GROUPS.map((each) => (
          <Choice
            key={each.group}
            isOn={group === each.group}
            onPress={() => change({ group: each.group === 'line' ? undefined : each.group })}
          >
            {each.label}
          </Choice>
        ))}
        <Choice isOn={view.isFolded === true} onPress={() => change({ isFolded: !view.isFolded })}>
          Folded
        </Choice>
      </Choices>
      <Choices label="First">
        <Choice isOn={(view.order ?? 'newest') === 'newest'} onPress={() => change({ order: undefined })}>
          The newest
        </Choice>
        <Choice isOn={view.order === 'oldest'} onPress={() => change({ order: 'oldest' })}>
          The oldest
        </Choice>
        <Choice isOn={view.order === 'telling'} onPress={() => change({ order: 'telling' })}>
          What fits its line best
        </Choice>
      </Choices>
      <FromChoices facets={facets} view={view} change={change} />
      {facets.tags.length > 0 && (
        <Choices label="Tag">
          {facets.tags.slice(0, SHOWN_CHOICES).map(({ tag, name, count }) => (
            <Choice
              key={tag}
              isOn={view.tag === tag}
              isTag
              onPress={() => change({ tag: view.tag === tag ? null : tag })}
            >
              {name} <Said look="small">{count}</Said>
            </Choice>
          ))}
        </Choices>
      )}
      <WhichChoices facets={facets} view={view} change={change} />
      <Choices label="And">
        {(facets.aside > 0 || view.isWithoutAside) && (
          <Choice isOn={view.isWithoutAside === true} onPress={() => change({ isWithoutAside: !view.isWithoutAside })}>
            Without what is laid aside <Said look="small">{facets.aside}</Said>
          </Choice>
        )}
        {isFiltered(view) && (
          <Choice
            isOn={false}
            onPress={() => change({ notebook: null, tag: null, kind: null, since: null, isWithoutAside: false })}
          >
            Show all
          </Choice>
        )}
        <Choice isOn={false} onPress={() => change({ isHidden: true })}>
          Hide on this page
        </Choice>
      </Choices>
    </Box>
  );
}
