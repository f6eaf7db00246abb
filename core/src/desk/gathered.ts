import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { Jotting } from '../tray/jotting';

/** An open task, with the page it stands on. */
export interface DeskTask {
  blockId: string;
  page: Target;
  node: NodeJson;
}

/** A page that may be forgotten. */
export interface ForgottenPage {
  target: Target;
  openTasks: number;
  /** When it was last opened or changed: ISO 8601, in UTC. */
  seenAt: string;
}

/** After so many days a page with open tasks may be forgotten. */
export const FORGOTTEN_AFTER = 60;

/** What the Desk gathers. */
export interface Desk {
  pins: Target[];
  /** Pages opened last. */
  recent: Target[];
  /** Pages changed in the last seven days, latest first. */
  week: Target[];
  tasks: DeskTask[];
  /** What is due or was left, as it is brought forward to today; and how much more there is. */
  due: DeskTask[];
  /** The jottings that wait, first come first, and how many there are. */
  tray: Jotting[];
  waiting: number;
  /** Pages with open tasks that nobody opened or changed for long, the latest first. */
  forgotten: ForgottenPage[];
  /** Pages that are linked and have no text yet, most linked first. */
  unwritten: { target: Target; links: number }[];
  /** What the shown links are called. */
  targets: Target[];
}
