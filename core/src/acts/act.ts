import type { Act } from './all';
import type { Change } from './change';
import type { Changed } from '../notices/changed';
import type { ActOutline, Need } from './outline';
import type { Shape } from './shape';

/** What an act changes, and the acts that take it back, in the order to be done. */
export interface Plan {
  changes: Change[];
  undo: Act[];
}

export const NOTHING: Plan = { changes: [], undo: [] };

interface Described<A> {
  /** What it brings along beside `do` and `id`. */
  shape: Shape<A>;
  /** The entries whose name, place or state it changes. */
  touches: (act: A) => string[];
  /** What others must ask for again. */
  changes: readonly Changed[];
  /** Whether it changes the lines of a page: undo in the text takes it back too. */
  bringsText?: true;
  /** Whether it changes what the person has for themselves alone, such as pins. */
  isPersonal?: true;
  /** Whether more entries than it names come, go, or are found by other words. */
  touchesMany?: true;
  /** What must be read before it is planned. */
  needs?: (act: A, outline: Pick<ActOutline, 'entry'>) => Need[];
}

/** An act that is planned by itself. Pure: the same outline gives the same plan. */
export interface PlannedAct<A> extends Described<A> {
  /**
   * @throws ActError, PlaceError when it can't be done; OrderError when the siblings there need new keys first
   */
  plan: (act: A, outline: ActOutline) => Plan;
}

/** An act that is made of others, each planned when those before it are done; all of them, or none. */
export interface CombinedAct<A> extends Described<A> {
  /** @throws ActError, PlaceError when it can't be done */
  steps: (act: A, outline: ActOutline) => Act[];
}

export type ActDefinition<A> = PlannedAct<A> | CombinedAct<A>;

/** What an act is when all that is known of it is that it is one. */
export interface AnyAct {
  do: string;
  id: string;
}
