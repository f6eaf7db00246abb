import { linksIn } from '../holds';
import type { LineFact } from './fact';

export interface LinkFact {
  /** The line, or the field, that it stands in. */
  blockId: string;
  /** 1 when it stands in a field. */
  ofField: 0 | 1;
  /** Counts the links of a body from its start. */
  position: number;
  target: string;
  /** The words it has of its own. */
  words: string | null;
}

/** What lines lead to, and fields beside them. */
export const links: LineFact<LinkFact> = {
  of: (node, blockId, before) =>
    linksIn(node).map((link, index) => ({ blockId, ofField: 0, position: before.length + index, ...link })),
  beside: ({ fields }, before) =>
    Object.entries(fields)
      .flatMap(([blockId, { pages = [] }]) => pages.map((target) => ({ blockId, target })))
      .map((link, index) => ({ ...link, ofField: 1, position: before.length + index, words: null })),
};
