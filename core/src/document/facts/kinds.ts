import type { LineFact } from './fact';

export interface KindFact {
  /** Where it stands among the kinds of the page. */
  position: number;
  /** The id of the kind. */
  kind: string;
}

/** The kinds that a page is of. */
export const kinds: LineFact<KindFact> = {
  beside: (beside) => beside.kinds.map((kind, position) => ({ position, kind })),
};
