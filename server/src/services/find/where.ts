import { expressionOf, isWantedTogether, type Wanted, type WantedWord } from '@glossarion/core/find';
import type { AskedFilter } from '@glossarion/core/find/query';
import type { Values } from '../../access';
import { HOLDS, HOLDS_SOMEWHERE } from '../../entities/find.queries';
import type { Condition } from './filters';

/** What is looked for, as the database is asked: what the index has to hold, and what has to be true besides. */
export interface Where {
  /** An expression of FTS5; null when no words are asked for of all that is found. */
  match: string | null;
  condition: string;
  values: Values;
  /** Whether words are among what has to be true besides. */
  hasWordsBeside: boolean;
}

type Conditions = ReadonlyMap<AskedFilter, Condition>;

/** Whether so many lines hold a word that it is asked of single rows rather than which rows hold it. */
type IsCommon = (word: WantedWord) => boolean;

const partsOf = (wanted: Wanted): readonly Wanted[] => (wanted.is === 'all' ? wanted.parts : [wanted]);

/** @param hasFiles whether something is written in files too: then what has to be missing is missing there as well */
export function whereOf(wanted: Wanted, conditions: Conditions, hasFiles: boolean, isCommon: IsCommon): Where {
  const parts = partsOf(wanted);
  // What is words alone is asked of the index at once, by which it is ranked; what must be missing along with it.
  const words = parts.filter((part) => expressionOf(part.is === 'not' ? part.part : part) !== null);
  const hasHeld = words.some((part) => part.is !== 'not');
  const inIndex = hasHeld ? words : [];
  const missing = hasFiles ? inIndex.filter((part) => part.is === 'not') : [];
  const besides = parts.filter((part) => !inIndex.includes(part));
  const said = new Said(conditions);
  return {
    match: hasHeld ? expressionOf(inIndex.length === 1 ? inIndex[0]! : { is: 'all', parts: inIndex }) : null,
    condition: [...said.each(besides), ...said.each(missing, isCommon)].join(' AND ') || '1',
    values: said.values,
    hasWordsBeside: besides.some(holdsWords),
  };
}

/**
 * The same for what holds some of several words itself, and others in its files: of what is written in files, the index has
 * rows of its own. Nothing where fewer than two words are asked for of all that is found.
 */
export function whereAcrossFiles(wanted: Wanted, conditions: Conditions, isCommon: IsCommon): Where | null {
  const parts = partsOf(wanted);
  const words = parts.flatMap((part) => (part.is === 'not' ? [] : (expressionOf(part) ?? [])));
  if (words.length < 2) return null;
  const said = new Said(conditions);
  return {
    match: words.join(' OR '),
    condition: said.each(parts, isCommon).join(' AND '),
    values: said.values,
    hasWordsBeside: true,
  };
}

const holdsWords = (part: Wanted): boolean => {
  if (part.is === 'filter') return false;
  if (part.is === 'not') return holdsWords(part.part);
  return !isWantedTogether(part) || part.parts.some(holdsWords);
};

/** Says conditions in SQL, and gathers the values that they ask for. */
class Said {
  readonly values: Values = {};

  constructor(private conditions: Conditions) {}

  /** @param isCommon of which words it is asked row by row; of the others all rows that hold them are looked up once */
  each(parts: readonly Wanted[], isCommon: IsCommon = () => false): string[] {
    return parts.map((part) => this.say(part, isCommon));
  }

  private say(part: Wanted, isCommon: IsCommon): string {
    if (part.is === 'filter') {
      const { sql, values: own } = this.conditions.get(part.filter)!;
      Object.assign(this.values, own);
      return sql;
    }
    if (part.is === 'not') return `NOT ${this.say(part.part, isCommon)}`;
    if (isWantedTogether(part)) {
      return `(${this.each(part.parts, isCommon).join(part.is === 'all' ? ' AND ' : ' OR ')})`;
    }
    const name = `m${Object.keys(this.values).length}`;
    this.values[name] = expressionOf(part);
    return isCommon(part) ? HOLDS_SOMEWHERE(name) : HOLDS(name);
  }
}
