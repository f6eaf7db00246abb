import { foldWords } from '@glossarion/core/words';
import { IS_OF } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** Pages of a kind, or of a narrower one. */
export const kind: Filter = {
  names: ['kind'],
  resolve: (value, key, { kinds }) => {
    const wanted = foldWords(value.trim());
    const found = kinds.all().filter(({ name }) => foldWords(name) === wanted);
    if (found.length === 0) return `There is no kind “${value}”.`;
    return { sql: IS_OF(key), values: { [key]: JSON.stringify(found.flatMap(({ id }) => kinds.narrower(id))) } };
  },
};
