import { writeFront } from '@glossarion/core/formats/account';
import { paged } from './paged';

/** Markdown in folders, with what Markdown has no form for in braces and comments. */
export const markdown = paged({ as: 'markdown', ending: '.md', writeIndex: writeFront });
