import { EntitySchema } from 'typeorm';
import { integerOrNull, key, text } from './columns';

/**
 * In which of somebody's languages the words of their notes are counted, as lists of codes in JSON: those of rows up to
 * one in these, of the rest still in those before; of all in these when there is no such row.
 */
export interface StoredCountedLanguages {
  accountId: string;
  languages: string;
  before: string;
  countedTo: number | null;
}

export const CountedLanguagesEntity = new EntitySchema<StoredCountedLanguages>({
  name: 'CountedLanguages',
  tableName: 'countedLanguages',
  columns: { accountId: key, languages: text, before: text, countedTo: integerOrNull },
});
