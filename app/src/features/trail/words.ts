import { dayInText, localDay } from '@glossarion/core/journal';
import type { TrailStep } from '@glossarion/core/outline';
import type { Target } from '../../state/types';

/** A trail in one line, as lists show it. */
export const trailWords = (trail: readonly TrailStep[]): string => trail.map((step) => step.name).join(' / ');

/** What a link without words of its own shows of its target. */
export function linkWords(target: Target | undefined): string {
  if (!target) return '…';
  if (target.state === 'gone') return 'a page that is gone';
  return target.day ? dayInText(target.day, localDay(new Date())) : target.title;
}
