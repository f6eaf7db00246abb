import type { Jotting } from '@glossarion/core/tray';
import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { useToday } from '../../screen/useToday';
import { pigmentColour } from '../../theme/tokens';
import { jottingSaid, jottingTitle } from './jottingWords';

/** What waits in the Tray: its first words, and the way there. */
export function DeskTray({ jottings, waiting }: { jottings: readonly Jotting[]; waiting: number }) {
  const today = useToday();
  if (jottings.length === 0) return <Empty>Nothing waits. What you jot down comes to stand here.</Empty>;
  return (
    <>
      <Box role="list">
        {jottings.map((jotting) => (
          <Box role="listitem" key={jotting.id} style={{ borderInlineStartColor: pigmentColour('plum') }}>
            <Way to="/tray" onOpen={() => open('/tray')} look="desk-line">
              <Said look="desk-title jotted" dir="auto">
                {jottingTitle(jotting)}
              </Said>
              <Said look="desk-detail">{jottingSaid(jotting, today)}</Said>
            </Way>
          </Box>
        ))}
      </Box>
      {waiting > jottings.length && (
        <Way to="/tray" onOpen={() => open('/tray')} look="desk-line all">
          <Said look="desk-detail">{`All ${waiting} in the Tray`}</Said>
        </Way>
      )}
    </>
  );
}
