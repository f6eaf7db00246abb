import { useEntryQuery } from '../../state/api';
import { open } from '../../screen/navigation';
import { Sheet } from '../../kit/Sheet';
import { addressOfStep } from './Trail';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';
import { AwaitedSheet } from '../../screen/AwaitedSheet';

/** A whole trail, a step a line, with nothing cut: each opens. */
export function TrailSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
  return (
    <Sheet title="Where this stands" onClose={onClose}>
      <Box role="list" look="places trail-steps">
        {entry.trail.map((step, index) => (
          <Box role="listitem" key={step.id} style={{ paddingInlineStart: Math.min(index, 8) * 12 }}>
            <Way
              to={addressOfStep(step)}
              onOpen={() => {
                onClose();
                open(addressOfStep(step));
              }}
            >
              <Said dir="auto">{step.name}</Said>
            </Way>
          </Box>
        ))}
      </Box>
    </Sheet>
  );
}
