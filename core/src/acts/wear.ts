import { block, tag, text } from '../document/build';
import { namedIn, wornTags } from '../document/holds';
import { idOf } from '../document/kinds';
import type { NodeJson } from '../document/types';
import { MAX_BLOCKS } from '../document/types';
import { ANYTHING } from '../notices/changed';
import type { TagTree } from '../tags/tree';
import type { Act } from './all';
import type { CombinedAct } from './act';
import { conflict } from './actError';
import { contentOf, entryOf } from './ask';
import { id, list, optional } from './shape';

/** Gives a page tags of its own, which stand in its first line that says nothing else; or gives them to some of its lines. */
export interface Wear {
  do: 'wear';
  id: string;
  tagIds: string[];
  /** The id of that line, should there be none yet. */
  lineId: string;
  blockIds?: string[];
}

const MAX_WORN = 24;

export const wear: CombinedAct<Wear> = {
  shape: { tagIds: list(id, MAX_WORN), lineId: id, blockIds: optional(list(id, MAX_BLOCKS)) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  steps: ({ id: pageId, tagIds, lineId, blockIds }, outline): Act[] => {
    const tree = outline.tags();
    if (tagIds.some((each) => tree.isGone(each))) throw conflict('The tag is not there any more.');
    const content = contentOf(outline, entryOf(outline, pageId).id);
    const wanted = [...new Set(tagIds.map((each) => tree.present(each)!.id))];
    const [first] = content;
    const isOwn = first !== undefined && wornTags(content).own.length > 0;
    if (!blockIds && !isOwn) {
      if (wanted.length === 0) return [];
      const line = block('paragraph', spaced(wanted), { id: lineId });
      return [{ do: 'putBlocks', id: pageId, afterId: null, nodes: [line] }];
    }
    const lines = blockIds ? content.filter((node) => blockIds.includes(idOf(node))) : [first!];
    const nodes = lines.flatMap((node) => withTags(node, wanted, tree) ?? []);
    return nodes.length > 0 ? [{ do: 'rewrite', id: pageId, nodes }] : [];
  },
};

/** A line with tags at its end, without those that it wears already; null when nothing is added, or it is no line of words. */
function withTags(node: NodeJson, tags: readonly string[], tree: TagTree): NodeJson | null {
  if (node.type !== 'block') return null;
  const worn = new Set(namedIn([node]).tags.map((each) => tree.present(each)?.id));
  const added = tags.filter((each) => !worn.has(each));
  if (added.length === 0) return null;
  const content = node.content ?? [];
  const isSpaced = content.length === 0 || /\s$/u.test(content.at(-1)!.text ?? '');
  return { ...node, content: [...content, ...(isSpaced ? [] : [text(' ')]), ...spaced(added)] };
}

const spaced = (tags: readonly string[]): NodeJson[] =>
  tags.flatMap((each, index) => (index === 0 ? [tag(each)] : [text(' '), tag(each)]));
