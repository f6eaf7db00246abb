import { bulleted } from './bulleted';
import { card } from './card';
import { codeBlock } from './codeBlock';
import { divider } from './divider';
import { file } from './file';
import { fold } from './fold';
import { found } from './found';
import { heading } from './heading';
import type { KindView } from './kind';
import { log } from './log';
import { note } from './note';
import { numbered } from './numbered';
import { overview } from './overview';
import { paragraph } from './paragraph';
import { picture } from './picture';
import { quote } from './quote';
import { table } from './table';
import { todo } from './todo';

/** Every kind of block, in the order in which the Insert menu offers them. */
export const KIND_VIEWS: readonly KindView[] = [
  paragraph,
  heading,
  todo,
  bulleted,
  numbered,
  quote,
  note,
  fold,
  table,
  codeBlock,
  divider,
  picture,
  file,
  card,
  overview,
  log,
  found,
];
