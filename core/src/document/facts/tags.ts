import { tagsIn } from '../holds';
import type { LineFact } from './fact';

export interface TagFact {
  blockId: string;
  /** Counts the tags of a body from its start. */
  position: number;
  /** The id of the tag. */
  tag: string;
}

/** The tags that lines wear. */
export const tags: LineFact<TagFact> = {
  of: (node, blockId, before) =>
    tagsIn(node)
      .flatMap(({ tag }) => tag ?? [])
      .map((tag, index) => ({ blockId, position: before.length + index, tag })),
};
