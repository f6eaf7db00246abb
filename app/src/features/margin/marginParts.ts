import { around, later } from '../../kit/later';

/** Parts of the Margin that no first screen waits for. */
export const MarginFoot = around(async () => (await import('./MarginFoot')).MarginFoot);
// Asked for: what can’t be fetched of it is said.
export const MarginTools = later(async () => (await import('./MarginTools')).MarginTools, true);
export const GatheredGlosses = around(async () => (await import('./MarginList')).GatheredGlosses);
export const StackRest = around(async () => (await import('./MarginList')).StackRest);
