import { PAGE_FILE_ENDING, writePageFile } from '@glossarion/core/formats/account';
import { paged } from './paged';

/** JSON in folders, by the schema in docs/account.schema.json. */
export const json = paged({
  as: 'json',
  ending: PAGE_FILE_ENDING,
  writeIndex: (front) => writePageFile(front),
});
