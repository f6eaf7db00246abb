import { usePathname } from 'expo-router';
import { View } from 'react-native';
import type { ContentsEntry } from '@glossarion/core/outline';
import { useNotebooksQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { spine } from '../../theme/tokens';
import { open } from '../../screen/navigation';
import { askedByMouse, useDraggable } from './OutlineDragging';
import { useNotebookHere } from './useNotebookHere';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';

/** The bands at the edge of a spine. */
export function SpineBands({ side, inset = 5 }: { side: 'left' | 'right'; inset?: number }) {
  return (
    <View
      style={{
        position: 'absolute',
        [side]: inset,
        top: 3,
        bottom: 3,
        width: 5,
        borderLeftWidth: 1,
        borderRightWidth: 1,
        borderColor: 'rgba(255,255,255,.6)',
      }}
    />
  );
}

/** The notebooks as a pile of spines in the rail; the open one is drawn out. */
export function Pile() {
  const { data: notebooks = [] } = useNotebooksQuery();
  const piled = notebooks.filter((notebook) => notebook.season === null);
  const here = useNotebookHere(usePathname());
  return (
    <View role="list" aria-label="Notebooks" style={{ paddingLeft: 14 }}>
      {piled.map((notebook) => (
        <View role="listitem" key={notebook.id}>
          <PileSpine notebook={notebook} isOpen={notebook.id === here} />
        </View>
      ))}
    </View>
  );
}

function PileSpine({ notebook, isOpen }: { notebook: ContentsEntry; isOpen: boolean }) {
  const dispatch = useAppDispatch();
  const { ref, listeners, isDragged } = useDraggable(notebook, notebook.name);
  return (
    <Way
      ref={ref}
      {...listeners}
      to={`/n/${notebook.id}`}
      look="pile-spine"
      aria-current={isOpen ? 'true' : undefined}
      style={{ background: spine(notebook.pigment) }}
      onContextMenu={(event) => askedByMouse(event) && dispatch(sheetOpened({ for: 'entry', entryId: notebook.id }))}
      onOpen={() => open(`/n/${notebook.id}`)}
      dataSet={{ open: isOpen, entry: notebook.id, kind: 'notebook', dragged: isDragged || undefined }}
    >
      <SpineBands side="left" />
      <Said dir="auto">{notebook.name}</Said>
    </Way>
  );
}
