import type { Jotting } from '@glossarion/core/tray';
import { Group } from '../../kit/Group';
import { around, later } from '../../kit/later';
import { Sheet } from '../../kit/Sheet';
import { jottingTitle } from './jottingWords';
import type { Asked } from './JottingRow';
import { comeBackOn, fileTo, makePages } from './trayActs';

const Days = around(async () => (await import('../../screen/TaskSheet')).Days);

// Asked by others too: each stays a part of its own.
const HolderSheet = later(async () => (await import('../parts/HolderSheet')).HolderSheet, true);
const PagePlaceSheet = later(async () => (await import('../parts/PagePlaceSheet')).PagePlaceSheet, true);

interface JottingSheetProps {
  jottings: readonly Jotting[];
  onClose: () => void;
}

const whichOf = (jottings: readonly Jotting[]): string =>
  jottings.length === 1 ? `“${jottingTitle(jottings[0]!)}”` : `${jottings.length} jottings`;

/** Files jottings to a page. */
const FileSheet = ({ jottings, onClose }: JottingSheetProps) => (
  <PagePlaceSheet
    title={`File ${whichOf(jottings)} to…`}
    except={jottings.map(({ id }) => id)}
    onChoose={(page, at) => fileTo(jottings, page, at)}
    onClose={onClose}
  />
);

/** Makes pages of jottings, in whatever is chosen. */
const PageOfSheet = ({ jottings, onClose }: JottingSheetProps) => (
  <HolderSheet
    title={jottings.length === 1 ? 'Where shall the page stand?' : 'Where shall the pages stand?'}
    onChoose={(holder) => makePages(jottings, holder)}
    onClose={onClose}
  />
);

/** Sets the day on which jottings come back. */
function ComeBackSheet({ jottings, onClose }: JottingSheetProps) {
  const back = (day: string | null) => {
    onClose();
    if (day) void comeBackOn(jottings, day);
  };
  return (
    <Sheet title={`When shall ${whichOf(jottings)} come back?`} onClose={onClose}>
      <Group>
        <Days label="Come back" isLater none={null} onDay={back} onWhen={({ day }) => back(day)} />
      </Group>
    </Sheet>
  );
}

const SHEETS: Record<Asked, (props: JottingSheetProps) => React.ReactNode> = {
  file: FileSheet,
  page: PageOfSheet,
  back: ComeBackSheet,
};

/** The sheet that asks where jottings go, or when they come back. */
export function JottingSheet({ asked, ...props }: JottingSheetProps & { asked: Asked }) {
  const Asks = SHEETS[asked];
  return <Asks {...props} />;
}
