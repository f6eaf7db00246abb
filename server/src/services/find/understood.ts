import type { Remark } from '@glossarion/core/find';
import { isTogether, partsOf, withoutFilter, type Asked, type AskedFilter } from '@glossarion/core/find/query';
import { resolveFilter, type Condition, type FilterContext } from './filters';

/** A query of which every filter means something: what each comes to, by the filter. */
export interface Understood {
  asked: Asked;
  conditions: ReadonlyMap<AskedFilter, Condition>;
  remarks: Remark[];
}

/**
 * Looks up what the filters of a query mean; those that mean nothing are words, and said to be at their place. One that is
 * still being typed at the end of the line, and means nothing yet, is left out; nothing may be left then.
 */
export function understand(typed: Asked, context: FilterContext): Understood | null {
  const last = partsOf(typed).at(-1);
  const isUnfinished =
    last?.is === 'filter' && last.isBeginning && typeof resolveFilter(last, 'last', context) === 'string';
  const asked = isUnfinished ? withoutFilter(typed, last) : typed;
  if (asked === null) return null;
  const conditions = new Map<AskedFilter, Condition>();
  const remarks: Remark[] = [];
  const asWords = ({ field, value, from, to, isBeginning }: AskedFilter, words: string): Asked => {
    // While it is being typed nothing has to be said of it.
    if (!isBeginning) remarks.push({ from, to, words });
    return { is: 'word', text: `${field}:${value}`, isBeginning, from, to };
  };
  const walk = (part: Asked): Asked => {
    if (isTogether(part)) return { ...part, parts: part.parts.map(walk) };
    if (part.is === 'not') return { ...part, part: walk(part.part) };
    if (part.is !== 'filter') return part;
    const resolved = resolveFilter(part, `f${conditions.size}`, context);
    if (resolved === null) return asWords(part, `There is no filter or field “${part.field}”: searched as words.`);
    if (typeof resolved === 'string') return asWords(part, `${resolved} Searched as words.`);
    conditions.set(part, resolved);
    return part;
  };
  return { asked: walk(asked), conditions, remarks };
}
