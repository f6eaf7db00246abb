import type { Reading } from '@glossarion/core/dates';
import type { KindTree } from '@glossarion/core/kinds';
import type { Target } from '@glossarion/core/links';
import type { TagTree } from '@glossarion/core/tags';
import type { Values } from '../../../access';

/** What a filter needs to know of whoever asks. */
export interface FilterContext {
  tags: TagTree;
  kinds: KindTree;
  /** What is called so, in the bin too. */
  named: (name: string) => readonly Target[];
  /** How days are read from words. */
  reading: Reading;
  /** The moments between which a day lies where the person is. */
  momentsOf: (day: string) => [from: string, to: string];
}

/** A condition of a row of entries `e`; the names of its values begin with the given one. */
export interface Condition {
  sql: string;
  values: Values;
  /** By what the index knows the lines for which a page fits; none where it is no line that does. */
  tokens?: readonly string[];
}

/** What a filter's value comes to: a condition, or why it means nothing, in words. */
export type Resolved = Condition | string;

/** One filter of the query line: tag:lime. */
export interface Filter {
  /** What it is called in the line, the name that is shown first. */
  names: readonly [string, ...string[]];
  resolve: (value: string, key: string, context: FilterContext) => Resolved;
}
