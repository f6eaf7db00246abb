import { RE2JS, RE2JSException } from 're2js';
import { LETTERS_OR_DIGITS } from './letters';
import type { ReplaceWish } from './types';

/** A place in a text, and what is to stand there. */
export interface Match {
  start: number;
  end: number;
  by: string;
}

/** Finds what is replaced in a text: apart from each other, in its order. */
export type Matcher = (text: string) => Match[];

/** Thrown when what was typed can't be looked for; the message is a sentence for people. */
export class MatcherError extends Error {
  override name = 'MatcherError';
}

/** More in one line than this is no writing. */
const MOST_IN_LINE = 2_000;

/** What goes into a line is one line. */
const inOneLine = (words: string): string => words.replace(/\p{Cc}+/gu, ' ');

/**
 * What looks for this. Expressions are those of RE2, which takes time in proportion to the text, whatever the expression
 * is (https://swtch.com/~rsc/regexp/regexp1.html).
 *
 * @throws MatcherError when it is empty, or no expression
 */
export function matcherOf({ find, by, isExpression, isCase, isWhole }: ReplaceWish): Matcher {
  if (find === '') throw new MatcherError('There is nothing to look for.');
  const pattern = compiled(isExpression ? find : RE2JS.quote(find), isCase);
  const replacement = inOneLine(by);
  return (text) => {
    const matches: Match[] = [];
    const matcher = pattern.matcher(text);
    while (matches.length < MOST_IN_LINE && matcher.find()) {
      const [start, end] = [matcher.start(), matcher.end()];
      if (isWhole && (isLetter(before(text, start)) || isLetter(after(text, end)))) continue;
      const group = (index: number): string => (index <= matcher.groupCount() ? (matcher.group(index) ?? '') : '');
      matches.push({ start, end, by: isExpression ? filledIn(replacement, group) : replacement });
    }
    return matches;
  };
}

function compiled(expression: string, isCase: boolean): RE2JS {
  try {
    return RE2JS.compile(expression, isCase ? 0 : RE2JS.CASE_INSENSITIVE);
  } catch (error) {
    if (!(error instanceof RE2JSException)) throw error;
    throw new MatcherError('This is no regular expression that is known here. Look at its brackets and signs.');
  }
}

const filledIn = (replacement: string, group: (index: number) => string): string =>
  replacement.replace(/\$(\$|\d)/gu, (_whole, sign: string) => (sign === '$' ? '$' : inOneLine(group(Number(sign)))));

const isLetter = (character: string): boolean => LETTERS_OR_DIGITS.test(character);
const before = (text: string, at: number): string => Array.from(text.slice(Math.max(0, at - 2), at)).at(-1) ?? '';
const after = (text: string, at: number): string => Array.from(text.slice(at, at + 2))[0] ?? '';
