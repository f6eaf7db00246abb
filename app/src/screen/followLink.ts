import { openTarget } from './navigation';

/** Opens what is clicked, unless another window was asked for. */
export const opening = (act: () => void) => (event: React.MouseEvent) => {
  if (event.metaKey || event.ctrlKey) return;
  event.preventDefault();
  act();
};

/** Follows links in words that are only shown. */
export function followLink(event: React.MouseEvent): void {
  const link = (event.target as Element).closest<HTMLElement>('a[data-target]');
  if (!link) return;
  opening(() => openTarget(link.dataset.target!, event.shiftKey))(event);
}
