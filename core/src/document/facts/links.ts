import { linksIn } from '../holds';
import type { LineFact } from './fact';

export interface LinkFact {
  blockId: string;
  /** Counts the links of a body from its start. */
  position: number;
  target: string;
  /** The words it has of its own. */
  words: string | null;
}

/** What lines lead to. */
export const links: LineFact<LinkFact> = {
  of: (node, blockId, before) =>
    linksIn(node).map((link, index) => ({ blockId, position: before.length + index, ...link })),
};
