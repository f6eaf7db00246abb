export { LANGUAGES, languageOf } from './all';
export * from './detect';
export type { Language, Script } from './language';
