import { memo } from 'react';
import type { GlossOrder, MarginFilter, StackPlace } from '@glossarion/core/margin';
import { pigmentColour } from '../../theme/tokens';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';
import { GlossView } from './GlossView';
import { StackRest } from './marginParts';
import { glossKey, besideWords, stackId, type ShownStack } from './stacks';

interface StackViewProps {
  pageId: string;
  stack: ShownStack;
  place: StackPlace | undefined;
  /** Whether its glosses are drawn though it is closed, to be measured. */
  isCandidate: boolean;
  isPresent: boolean;
  isFolded: boolean;
  /** Whether it stands open only because somebody opened it or is at its line. */
  isHeld: boolean;
  highest: number;
  filter: MarginFilter;
  order: GlossOrder;
  onToggle: (key: string) => void;
}

/** The glosses of one line, open beside it or closed to their number and the first words. */
export const StackView = memo(function StackView(props: StackViewProps) {
  const { pageId, stack, place, isCandidate, isPresent, isFolded, isHeld, highest, filter, order, onToggle } = props;
  const { key, count, pigments, firstWords, glosses } = stack;
  const isOpen = place?.state === 'open';
  const beside = besideWords(stack);
  return (
    <Box
      id={stackId(key)}
      role="group"
      aria-label={`${count} here, ${beside}`}
      look="margin-stack"
      dataSet={{ stack: key, state: place?.state ?? 'unplaced', present: isPresent || undefined }}
      style={{
        top: place?.top ?? 0,
        maxHeight: isOpen ? highest : undefined,
        visibility: place ? 'visible' : 'hidden',
      }}
    >
      {/* One button, whether it opens or closes, and there even when neither: it keeps the focus. */}
      <Tap
        look={
          !isOpen
            ? place?.state === 'short'
              ? 'stack-closed short'
              : 'stack-closed'
            : isHeld
              ? 'stack-head'
              : 'stack-away'
        }
        aria-expanded={isOpen}
        aria-label={isOpen ? `Close ${count} here` : `${count} here, ${beside}: ${firstWords}`}
        dataSet={{ measured: isHeld ? key : undefined }}
        onPress={() => onToggle(key)}
      >
        {!isOpen && <Pigments pigments={pigments} />}
        <Said look="stack-words">
          <Said look="strong">{count} here.</Said> {isOpen ? 'Close' : firstWords}
        </Said>
      </Tap>
      {(isOpen || isCandidate) && (
        <Box look={isOpen ? 'stack-open' : 'stack-open measured'} aria-hidden={!isOpen || undefined}>
          <Box dataSet={{ measured: key }}>
            {glosses.map((gloss) => (
              <Box key={glossKey(gloss)} look="margin-gloss" dataSet={{ gloss: glossKey(gloss), line: key }}>
                <GlossView gloss={gloss} isFolded={isFolded} beside={beside} />
              </Box>
            ))}
            {isOpen && glosses.length < count && (
              <StackRest
                pageId={pageId}
                stack={stack}
                filter={filter}
                order={order}
                from={glosses.length}
                isFolded={isFolded}
              />
            )}
          </Box>
        </Box>
      )}
    </Box>
  );
});

/** The pigments of where the glosses of a stack come from. */
export function Pigments({ pigments }: { pigments: ShownStack['pigments'] }) {
  return (
    <Box look="stack-pigments" aria-hidden>
      {pigments.map((pigment) => (
        <Box key={pigment ?? 'none'} style={{ background: pigmentColour(pigment) }} />
      ))}
    </Box>
  );
}
