import type { DayDate } from '../calendar';
import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { JottingState } from '../outline/entry';

/** A jotting as the Tray shows it. */
export interface Jotting {
  id: string;
  /** When it was caught: ISO 8601, in UTC. */
  begunAt: string;
  jotting: JottingState;
  /** The day on which it comes back; until then it does not wait. */
  comesBack: DayDate | null;
  nodes: NodeJson[];
}

/** What is in the Tray, first come first. */
export interface Tray {
  jottings: Jotting[];
  /** How many more there are than are given. */
  more: number;
  /** What the shown links are called. */
  targets: Target[];
}
