import { EntitySchema } from 'typeorm';
import type { CountedWord } from '@glossarion/core/find/counting';
import { integer, key } from './columns';

/** A word of an account's notes: how many lines, titles and names hold it in a language. */
export interface VocabularyWord extends CountedWord {
  ownerId: string;
  lines: number;
}

export const VocabularyEntity = new EntitySchema<VocabularyWord>({
  name: 'VocabularyWord',
  tableName: 'vocabulary',
  columns: { ownerId: key, word: key, language: key, stem: key, lines: integer },
  indices: [{ name: 'vocabulary_by_stem', columns: ['ownerId', 'language', 'stem'] }],
});
