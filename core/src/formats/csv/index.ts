import Papa from 'papaparse';
import type { Fields } from '../../document/fields';
import type { Field } from '../../kinds/field';
import { wordsOfField } from '../../kinds/inWords';

/** A page as a row. */
export interface RowOfPage {
  title: string;
  fields: Fields;
}

/** The heading of the column of titles. */
export const TITLE_COLUMN = 'Title';
/** What stands between several values of one field. */
const BETWEEN = '; ';

/**
 * Pages as comma-separated values (RFC 4180): a row each, with its title and a column for each field, in the words that
 * the type of the field reads.
 *
 * @param titleOf the present title of a page that a field leads to
 */
export function writeRows(
  rows: readonly RowOfPage[],
  fields: readonly Field[],
  titleOf: (id: string) => string,
): string {
  const cells = rows.map((row) => [
    row.title,
    ...fields.map((field) => wordsOfField(row.fields[field.id], field, titleOf).join(BETWEEN)),
  ]);
  return `${Papa.unparse({ fields: [TITLE_COLUMN, ...fields.map(({ name }) => name)], data: cells })}\r\n`;
}
