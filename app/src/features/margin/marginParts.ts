import { around, later } from '../../kit/later';
import { lateSheet } from '../../kit/lateSheet';

/** Parts of the Margin that no first screen waits for. */
export const MarginFoot = around(async () => (await import('./MarginFoot')).MarginFoot);
// Asked for: what can’t be fetched of it is said.
export const MarginTools = later(async () => (await import('./MarginTools')).MarginTools, true);
export const GatheredGlosses = around(async () => {
  const [{ GatheredGlosses: Part }] = await Promise.all([import('./MarginList'), lateSheet()]);
  return Part;
});
export const StackRest = around(async () => (await import('./MarginList')).StackRest);
