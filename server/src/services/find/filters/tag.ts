import { foldTag, tagToken } from '@glossarion/core/tags';
import { WEARS } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** Pages with lines that wear a tag, or one beneath it. */
export const tag: Filter = {
  names: ['tag'],
  resolve: (value, key, { tags }) => {
    const wanted = foldTag(value.replace(/^#/u, ''));
    const found = tags.all().filter(({ path, name }) => foldTag(path) === wanted || foldTag(name) === wanted);
    if (found.length === 0) return `There is no tag “${value}”.`;
    const all = found.flatMap(({ id }) => tags.beneath(id));
    return { sql: WEARS(key), values: { [key]: JSON.stringify(all) }, tokens: all.map(tagToken) };
  },
};
