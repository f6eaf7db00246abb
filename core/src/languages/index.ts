export { LANGUAGES, languageOf } from './all';
export * from './detect';
export type { Language } from './language';
export type { Script } from './names';
