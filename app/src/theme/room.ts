import { measure } from './tokens';

/** What somebody wants to have around the text. */
export interface Wanted {
  isTextOnly: boolean;
  contents: boolean;
  margin: boolean;
  /** A second page beside the one that is shown. */
  beside: boolean;
}

/** What of it there is room for. */
export interface Room {
  isWide: boolean;
  isTextOnly: boolean;
  hasContents: boolean;
  hasMargin: boolean;
  hasBeside: boolean;
}

/**
 * What stands around the text at a width of the window, in pixels. The text comes first: a line of it is never under
 * 55 characters. As room shrinks the Margin gives way first, then the contents; two pages stand beside each other only
 * where both can be read.
 */
export function roomFor(width: number, wanted: Wanted): Room {
  const isWide = width >= measure.wide;
  const isTextOnly = isWide && wanted.isTextOnly;
  const beforeText = width - (isTextOnly ? 0 : measure.rail);
  const hasBeside = wanted.beside && beforeText >= 2 * measure.besideColumn;
  const text = hasBeside ? 2 * measure.besideColumn : measure.column;
  const isDressed = isWide && !isTextOnly;
  const hasContents = isDressed && wanted.contents && beforeText - measure.contents >= text;
  const beforeMargin = beforeText - (hasContents ? measure.contents : 0);
  const hasMargin = isDressed && !hasBeside && wanted.margin && beforeMargin - measure.margin >= text;
  return { isWide, isTextOnly, hasContents, hasMargin, hasBeside };
}
