import { checkBody } from '../document/check';
import { isAsSeen } from '../document/tags';
import type { NodeJson } from '../document/types';
import type { PlannedAct } from './act';
import { conflict } from './actError';
import { contentOf } from './ask';
import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { nodes, optional } from './shape';

/** Gives lines other content; each is known by its id. Refused when they are not what they were (`was`). */
export interface Rewrite {
  do: 'rewrite';
  id: string;
  nodes: NodeJson[];
  was?: NodeJson[];
}

const checked = (given: NodeJson[]): NodeJson[] =>
  given.length > 0 ? checkBody({ type: 'doc', content: given }).content : [];

export const rewrite: PlannedAct<Rewrite> = {
  shape: { nodes, was: optional(nodes) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    const content = contentOf(outline, act.id);
    const next = new Map(checked(act.nodes).map((node) => [idOf(node), node]));
    const expected = new Map(checked(act.was ?? []).map((node) => [idOf(node), node]));
    const before: NodeJson[] = [];
    const rewritten = content.map((node) => {
      const other = next.get(idOf(node));
      if (!other) return node;
      const seen = expected.get(idOf(node));
      if (seen !== undefined && !isAsSeen(seen, node)) {
        throw conflict('The line was changed elsewhere meanwhile. Yours is kept here; look at both.');
      }
      before.push(node);
      return other;
    });
    if (before.length !== next.size) throw conflict('The line is not on its page any more.');
    return {
      changes: [{ change: 'content', id: act.id, content: rewritten }],
      undo: [{ do: 'rewrite', id: act.id, nodes: before }],
    };
  },
};
