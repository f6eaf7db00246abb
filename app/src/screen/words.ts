import { dayInText, localDay } from '@glossarion/core/journal';
import { SEASON_WORDS, type TrailStep } from '@glossarion/core/outline';
import type { Target } from '@glossarion/core/links';

/** A longer trail is shown by its first step and its last, which tell most. */
const SHOWN_STEPS = 4;
const SHOWN_NAME = 40;

const shortName = (name: string): string =>
  name.length > SHOWN_NAME
    ? `${Array.from(name)
        .slice(0, SHOWN_NAME - 1)
        .join('')
        .trimEnd()}…`
    : name;

/** A trail in one line, as lists show it. */
export function trailWords(trail: readonly TrailStep[]): string {
  const names = trail.map((step) => shortName(step.name));
  return (names.length > SHOWN_STEPS ? [names[0], '…', ...names.slice(-2)] : names).join(' / ');
}

const OUTSIDE_WORDS = { journal: 'Journal', tray: 'Tray' };

/** Where something stands, in one line: its trail, or that it stands in the journal or the Tray. */
export const whereWords = ({ standsIn, trail }: Pick<Target, 'standsIn' | 'trail'>): string =>
  standsIn ? OUTSIDE_WORDS[standsIn] : trailWords(trail);

/** Where something stands and when it is for, as lists and pickers say it. */
export function placeWords(target: Target): string {
  const where = whereWords(target) || target.kind;
  return [where, target.state === 'unwritten' ? 'not yet written' : '', SEASON_WORDS[target.season]]
    .filter(Boolean)
    .join(', ');
}

/** What is shown of a tag: its present name, or the one it was typed by until that is known. */
export const tagWords = (target: Target | undefined, typed: unknown): string => {
  if (typeof typed === 'string') return typed;
  if (!target) return '…';
  return target.state === 'gone' ? target.title || 'a tag that is gone' : target.title;
};

/** What a link without words of its own shows of its target. */
export function linkWords(target: Target | undefined): string {
  if (!target) return '…';
  if (target.state === 'gone') return target.title || 'a page that is gone';
  return target.day ? dayInText(target.day, localDay(new Date())) : target.title;
}
