import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';

/** An open task, with the page it stands on. */
export interface DeskTask {
  blockId: string;
  page: Target;
  node: NodeJson;
}

/** What the Desk gathers. */
export interface Desk {
  pins: Target[];
  /** Pages opened last. */
  recent: Target[];
  /** Pages changed in the last seven days, latest first. */
  week: Target[];
  tasks: DeskTask[];
  /** Pages that are linked and have no text yet, most linked first. */
  unwritten: { target: Target; links: number }[];
  /** What the shown links are called. */
  targets: Target[];
}
