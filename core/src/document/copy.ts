import { besideOf, withBeside, type Content } from './fields';
import { NODE_ATTRIBUTES } from './nodes';
import type { BodyJson, NodeJson } from './types';

/** Every block id of a body, in order. */
export const blockIds = (body: BodyJson): string[] => body.content.map((node) => String(node.attrs?.id));

/**
 * A copy of a body with other ids: blocks and links that the map names get the new ones, so that links inside what was
 * copied point inside the copy, and all others go on pointing where they did.
 */
export function withIds(body: BodyJson, newIds: ReadonlyMap<string, string>): BodyJson {
  const renew = (id: string) => newIds.get(id) ?? id;
  const walk = (node: NodeJson): NodeJson => {
    const attrs = node.attrs ? { ...node.attrs } : undefined;
    for (const [name, { holdsIds, isOfOne }] of Object.entries(NODE_ATTRIBUTES[node.type] ?? {})) {
      const ids = attrs?.[name];
      if (isOfOne) delete attrs?.[name];
      if (holdsIds && typeof ids === 'string') attrs![name] = ids.split(' ').map(renew).join(' ');
    }
    return {
      ...node,
      ...(attrs ? { attrs } : {}),
      ...(node.content ? { content: node.content.map(walk) } : {}),
    };
  };
  const { kinds, fields } = besideOf(body);
  const renewed = Object.entries(fields).map(([field, content]): [string, Content] => [
    field,
    content.pages ? { ...content, pages: content.pages.map(renew) } : content,
  ]);
  return withBeside({ type: 'doc', content: body.content.map(walk) }, { kinds, fields: Object.fromEntries(renewed) });
}
