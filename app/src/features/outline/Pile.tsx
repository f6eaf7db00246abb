import { usePathname } from 'expo-router';
import { View } from 'react-native';
import type { ContentsEntry } from '@glossarion/core/outline';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { spine } from '../../theme/tokens';
import { open } from '../shell/navigation';
import { askedByMouse, useDraggable } from './OutlineDragging';
import { useNotebookHere } from './useNotebookHere';

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
export function Pile({ notebooks }: { notebooks: readonly ContentsEntry[] }) {
  const here = useNotebookHere(usePathname());
  return (
    <View role="list" aria-label="Notebooks" style={{ paddingLeft: 14 }}>
      {notebooks.map((notebook) => (
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
    <a
      ref={ref}
      {...listeners}
      href={`/n/${notebook.id}`}
      className="pile-spine"
      draggable={false}
      aria-current={isOpen ? 'true' : undefined}
      data-open={isOpen}
      data-entry={notebook.id}
      data-kind="notebook"
      data-dragged={isDragged || undefined}
      style={{ background: spine(notebook.pigment) }}
      onContextMenu={(event) => askedByMouse(event) && dispatch(sheetOpened({ for: 'entry', entryId: notebook.id }))}
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        open(`/n/${notebook.id}`);
      }}
    >
      <SpineBands side="left" />
      <span dir="auto">{notebook.name}</span>
    </a>
  );
}
