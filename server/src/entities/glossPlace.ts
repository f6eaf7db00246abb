import { EntitySchema } from 'typeorm';
import { key, real, textOrNull } from './columns';

/** Where a gloss stands, as it was found last; gone as soon as the page or what the gloss stands on changes. */
export interface GlossPlace {
  targetId: string;
  documentId: string;
  blockId: string;
  /** Null for the head of the page. */
  lineId: string | null;
  /** How much ties it to the line that fits best. */
  score: number;
}

export const GlossPlaceEntity = new EntitySchema<GlossPlace>({
  name: 'GlossPlace',
  tableName: 'glossPlaces',
  columns: { targetId: key, documentId: key, blockId: key, lineId: textOrNull, score: real },
  indices: [{ name: 'glossPlaces_by_document', columns: ['documentId'] }],
});

/** Where somebody moved a gloss to: told by its line alone, which may come to stand on another page. */
export interface MovedGloss {
  targetId: string;
  blockId: string;
  /** Null for the head of the page. */
  lineId: string | null;
}

export const MovedGlossEntity = new EntitySchema<MovedGloss>({
  name: 'MovedGloss',
  tableName: 'movedGlosses',
  columns: { targetId: key, blockId: key, lineId: textOrNull },
});
