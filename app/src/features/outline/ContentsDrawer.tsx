import { usePathname } from 'expo-router';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { createPortal } from 'react-dom';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { contentsDrawn } from '../../state/view';
import { useModal } from '../../kit/useModal';
import { useRoom } from '../../screen/useRoom';
import { usePlaceHere } from './useNotebookHere';
import { Box } from '../../kit/Box';
import { later } from '../../kit/later';

const NotebookContents = later(async () => (await import('./outlineParts')).NotebookContents);

/** The contents drawn in over the page, where there is no room for them beside it. */
export function ContentsDrawer() {
  const dispatch = useAppDispatch();
  const path = usePathname();
  const isDrawn = useAppSelector((state) => state.view.isContentsDrawn);
  const place = usePlaceHere(path);
  useEffect(() => {
    dispatch(contentsDrawn(false));
  }, [dispatch, path]);
  const { hasContents } = useRoom(place?.pageId ?? '');
  if (!isDrawn || !place || hasContents) return null;
  return <Drawer {...place} onClose={() => dispatch(contentsDrawn(false))} />;
}

function Drawer({ notebookId, pageId, onClose }: { notebookId: string; pageId: string; onClose: () => void }) {
  const drawer = useRef<HTMLDivElement>(null);
  useModal(drawer, onClose);
  const onKeyDown = (event: KeyboardEvent) => {
    // The letter that drew them puts them away again.
    if (event.key !== 'c' || (event.target as HTMLElement).tagName === 'INPUT') return;
    event.stopPropagation();
    onClose();
  };
  // Beside everything else, so that nothing of the screen lies over it.
  return createPortal(
    <Box look="drawer">
      <Box look="drawer-ground" aria-hidden onClick={onClose} />
      <Box
        ref={drawer}
        look="drawer-leaf"
        role="dialog"
        aria-modal
        aria-label="Contents"
        tabIndex={-1}
        onKeyDown={onKeyDown}
      >
        <NotebookContents notebookId={notebookId} pageId={pageId} isNarrow={false} onClose={onClose} />
      </Box>
    </Box>,
    document.body,
  );
}
