import type { LineFact } from './fact';

export interface FormerIdFact {
  formerId: string;
  blockId: string;
}

/** Ids of joined blocks, and the block each now lives on in. */
export const formerIds: LineFact<FormerIdFact> = {
  of: ({ attrs }, blockId) =>
    typeof attrs?.formerIds === 'string'
      ? attrs.formerIds.split(' ').flatMap((formerId) => (formerId ? { formerId, blockId } : []))
      : [],
  // Two windows may note one id on two blocks: then the later has it.
  settled: (rows) => [...new Map(rows.map((row) => [row.formerId, row])).values()],
};
