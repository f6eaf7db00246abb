import { useEntryQuery } from '../../state/api';
import { open } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { addressOfStep } from './Trail';

/** A whole trail, a step a line, with nothing cut: each opens. */
export function TrailSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const { data: entry } = useEntryQuery(entryId);
  if (!entry) return null;
  return (
    <Sheet title="Where this stands" onClose={onClose}>
      <ol className="places trail-steps">
        {entry.trail.map((step, index) => (
          <li key={step.id} style={{ paddingInlineStart: Math.min(index, 8) * 12 }}>
            <a
              href={addressOfStep(step)}
              onClick={(event) => {
                if (event.metaKey || event.ctrlKey) return;
                event.preventDefault();
                onClose();
                open(addressOfStep(step));
              }}
            >
              <span dir="auto">{step.name}</span>
            </a>
          </li>
        ))}
      </ol>
    </Sheet>
  );
}
