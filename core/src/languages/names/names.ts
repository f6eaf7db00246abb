/** Scripts whose languages are told apart, as Unicode names them. */
export type Script = 'Latin' | 'Greek' | 'Cyrillic' | 'Arabic' | 'Hebrew' | 'Devanagari' | 'Hangul';

/** The languages whose word forms are known: ISO 639-1, as those who speak them call them, and their script. */
export const LANGUAGE_NAMES = [
  { code: 'en', name: 'English', script: 'Latin' },
  { code: 'de', name: 'Deutsch', script: 'Latin' },
  { code: 'fr', name: 'Français', script: 'Latin' },
  { code: 'es', name: 'Español', script: 'Latin' },
  { code: 'it', name: 'Italiano', script: 'Latin' },
  { code: 'pt', name: 'Português', script: 'Latin' },
  { code: 'nl', name: 'Nederlands', script: 'Latin' },
  { code: 'pl', name: 'Polski', script: 'Latin' },
  { code: 'sv', name: 'Svenska', script: 'Latin' },
  { code: 'da', name: 'Dansk', script: 'Latin' },
  { code: 'no', name: 'Norsk', script: 'Latin' },
  { code: 'fi', name: 'Suomi', script: 'Latin' },
  { code: 'hu', name: 'Magyar', script: 'Latin' },
  { code: 'ro', name: 'Română', script: 'Latin' },
  { code: 'tr', name: 'Türkçe', script: 'Latin' },
  { code: 'el', name: 'Ελληνικά', script: 'Greek' },
  { code: 'ru', name: 'Русский', script: 'Cyrillic' },
  { code: 'uk', name: 'Українська', script: 'Cyrillic' },
  { code: 'bg', name: 'Български', script: 'Cyrillic' },
  { code: 'ar', name: 'العربية', script: 'Arabic' },
  { code: 'he', name: 'עברית', script: 'Hebrew' },
  { code: 'hi', name: 'हिन्दी', script: 'Devanagari' },
  { code: 'ko', name: '한국어', script: 'Hangul' },
] as const satisfies readonly { code: string; name: string; script: Script }[];

export type LanguageCode = (typeof LANGUAGE_NAMES)[number]['code'];
