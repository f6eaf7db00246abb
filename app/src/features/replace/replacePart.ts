import { lateSheet } from '../../kit/lateSheet';

type Part = typeof import('./part');

/** Loads what replaces across pages, with how it looks. */
export const replacePart =
  <Name extends keyof Part>(name: Name): (() => Promise<Part[Name]>) =>
  async () => {
    const [part] = await Promise.all([import('./part'), lateSheet()]);
    return part[name];
  };
