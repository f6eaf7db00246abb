/** The link to something here that an element is or stands in. */
export function linkOf(node: EventTarget | null | undefined): HTMLElement | null {
  if (!(node instanceof Element)) return null;
  const link = node.closest<HTMLElement>('a.link[data-target]');
  return link && !link.closest('.preview') ? link : null;
}
