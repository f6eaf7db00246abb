import type { Act } from './all';
import { definitionOf } from './all';
import type { Plan } from './act';
import type { MemoryOutline } from './memory';
import { undoOfStep } from './undoOfStep';

/**
 * Plans acts one after the other, each when those before it are done in the outline, and does them in it.
 *
 * @throws whatever refuses one of them; the outline is then to be thrown away
 */
export function planAll(acts: readonly Act[], outline: MemoryOutline): Plan {
  const plan: Plan = { changes: [], undo: [] };
  const take = ({ changes, undo }: Plan) => {
    plan.changes.push(...changes);
    plan.undo.unshift(...undo);
  };
  for (const act of acts) {
    const definition = definitionOf(act);
    if ('steps' in definition) {
      for (const step of definition.steps(act, outline)) {
        const { changes, undo } = planAll([step], outline);
        take({ changes, undo: undoOfStep(step, undo) });
      }
    } else {
      const planned = definition.plan(act, outline);
      planned.changes.forEach((change) => outline.apply(change));
      take(planned);
    }
  }
  return plan;
}
