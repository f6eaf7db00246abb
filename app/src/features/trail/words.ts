import type { TrailStep } from '@glossarion/core/outline';

/** A trail in one line, as lists show it. */
export const trailWords = (trail: readonly TrailStep[]): string => trail.map((step) => step.name).join(' / ');
