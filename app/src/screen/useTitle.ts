import { usePathname } from 'expo-router';
import { useEffect } from 'react';
import { noteVisited } from './visited';

/** Names the window after what is shown, and notes the place among those visited. Null: not known yet. */
export function useTitle(title: string | null): void {
  const path = usePathname();
  useEffect(() => {
    document.title = title ? `${title} · Glossarion` : 'Glossarion';
    if (title) noteVisited(path, title);
  }, [path, title]);
}
