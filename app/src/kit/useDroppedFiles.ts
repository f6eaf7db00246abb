import { useEffect, useRef, type RefObject } from 'react';

/** Takes files that are dropped on an element, which the browser would else open in the place of the app. */
export function useDroppedFiles(element: RefObject<HTMLElement | null>, onDrop: (files: File[]) => void): void {
  const latest = useRef(onDrop);
  latest.current = onDrop;
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const hasFiles = ({ dataTransfer }: DragEvent) => dataTransfer?.types.includes('Files') === true;
    const over = (event: DragEvent) => hasFiles(event) && event.preventDefault();
    const drop = (event: DragEvent) => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      latest.current([...event.dataTransfer!.files]);
    };
    target.addEventListener('dragover', over);
    target.addEventListener('drop', drop);
    return () => {
      target.removeEventListener('dragover', over);
      target.removeEventListener('drop', drop);
    };
  }, [element]);
}
