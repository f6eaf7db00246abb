import { PIGMENTS, type Pigment } from '../outline/entry';
import { foldTag, tagPath, writtenTag } from '../tags/path';
import { MAX_TAG_NAME, newTag, TagTree, type Tag } from '../tags/tree';
import type { Changed } from '../notices/changed';
import type { PlannedAct } from './act';
import { conflict, refused } from './actError';
import { id, line, oneOf, optional, orNull, yesNo } from './shape';

/** Says what a tag is; what is not given stays as it is. One that is not known yet is made, and needs a name. */
export interface DescribeTag {
  do: 'describeTag';
  id: string;
  name?: string;
  parentId?: string | null;
  pigment?: Pigment | null;
  /** The tag that stands for it from now on; null for itself. */
  mergedInto?: string | null;
  isDeleted?: boolean;
}

/** Lines hold the ids of tags: what is said of a tag changes what they show. */
export const OF_TAGS: readonly Changed[] = ['tags', 'title', 'links', 'kin'];

/** The same tags with one said otherwise. */
const withTag = (tree: TagTree, tag: Tag): TagTree =>
  new TagTree([...tree.rows().filter(({ id: each }) => each !== tag.id), tag]);

export const describeTag: PlannedAct<DescribeTag> = {
  shape: {
    name: optional(line(MAX_TAG_NAME)),
    parentId: optional(orNull(id)),
    pigment: optional(orNull(oneOf(PIGMENTS))),
    mergedInto: optional(orNull(id)),
    isDeleted: optional(yesNo),
  },
  touches: () => [],
  changes: OF_TAGS,
  isPersonal: true,
  plan: ({ do: _do, id: tagId, isDeleted, ...said }, outline) => {
    const tree = outline.tags();
    const before = tree.get(tagId);
    const deletedAt = isDeleted === undefined ? before?.deletedAt : isDeleted ? outline.now : null;
    let tag: Tag = { ...(before ?? newTag(tagId)), ...said, deletedAt: deletedAt ?? null };
    const [name, ...more] = tagPath(tag.name);
    if (name === undefined) throw refused('A tag needs a name.');
    if (more.length > 0) throw refused('The name of a tag has no slash in it.');
    if (name.length > MAX_TAG_NAME) throw refused(`A tag has at most ${MAX_TAG_NAME} characters.`);
    for (const other of [said.parentId, said.mergedInto]) {
      if (other && tree.isGone(other)) throw refused('The other tag is not there any more.');
    }
    tag = { ...tag, name };
    const after = withTag(tree, tag);
    if (isRound(after, tagId))
      throw refused('A tag can’t stand beneath itself, or be merged into what stands beneath it.');
    const path = after.pathOf(tagId);
    const called = after.isGone(tagId) || tag.mergedInto !== null ? undefined : namesake(after, tagId);
    if (called) {
      // Another was made of its name meanwhile: one name is one tag.
      if (isDeleted !== false) throw conflict(`There is a tag “${writtenTag(path)}” already.`);
      tag = { ...tag, mergedInto: called };
    }
    const undo: DescribeTag = before
      ? {
          do: 'describeTag',
          id: tagId,
          ...(said.name !== undefined && { name: before.name }),
          ...(said.parentId !== undefined && { parentId: before.parentId }),
          ...(said.pigment !== undefined && { pigment: before.pigment }),
          ...(tag.mergedInto !== before.mergedInto && { mergedInto: before.mergedInto }),
          ...(isDeleted !== undefined && { isDeleted: before.deletedAt !== null }),
        }
      : { do: 'describeTag', id: tagId, isDeleted: true };
    return { changes: [{ change: 'tag', tag }], undo: [undo] };
  },
};

/** Another tag that stands where this one does and is called like it. */
function namesake(tree: TagTree, tagId: string): string | undefined {
  const { name, parentId } = tree.get(tagId)!;
  const others = tree.children(parentId).filter((each) => each.id !== tagId);
  return others.find((each) => foldTag(each.name) === foldTag(name))?.id;
}

/** Whether what a tag stands beneath, or what stands for it, stands beneath the tag again. */
function isRound(tree: TagTree, tagId: string): boolean {
  const seen = new Set<string>();
  for (let tag = tree.get(tagId); tag && !seen.has(tag.id); tag = tree.get(tag.mergedInto ?? tag.parentId ?? '')) {
    seen.add(tag.id);
    if ((tag.mergedInto ?? tag.parentId) === tagId) return true;
  }
  return false;
}
