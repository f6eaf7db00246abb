import { foldTag } from '../tags/path';
import type { TagTree } from '../tags/tree';
import type { Act } from './all';
import type { CombinedAct } from './act';
import { missing, refused } from './actError';
import { OF_TAGS } from './describeTag';
import { id } from './shape';

/** Makes two tags one: whatever wears the first is called by the second. What stands beneath both goes along. */
export interface MergeTags {
  do: 'mergeTags';
  id: string;
  intoId: string;
}

/** What stands beneath both of two tags and is called alike is one as well, the innermost first. */
function merging(tree: TagTree, from: string, into: string): Act[] {
  const within = tree.children(into);
  const alike = tree.children(from).flatMap((child) => {
    const same = within.find((each) => each.id !== child.id && foldTag(each.name) === foldTag(child.name));
    return same ? merging(tree, child.id, same.id) : [];
  });
  return [...alike, { do: 'describeTag', id: from, mergedInto: into }];
}

export const mergeTags: CombinedAct<MergeTags> = {
  shape: { intoId: id },
  touches: () => [],
  changes: OF_TAGS,
  isPersonal: true,
  steps: ({ id: tagId, intoId }, outline) => {
    const tree = outline.tags();
    const [from, into] = [tree.present(tagId), tree.present(intoId)];
    if (!from || !into) throw missing();
    if (from.id === into.id) throw refused('These are one tag already.');
    if (tree.beneath(from.id).includes(into.id)) {
      throw refused('A tag can’t be merged into one beneath it. Move that out first.');
    }
    return merging(tree, from.id, into.id);
  },
};
