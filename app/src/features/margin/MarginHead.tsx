import { useState } from 'react';
import { MarginTools } from './marginParts';
import { isFiltered } from './marginView';
import type { MarginState } from './useMargin';
import { useAppDispatch } from '../../state/store';
import { marginToggled } from '../../state/view';
import { Box } from '../../kit/Box';
import { Heading, Said } from '../../kit/Words';
import { Tap } from '../../kit/Tap';

/** How many lines point here, in words. */
export function linkedWords({ count, total, view, isKnown }: MarginState): string {
  if (!isKnown) return '';
  if (total === 0) return 'Nothing points here yet';
  return isFiltered(view) ? `${count} of ${total} linked` : `${total} linked`;
}

interface MarginHeadProps {
  margin: MarginState;
  /** Shows what names the page without a link. */
  onNamed: () => void;
}

/** The head of the Margin: what there is, and how it is shown. */
export function MarginHead({ margin, onNamed }: MarginHeadProps) {
  const [isOpen, setOpen] = useState(false);
  const { alsoNamed, total, view } = margin;
  const dispatch = useAppDispatch();
  return (
    <>
      <Box look="margin-head">
        <Heading level={2}>Margin</Heading>
        <Said>{linkedWords(margin)}</Said>
        {alsoNamed > 0 && (
          <Tap look="margin-named" onPress={onNamed}>
            {alsoNamed} also named
          </Tap>
        )}
        {(total > 0 || isFiltered(view)) && (
          <Tap
            look="margin-show"
            aria-expanded={isOpen}
            onPress={() => setOpen(!isOpen)}
            dataSet={{ on: isFiltered(view) || undefined }}
          >
            Show
          </Tap>
        )}
        <Tap look="margin-away" onPress={() => dispatch(marginToggled())}>
          Put away
        </Tap>
      </Box>
      {isOpen && <MarginTools margin={margin} />}
    </>
  );
}
