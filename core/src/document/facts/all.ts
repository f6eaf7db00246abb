import { files } from './files';
import { formerIds } from './formerIds';
import { links } from './links';
import { tags } from './tags';
import { tasks } from './tasks';

/** Every fact that lines bear, by its name. */
export const LINE_FACTS = { links, tags, files, formerIds, tasks };
