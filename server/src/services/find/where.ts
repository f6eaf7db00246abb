import { expressionOf, isWantedTogether, type Wanted } from '@glossarion/core/find';
import type { AskedFilter } from '@glossarion/core/find/query';
import type { Values } from '../../access';
import { HOLDS } from '../../entities/find.queries';
import type { Condition } from './filters';

/** What is looked for, as the database is asked: what the index has to hold, and what has to be true besides. */
export interface Where {
  /** An expression of FTS5; null when no words are asked for of all that is found. */
  match: string | null;
  condition: string;
  values: Values;
}

export function whereOf(wanted: Wanted, conditions: ReadonlyMap<AskedFilter, Condition>): Where {
  const parts: readonly Wanted[] = wanted.is === 'all' ? wanted.parts : [wanted];
  // What is words alone is asked of the index at once, by which it is ranked; what must be missing along with it.
  const words = parts.filter((part) => expressionOf(part.is === 'not' ? part.part : part) !== null);
  const hasHeld = words.some((part) => part.is !== 'not');
  const inIndex = hasHeld ? words : [];
  const values: Values = {};
  const others = parts.filter((part) => !inIndex.includes(part)).map((part) => say(part));
  return {
    match: hasHeld ? expressionOf(inIndex.length === 1 ? inIndex[0]! : { is: 'all', parts: inIndex }) : null,
    condition: others.length === 0 ? '1' : others.join(' AND '),
    values,
  };

  function say(part: Wanted): string {
    if (part.is === 'filter') {
      const { sql, values: own } = conditions.get(part.filter)!;
      Object.assign(values, own);
      return sql;
    }
    if (part.is === 'not') return `NOT ${say(part.part)}`;
    if (isWantedTogether(part)) return `(${part.parts.map(say).join(part.is === 'all' ? ' AND ' : ' OR ')})`;
    const name = `m${Object.keys(values).length}`;
    values[name] = expressionOf(part);
    return HOLDS(name);
  }
}
