import { later } from '../../kit/later';

/** Parts of the Margin that no first screen waits for. */
export const MarginFoot = later(async () => (await import('./MarginFoot')).MarginFoot, true);
export const MarginTools = later(async () => (await import('./MarginTools')).MarginTools, true);
export const MarginGroups = later(async () => (await import('./MarginList')).MarginGroups, true);
export const StackRest = later(async () => (await import('./MarginList')).StackRest, true);
export const OlderGlosses = later(async () => (await import('./MarginList')).OlderGlosses, true);
