import { block, tag, text } from '../document/build';
import { wornTags } from '../document/holds';
import type { NodeJson } from '../document/types';
import { ANYTHING } from '../notices/changed';
import type { CombinedAct } from './act';
import { conflict } from './actError';
import { contentOf, noDay } from './ask';
import { id, list } from './shape';

/** Gives a page tags of its own: they stand in its first line, which says nothing else. */
export interface Wear {
  do: 'wear';
  id: string;
  tagIds: string[];
  /** The id of that line, should there be none yet. */
  lineId: string;
}

const MAX_WORN = 24;

const between = (tags: readonly string[]): NodeJson[] =>
  tags.flatMap((each, index) => (index === 0 ? [tag(each)] : [text(' '), tag(each)]));

export const wear: CombinedAct<Wear> = {
  shape: { tagIds: list(id, MAX_WORN), lineId: id },
  touches: (act) => [act.id],
  changes: ANYTHING,
  steps: ({ id: pageId, tagIds, lineId }, outline) => {
    const tree = outline.tags();
    if (tagIds.some((each) => tree.isGone(each))) throw conflict('The tag is not there any more.');
    const content = contentOf(outline, noDay(outline, pageId).id);
    const { own } = wornTags(content);
    const worn = new Set(own.map((each) => tree.present(each)?.id));
    const added = [...new Set(tagIds.map((each) => tree.present(each)!.id))].filter((each) => !worn.has(each));
    if (added.length === 0) return [];
    const [first] = content;
    if (!first || own.length === 0) {
      const line = block('paragraph', between(added), { id: lineId });
      return [{ do: 'putBlocks', id: pageId, afterId: null, nodes: [line] }];
    }
    const line = { ...first, content: [...(first.content ?? []), text(' '), ...between(added)] };
    return [{ do: 'rewrite', id: pageId, nodes: [line] }];
  },
};
