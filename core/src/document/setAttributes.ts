import type * as Y from 'yjs';

/**
 * Gives a block of a document other attributes, and changes nothing else of it.
 *
 * @param fits what the block's present attributes must be
 * @returns whether there was such a block
 */
export function setBlockAttributes(
  document: Y.Doc,
  blockId: string,
  changes: Readonly<Record<string, unknown>>,
  fits: (attributes: Record<string, unknown>) => boolean = () => true,
): boolean {
  const blocks = document.getXmlFragment('body').toArray() as Y.XmlElement[];
  const block = blocks.find((element) => element.getAttribute('id') === blockId);
  if (!block || !fits(block.getAttributes())) return false;
  // The types of Yjs know of texts alone; what ProseMirror's attributes are is stored as it is.
  document.transact(() =>
    Object.entries(changes).forEach(([name, value]) => block.setAttribute(name, value as string)),
  );
  return true;
}
