import { namedId } from '../document/ids';
import { foldTag, tagKey, tagPath } from '../tags/path';
import type { Tag } from '../tags/tree';
import type { Act } from './all';
import type { CombinedAct } from './act';
import { missing, refused } from './actError';
import { OF_TAGS } from './describeTag';
import { line } from './shape';

/** Calls a tag otherwise, and sets it beneath what its new path names: what of that is missing is made. */
export interface NameTag {
  do: 'nameTag';
  id: string;
  /** As tags are written: water/boats. */
  path: string;
}

const MAX_PATH = 1_000;

export const nameTag: CombinedAct<NameTag> = {
  shape: { path: line(MAX_PATH) },
  touches: () => [],
  changes: OF_TAGS,
  isPersonal: true,
  steps: ({ id: tagId, path }, outline) => {
    const tree = outline.tags();
    if (!tree.get(tagId)) throw missing();
    const names = tagPath(path);
    const name = names.at(-1);
    if (name === undefined) throw refused('A tag needs a name.');
    const steps: Act[] = [];
    let parentId: string | null = null;
    for (const [index, above] of names.slice(0, -1).entries()) {
      // What is made in a step before has nothing beneath it.
      const isMade = steps.some((step) => step.id === parentId);
      const beside: readonly Tag[] = isMade ? [] : tree.children(parentId);
      const present = beside.find((each) => foldTag(each.name) === foldTag(above));
      if (present?.id === tagId) throw refused('A tag can’t stand beneath itself.');
      const made = present ? null : freeId(`${tagId} above ${tagKey(names.slice(0, index + 1))}`);
      if (made !== null) steps.push({ do: 'describeTag', id: made, name: above, parentId });
      parentId = present?.id ?? made;
    }
    return [...steps, { do: 'describeTag', id: tagId, name, parentId }];

    /** The same for the same act, so that one that is sent twice makes nothing twice. */
    function freeId(seed: string): string {
      for (let time = 0; ; time += 1) {
        const free = namedId(seed, String(time));
        if (!tree.get(free)) return free;
      }
    }
  },
};
