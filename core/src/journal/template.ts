import { block, body } from '../document/build';
import { namedId } from '../document/ids';
import type { BodyJson } from '../document/types';

/** The headings a day starts with. */
export const DAY_HEADINGS = ['On waking', 'I mean to', 'As it happened', 'Looking back'] as const;

/**
 * The body a day starts with. Its block ids are computed from the day's, so that two devices that both make the day
 * make the same blocks.
 */
export function dayTemplate(dayPageId: string): BodyJson {
  const id = (name: string) => namedId(dayPageId, name);
  return body(
    ...DAY_HEADINGS.flatMap((heading) => [
      block('heading', heading, { id: id(`heading/${heading}`), level: 2 }),
      block(heading === 'I mean to' ? 'todo' : 'paragraph', [], { id: id(`first/${heading}`) }),
    ]),
  );
}
