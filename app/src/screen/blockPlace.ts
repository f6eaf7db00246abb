const ELEMENT = 'b-';

/** The id of the element that a block which can be written in stands in, whatever its kind. */
export const elementIdOf = (blockId: string): string => `${ELEMENT}${blockId}`;

/** That element, when the block is shown for writing. */
export const writtenBlock = (blockId: string): HTMLElement | null => document.getElementById(elementIdOf(blockId));

/** Where a block that can be written in is in the window; null when it is not there, or folded away. */
export function writtenRect(blockId: string): DOMRect | null {
  const element = writtenBlock(blockId);
  return element && element.getClientRects().length > 0 ? element.getBoundingClientRect() : null;
}

/** The same, but of what is folded away the place of the line above it that is seen. */
export function seenRect(blockId: string): DOMRect | null {
  for (let each: Element | null = writtenBlock(blockId); each; each = each.previousElementSibling) {
    const isSeen = each.id.startsWith(ELEMENT) && each.getClientRects().length > 0;
    if (isSeen) return each.getBoundingClientRect();
  }
  return null;
}

/** The element of a block that is shown: for writing, else standing still. */
export const shownBlock = (blockId: string): HTMLElement | null =>
  writtenBlock(blockId) ?? document.querySelector<HTMLElement>(`[data-block='${blockId}']`);
