/** The most of a line that is read, in UTF-16 units. */
export const LONGEST_LINE = 500;

/**
 * What somebody asks for, as the query line says it (grammar.peggy). Places are counted in UTF-16 units of the line.
 */
export type Asked = AskedWord | AskedPhrase | AskedFilter | AskedNot | AskedTogether;

interface Placed {
  from: number;
  to: number;
}

/** Letters without a space, which may hold several words: 10:30, left-handed. */
export interface AskedWord extends Placed {
  is: 'word';
  text: string;
  /** It is still being typed: what begins like it fits. */
  isBeginning: boolean;
}

/** Words that have to stand together in this order. */
export interface AskedPhrase extends Placed {
  is: 'phrase';
  text: string;
  isBeginning: boolean;
}

/** What has to be true besides the words, by the name of a filter or field: tag:lime. */
export interface AskedFilter extends Placed {
  is: 'filter';
  field: string;
  /** Nothing while it is yet to be typed. */
  value: string;
  isBeginning: boolean;
}

export interface AskedNot extends Placed {
  is: 'not';
  part: Asked;
}

/** All of these, or any: at least two. */
export interface AskedTogether extends Placed {
  is: 'all' | 'any';
  parts: readonly Asked[];
}

export const isTogether = (asked: Asked): asked is AskedTogether => asked.is === 'all' || asked.is === 'any';

/** All words, phrases and filters in the order of the line. */
export const leavesOf = (asked: Asked | null): (AskedWord | AskedPhrase | AskedFilter)[] => {
  if (asked === null) return [];
  if (asked.is === 'not') return leavesOf(asked.part);
  return isTogether(asked) ? asked.parts.flatMap(leavesOf) : [asked];
};

/** What has to be true of all that is found: the parts of a query that are asked for together. */
export const partsOf = (asked: Asked | null): readonly Asked[] => {
  if (asked === null) return [];
  return asked.is === 'all' ? asked.parts : [asked];
};
