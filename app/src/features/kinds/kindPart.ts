import { lateSheet } from '../../kit/lateSheet';
import { prepareReckoning, reckoningHere } from '../../state/reckoned';

type Part = typeof import('./part');

/** Loads something of what shows kinds and fields: with what computes them, and once it is known what they are called. */
export const kindPart =
  <Name extends keyof Part>(name: Name): (() => Promise<Part[Name]>) =>
  async () => {
    const [part] = await Promise.all([import('./part'), prepareReckoning(), lateSheet()]);
    if (!reckoningHere()) throw new Error('What computes fields could not be fetched.');
    await part.prepareKinds();
    return part[name];
  };
