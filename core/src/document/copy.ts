import type { BodyJson, NodeJson } from './types';

/** Every block id of a body, in order. */
export const blockIds = (body: BodyJson): string[] => body.content.map((node) => String(node.attrs?.id));

/**
 * A copy of a body with other ids: blocks and links that the map names get the new ones, so that links inside what was
 * copied point inside the copy, and all others go on pointing where they did.
 */
export function withIds(body: BodyJson, newIds: ReadonlyMap<string, string>): BodyJson {
  const renew = (id: unknown) => (typeof id === 'string' ? (newIds.get(id) ?? id) : id);
  const walk = (node: NodeJson): NodeJson => {
    const attrs = node.attrs ? { ...node.attrs } : undefined;
    if (attrs) {
      if ('id' in attrs) attrs.id = renew(attrs.id);
      if ('target' in attrs) attrs.target = renew(attrs.target);
      if (typeof attrs.chosen === 'string') attrs.chosen = attrs.chosen.split(' ').map(renew).join(' ');
      if ('formerIds' in attrs) attrs.formerIds = null;
    }
    return {
      ...node,
      ...(attrs ? { attrs } : {}),
      ...(node.content ? { content: node.content.map(walk) } : {}),
    };
  };
  return { type: 'doc', content: body.content.map(walk) };
}
