import type { MarginFacets } from '@glossarion/core/margin';
import { useMarginQuery } from '../../state/api';
import type { MarginView } from '../../state/types';
import { pigmentColour } from '../../theme/tokens';
import { isFiltered } from './marginView';
import type { MarginState } from './useMargin';

const NO_FACETS: MarginFacets = { notebooks: [], tags: [], aside: 0 };
const GROUPS: { group: NonNullable<MarginView['group']>; label: string }[] = [
  { group: 'line', label: 'Beside its line' },
  { group: 'page', label: 'By page' },
  { group: 'day', label: 'By day' },
];
const TIMES: { since: MarginView['since']; label: string }[] = [
  { since: null, label: 'Any time' },
  { since: 'week', label: 'This week' },
  { since: 'month', label: 'This month' },
  { since: 'year', label: 'This year' },
];
/** More tags than these are a list to search, not to look through. */
const SHOWN_TAGS = 8;

/** What of the Margin is shown, and how. All of it is remembered for the page. */
export function MarginTools({ margin: { pageId, view, change } }: { margin: MarginState }) {
  const { data } = useMarginQuery({ id: pageId, limit: 1, hasFacets: true });
  const facets = data?.facets ?? NO_FACETS;
  const group = view.group ?? 'line';
  return (
    <div className="margin-tools" role="group" aria-label="What the Margin shows">
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
      {facets.notebooks.length > 1 && (
        <Choices label="From">
          {facets.notebooks.map(({ id, name, pigment, count }) => (
            <Choice
              key={id}
              isOn={view.notebook === id}
              edge={pigmentColour(pigment)}
              onPress={() => change({ notebook: view.notebook === id ? null : id })}
            >
              {name} <small>{count}</small>
            </Choice>
          ))}
        </Choices>
      )}
      {facets.tags.length > 0 && (
        <Choices label="Tag">
          {facets.tags.slice(0, SHOWN_TAGS).map(({ tag, name, count }) => (
            <Choice
              key={tag}
              isOn={view.tag === tag}
              isTag
              onPress={() => change({ tag: view.tag === tag ? null : tag })}
            >
              {name} <small>{count}</small>
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
      <Choices label="And">
        {(facets.aside > 0 || view.isWithoutAside) && (
          <Choice isOn={view.isWithoutAside === true} onPress={() => change({ isWithoutAside: !view.isWithoutAside })}>
            Without what is laid aside <small>{facets.aside}</small>
          </Choice>
        )}
        {isFiltered(view) && (
          <Choice
            isOn={false}
            onPress={() => change({ notebook: null, tag: null, since: null, isWithoutAside: false })}
          >
            Show all
          </Choice>
        )}
        <Choice isOn={false} onPress={() => change({ isHidden: true })}>
          Hide on this page
        </Choice>
      </Choices>
    </div>
  );
}

function Choices({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="margin-choices">
      <span aria-hidden>{label}</span>
      <div>{children}</div>
    </div>
  );
}

interface ChoiceProps {
  isOn: boolean;
  onPress: () => void;
  edge?: string;
  isTag?: boolean;
  children: React.ReactNode;
}

function Choice({ isOn, onPress, edge, isTag, children }: ChoiceProps) {
  return (
    <button
      type="button"
      className={isTag ? 'margin-choice tag' : 'margin-choice'}
      aria-pressed={isOn}
      style={edge ? { borderInlineStart: `3px solid ${edge}`, paddingInlineStart: 6 } : undefined}
      onClick={onPress}
    >
      {children}
    </button>
  );
}
