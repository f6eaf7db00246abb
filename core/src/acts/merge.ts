import { foldWords } from '../words/words';
import type { Act } from './all';
import type { CombinedAct } from './act';
import { refused } from './actError';
import { pageOf } from './ask';
import { depthOf, idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { asHeld } from './setFields';
import { id } from './shape';

/**
 * Merges a page into another: its lines come to the other's end, what stands beneath it comes beneath the other, the
 * other is of its kinds and holds its fields, and is called by its names too. Links to it lead to the other from then on.
 */
export interface Merge {
  do: 'merge';
  id: string;
  intoId: string;
}

export const merge: CombinedAct<Merge> = {
  shape: { intoId: id },
  touches: (act) => [act.id, act.intoId],
  changes: ANYTHING,
  touchesMany: true,
  needs: (act) => [{ childrenOf: act.id }, { kinds: true }],
  steps: (act, outline) => {
    const [from, into] = [pageOf(outline, act.id), pageOf(outline, act.intoId)];
    if (from.id === into.id) throw refused('A page can’t be merged into itself.');
    if (from.day !== null) throw refused('A day stays in the journal; its lines can be sent elsewhere.');
    if (from.deletedAt !== null || into.deletedAt !== null || into.mergedInto !== null) {
      throw refused('What is in the bin can’t be merged. Bring it back first.');
    }
    const walked = new Set<string>();
    for (let at: string | null = into.id; at !== null && !walked.has(at); at = outline.entry(at)?.parentId ?? null) {
      if (at === from.id) {
        throw refused('The other page stands beneath this one. Merge it the other way round, or move it first.');
      }
      walked.add(at);
    }
    const content = outline.content(from.id);
    const end = outline.content(into.id).at(-1);
    const isBlank = content.length === 1 && content[0]!.type === 'block' && !content[0]!.content?.length;
    const steps: Act[] = [];
    if (!isBlank) {
      let afterId = end ? idOf(end) : null;
      const blocks = content.map((node) => {
        const moved = { id: idOf(node), from: from.id, to: into.id, afterId, depth: depthOf(node) };
        afterId = moved.id;
        return moved;
      });
      steps.push({ do: 'moveBlocks', id: from.id, blocks });
    }
    const beside = outline.beside(from.id);
    if (beside.kinds.length + Object.keys(beside.fields).length > 0) {
      const tree = outline.kinds();
      const joined = outline.joinBeside(outline.beside(into.id), beside, (field) => tree.field(field));
      steps.push({ do: 'setKinds', id: into.id, add: [...joined.kinds] });
      steps.push({ do: 'setFields', id: into.id, fields: asHeld(joined.fields) });
    }
    if (into.day === null) {
      const names = [...outline.otherNames(into.id), from.name, ...outline.otherNames(from.id)];
      const isNew = (name: string) => name.trim() !== '' && foldWords(name).trim() !== foldWords(into.name).trim();
      steps.push({ do: 'otherNames', id: into.id, names: names.filter(isNew) });
      steps.push({ do: 'otherNames', id: from.id, names: [] });
      const held = outline.children(from.id).filter(({ deletedAt }) => deletedAt === null);
      for (const each of held) steps.push({ do: 'place', id: each.id, parentId: into.id });
    }
    return [...steps, { do: 'leadTo', id: from.id, toId: into.id }, { do: 'bin', id: from.id }];
  },
};
