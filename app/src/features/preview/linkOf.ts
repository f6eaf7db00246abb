import { targetOf } from '../../state/store';

/** Whether a link leads to the very page that is shown: a look at it tells nothing. */
function leadsHere(link: HTMLElement): boolean {
  const target = targetOf(link.dataset.target!);
  if (!target || target.kind === 'block') return false;
  const { pathname } = window.location;
  return pathname === `/p/${target.pageId}` || (target.day !== null && pathname === `/day/${target.day}`);
}

/** The link to something here that an element is or stands in. */
export function linkOf(node: EventTarget | null | undefined): HTMLElement | null {
  if (!(node instanceof Element)) return null;
  const link = node.closest<HTMLElement>('a.link[data-target]');
  return link && !link.closest('.preview') && !leadsHere(link) ? link : null;
}
