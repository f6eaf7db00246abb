import { lateSheet } from '../../../kit/lateSheet';

type Part = typeof import('./part');

/** Loads what draws lists of what is found, with how it looks. */
export const foundListPart =
  <Name extends keyof Part>(name: Name): (() => Promise<Part[Name]>) =>
  async () => {
    const [part] = await Promise.all([import('./part'), lateSheet()]);
    return part[name];
  };
