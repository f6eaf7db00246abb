import type { Beside } from '../fields';
import type { NodeJson } from '../types';

/** Something that lines of a body bear, or what stands beside them, each kind kept in a table of its own, as rows. */
export interface LineFact<Row> {
  /**
   * The rows of a line, in reading order; `before` are those of the lines before it, `above` the lines that it stands
   * beneath, by depth.
   */
  of?: (node: NodeJson, blockId: string, before: readonly Row[], above: readonly NodeJson[]) => Row[];
  /** The rows of what stands beside the lines. */
  beside?: (beside: Beside, before: readonly Row[]) => Row[];
  /** Settles what lines say against each other, once all were read. */
  settled?: (rows: readonly Row[]) => Row[];
}
