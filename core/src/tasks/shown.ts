import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { Jotting } from '../tray/jotting';

/** A task as it is shown elsewhere than on its page. */
export interface ShownTask {
  blockId: string;
  page: Target;
  /** Its line, with what stands beneath it. */
  node: NodeJson;
  beneath: NodeJson[];
  /** How often this time of it was put off. */
  putOffs: number;
}

/** What was brought forward to a day. */
export interface BroughtForward {
  tasks: ShownTask[];
  /** How many more have stood since a month and longer: they are asked for by themselves. */
  older: number;
  /** Jottings that came back. */
  jottings: Jotting[];
  /** What the shown links are called. */
  targets: Target[];
}

/** A group of the list of tasks: a span of days, a page, a notebook or a tag. */
export interface TaskGroup {
  /** The word of a span of days, else the id of what it is gathered by; empty for what is gathered by nothing. */
  key: string;
  /** What it is gathered by; null for days. */
  target: Target | null;
  count: number;
}

/** A piece of the list of tasks. */
export interface TaskList {
  groups: TaskGroup[];
  /** Those from where it was asked for, each with its group. */
  tasks: (ShownTask & { group: string })[];
  /** Of all groups, or of the one that was asked for. */
  count: number;
  targets: Target[];
}

/** How many open tasks stand on a page, beneath it, and elsewhere with a link to it. */
export interface TaskCounts {
  here: number;
  beneath: number;
  linking: number;
}
