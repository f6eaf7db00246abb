import { lateSheet } from '../../kit/lateSheet';

type Part = typeof import('./part');

/** Loads something of what shows tags, with how it looks. */
export const tagPart =
  <Name extends keyof Part>(name: Name): (() => Promise<Part[Name]>) =>
  async () => {
    const [part] = await Promise.all([import('./part'), lateSheet()]);
    return part[name];
  };
