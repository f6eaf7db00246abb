import { depthOf, type NodeJson } from '@glossarion/core/document';

/** What the element of a block says that stands still: its address, its depth and its tint. */
export const placeProps = (node: NodeJson) => ({
  'data-block': (node.attrs?.id as string | null | undefined) ?? undefined,
  'data-depth': depthOf(node),
  'data-tint': (node.attrs?.tint as string | null | undefined) ?? undefined,
  style: { '--depth': depthOf(node) } as React.CSSProperties,
});
