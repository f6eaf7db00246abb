/** The id of the element that a block which can be written in stands in, whatever its kind. */
export const elementIdOf = (blockId: string): string => `b-${blockId}`;

/** That element, when the block is shown for writing. */
export const writtenBlock = (blockId: string): HTMLElement | null => document.getElementById(elementIdOf(blockId));

/** The element of a block that is shown: for writing, else standing still. */
export const shownBlock = (blockId: string): HTMLElement | null =>
  writtenBlock(blockId) ?? document.querySelector<HTMLElement>(`[data-block='${blockId}']`);
