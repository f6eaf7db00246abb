import { LONGEST_LINE, type Asked, type AskedTogether } from './asked';
import { parse } from './grammar';

/** A part as the grammar gives it: what is empty is not left out yet, and nobody has looked where the line ends. */
type Part = { from: number; to: number } & (
  | { is: 'word'; text: string }
  | { is: 'phrase'; text: string; isWhole: boolean }
  | { is: 'filter'; field: string; value: string; isWhole: boolean }
  | { is: 'not'; part: Part }
  | { is: 'all' | 'any'; parts: Part[] }
);

/**
 * Reads a query line; nothing when nothing is asked for. Every text has a meaning: what is no operator, filter or
 * quotation is words, and operators that have nothing on one side are words too.
 */
export function readQueryLine(line: string): Asked | null {
  const read = line.slice(0, LONGEST_LINE);
  return withoutEmpty(parse(read) as Part, read.length);
}

function withoutEmpty(part: Part, end: number): Asked | null {
  switch (part.is) {
    case 'word':
      // OR that joins nothing is the word.
      return { ...part, text: part.text === 'OR' ? 'or' : part.text, isBeginning: part.to === end };
    case 'phrase': {
      const { isWhole, ...phrase } = part;
      return phrase.text.trim() === '' ? null : { ...phrase, isBeginning: !isWhole };
    }
    case 'filter': {
      const { isWhole, ...filter } = part;
      return { ...filter, isBeginning: !isWhole && part.to === end };
    }
    case 'not': {
      const inner = withoutEmpty(part.part, end);
      if (inner === null) return null;
      return inner.is === 'not' ? inner.part : { ...part, part: inner };
    }
    default: {
      const parts = part.parts.flatMap((each) => withoutEmpty(each, end) ?? []);
      return together(
        part,
        parts.flatMap((each) => (each.is === part.is ? each.parts : [each])),
      );
    }
  }
}

function together({ is, from, to }: Pick<AskedTogether, 'is' | 'from' | 'to'>, parts: Asked[]): Asked | null {
  if (parts.length > 1) return { is, parts, from, to };
  return parts[0] ?? null;
}
