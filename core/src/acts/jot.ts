import { checkBody } from '../document/check';
import type { NodeJson } from '../document/types';
import { ANYTHING } from '../notices/changed';
import { NOTHING, type PlannedAct } from './act';
import { refused } from './actError';
import { line, nodes } from './shape';

/** Catches a thought: a page that waits in the Tray. Caught already, it changes nothing, so that it can be repeated. */
export interface Jot {
  do: 'jot';
  id: string;
  nodes: NodeJson[];
  /** When it was caught, maybe long before it arrives: ISO 8601, in UTC. */
  at: string;
}

export const jot: PlannedAct<Jot> = {
  shape: { nodes, at: line(30) },
  touches: (act) => [act.id],
  changes: [...ANYTHING, 'tasks'],
  plan: ({ id, nodes: written, at }, outline) => {
    if (outline.entry(id)) return NOTHING;
    const { content } = checkBody({ type: 'doc', content: written });
    if (content.length === 0) throw refused('There is nothing in it to be kept.');
    const caught = new Date(at);
    // A clock that goes fast catches nothing before it was thought.
    const begunAt = Number.isNaN(caught.getTime()) || at > outline.now ? outline.now : caught.toISOString();
    const entry = { id, kind: 'page' as const, parentId: null, orderKey: IN_TRAY, name: '', begunAt };
    return {
      changes: [{ change: 'add', entry: { ...entry, jotting: 'waiting' }, content, isTyped: true }],
      undo: [{ do: 'bin', id }],
    };
  },
};

/** Jottings stand in the order in which they were caught, not by their keys. */
export const IN_TRAY = 'a0';
