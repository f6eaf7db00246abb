import { reckoningHere, type Reckoning } from '../../state/reckoned';

/**
 * What is computed of kinds and fields (core/kinds). It comes with what reads days, which whoever loads this part of the
 * app has asked for before: what two such parts share would be fetched with the first screen.
 */
export const computed = (): Reckoning['kinds'] => reckoningHere()!.kinds;
