/** What is written to the end of a noun: subject, object, place, direction, company, possession; the longest first. */
const PARTICLE = /(?<=\p{L}{2})(?:에서는|에서|에게|으로|까지|부터|처럼|은|는|이|가|을|를|에|로|와|과|도|의|만)$/u;

/** A Korean word without the particle at its end, if two syllables are left. */
export const withoutParticle = (word: string): string => word.normalize('NFC').replace(PARTICLE, '');
