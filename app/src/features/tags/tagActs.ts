import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import type { Pigment } from '@glossarion/core/outline';
import { tagPath, writtenTag } from '@glossarion/core/tags';
import { perform } from '../../state/deeds';
import type { NamedTag } from '../../state/tagQueries';

/** What is done with tags: acts, each told and taken back like any. */

/** Calls a tag by another path: with a slash, it stands beneath what comes before that. */
export async function nameTag({ id, path }: NamedTag, typed: string): Promise<boolean> {
  const next = writtenTag(tagPath(typed));
  if (next === '' || next === path) return true;
  return perform([{ do: 'nameTag', id, path: next }], `“${path}” is “${next}” now.`);
}

export const moveTag = ({ id, path, name }: NamedTag, above: NamedTag | null): Promise<boolean> =>
  perform(
    [{ do: 'describeTag', id, parentId: above?.id ?? null }],
    `“${path}” is “${writtenTag([...(above ? [above.path] : []), name])}” now.`,
  );

export const mergeTags = (from: NamedTag, into: NamedTag): Promise<boolean> =>
  perform(
    [{ do: 'mergeTags', id: from.id, intoId: into.id }],
    `“${from.path}” is “${into.path}” now, wherever it was worn.`,
  );

export const colourTag = ({ id, path }: NamedTag, pigment: Pigment | null): Promise<boolean> =>
  perform([{ do: 'describeTag', id, pigment }], `“${path}” has another colour.`);

export const deleteTags = (tags: readonly NamedTag[]): Promise<boolean> =>
  perform(
    tags.map(({ id }): Act => ({ do: 'describeTag', id, isDeleted: true })),
    tags.length === 1
      ? `“${tags[0]!.path}” is no tag any more. Its name stays in the lines.`
      : `${tags.length} tags were deleted.`,
  );

export const bringBackTag = (id: string, path: string): Promise<boolean> =>
  perform([{ do: 'describeTag', id, isDeleted: false }], `“${path}” is a tag again.`);

/** Gives pages a tag of their own, or gives it to lines of one; a tag that is not there yet is made. */
export function wear(
  pageIds: readonly string[],
  blockIds: readonly string[] | undefined,
  tag: Pick<NamedTag, 'id' | 'path'> | string,
): Promise<boolean> {
  const made = typeof tag === 'string' ? makingOf(tag) : { acts: [], id: tag.id };
  const path = typeof tag === 'string' ? writtenTag(tagPath(tag)) : tag.path;
  const acts = pageIds.map((id): Act => ({
    do: 'wear',
    id,
    tagIds: [made.id],
    lineId: newId(),
    ...(blockIds && { blockIds: [...blockIds] }),
  }));
  const all = blockIds ?? pageIds;
  const wearing = all.length === 1 ? (blockIds ? 'The line wears' : 'The page wears') : `${all.length} wear`;
  return perform([...made.acts, ...acts], `${wearing} “${path}”.`);
}

/** The acts that make a tag of a path: it is made at the outermost level, and named as it is to be. */
function makingOf(path: string): { acts: Act[]; id: string } {
  const id = newId();
  const names = tagPath(path);
  const made: Act = { do: 'describeTag', id, name: names.length === 1 ? names[0]! : id };
  return { id, acts: names.length === 1 ? [made] : [made, { do: 'nameTag', id, path: writtenTag(names) }] };
}
