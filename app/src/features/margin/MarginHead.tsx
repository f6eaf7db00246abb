import { useState } from 'react';
import { MarginTools } from './marginParts';
import { isFiltered } from './marginView';
import type { MarginState } from './useMargin';

/** How many lines point here, in words. */
export function linkedWords({ count, total, view }: MarginState): string {
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
  return (
    <>
      <div className="margin-head">
        <h2>Margin</h2>
        <span>{linkedWords(margin)}</span>
        {alsoNamed > 0 && (
          <button type="button" className="margin-named" onClick={onNamed}>
            {alsoNamed} also named
          </button>
        )}
        {(total > 0 || isFiltered(view)) && (
          <button
            type="button"
            className="margin-show"
            aria-expanded={isOpen}
            data-on={isFiltered(view) || undefined}
            onClick={() => setOpen(!isOpen)}
          >
            Show
          </button>
        )}
      </div>
      {isOpen && <MarginTools margin={margin} />}
    </>
  );
}
