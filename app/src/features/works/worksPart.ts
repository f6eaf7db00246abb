import { lateSheet } from '../../kit/lateSheet';

type Part = typeof import('./part');

/** Loads what takes notes in and out, with how it looks. */
export const worksPart =
  <Name extends keyof Part>(name: Name): (() => Promise<Part[Name]>) =>
  async () => {
    const [part] = await Promise.all([import('./part'), lateSheet()]);
    return part[name];
  };
