import { fieldValues } from './fieldValues';
import { files } from './files';
import { formerIds } from './formerIds';
import { kinds } from './kinds';
import { links } from './links';
import { tags } from './tags';
import { tasks } from './tasks';

/** Every fact that lines bear, or what stands beside them, by its name. */
export const LINE_FACTS = { links, tags, files, formerIds, tasks, kinds, fieldValues };
