import type { BodyJson } from '../types';
import type { Beside } from './content';

/** What stands beside a body, as the body's JSON has it. */
export const besideOf = ({ kinds = [], fields = {} }: Pick<BodyJson, 'kinds' | 'fields'>): Beside => ({
  kinds,
  fields,
});

/** A body with this beside it, and nothing else; what is empty is not said. */
export const withBeside = ({ content }: BodyJson, { kinds, fields }: Beside): BodyJson => ({
  type: 'doc',
  content,
  ...(kinds.length > 0 && { kinds }),
  ...(Object.keys(fields).length > 0 && { fields }),
});
