import { foldTag, tagToken } from '@glossarion/core/tags';
import { WEARS } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** Pages with lines that wear a tag, or one beneath it. */
export const tag: Filter = {
  names: ['tag'],
  resolve: (value, key, { tags }) => {
    const wanted = foldTag(value.replace(/^#/u, ''));
    const found = tags.all().filter(({ path, name }) => foldTag(path) === wanted || foldTag(name) === wanted);
    // One that was merged is asked for by what it was called too.
    const merged = tags
      .rows()
      .filter(({ id, mergedInto, name }) => mergedInto && foldTag(name) === wanted && !tags.isGone(id));
    if (found.length + merged.length === 0) return `There is no tag “${value}”.`;
    const all = [...new Set([...found, ...merged].flatMap(({ id }) => tags.beneath(id)))];
    return { sql: WEARS(key), values: { [key]: JSON.stringify(all) }, tokens: all.map(tagToken) };
  },
};
