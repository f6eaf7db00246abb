/** Acts done in memory alone, for what is tried without storing it. */
export * from '../memory';
export * from '../planAll';
