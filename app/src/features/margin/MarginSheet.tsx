import { useEffect, useRef } from 'react';
import { GlossView } from './GlossView';
import { glossKey, type GlossGroup } from './useMargin';

interface MarginSheetProps {
  groups: readonly GlossGroup[];
  count: number;
  /** Whether it is drawn up, and the line whose glosses were asked for. */
  isOpen: boolean;
  lineId: string | null;
  onToggle: (isOpen: boolean) => void;
}

/** The Margin on a phone: a strip above the bar that is drawn up to a sheet. */
export function MarginSheet({ groups, count, isOpen, lineId, onToggle }: MarginSheetProps) {
  const list = useRef<HTMLDivElement>(null);

  useEffect(() => {
    if (!isOpen) return;
    const asked = list.current?.querySelector<HTMLElement>(`[data-line='${lineId ?? 'head'}']`);
    asked?.scrollIntoView({ block: 'start' });
  }, [isOpen, lineId]);

  useEffect(() => {
    if (!isOpen) return;
    const close = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onToggle(false);
    };
    document.addEventListener('keydown', close);
    return () => document.removeEventListener('keydown', close);
  }, [isOpen, onToggle]);

  if (count === 0) return null;
  return (
    <aside className={isOpen ? 'margin-sheet open' : 'margin-sheet'} aria-label="Margin">
      <button type="button" className="margin-grab" aria-expanded={isOpen} onClick={() => onToggle(!isOpen)}>
        <span className="grab" />
        <span className="margin-grab-words">
          <strong>Margin</strong> {count} linked
        </span>
      </button>
      {isOpen && (
        <div ref={list} className="margin-list" tabIndex={0} role="group" aria-label="Lines that point here">
          {groups.flatMap((group) =>
            group.glosses.map((gloss) => (
              <div key={glossKey(gloss)} data-line={group.lineId ?? 'head'} className="margin-list-gloss">
                <GlossView gloss={gloss} />
              </div>
            )),
          )}
        </div>
      )}
    </aside>
  );
}
