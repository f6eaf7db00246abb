/**
 * Two brackets, two equals signs, a hash before a word and a brace mean something here that Markdown does not know, so
 * that its parser forgets whether they were escaped. Before parsing, an escaped one is put away as a character of the
 * same class, punctuation, that hardly any text holds (Old Nubian's); where a text does hold one, that is put away as
 * one of Unicode's noncharacters. After parsing all are brought back as what they are.
 */
const SPECIAL = '[]=#{}';
const STAND_INS = '\u2CF9\u2CFA\u2CFB\u2CFC\u2CFE\u2CFF';
const FOR_STAND_INS = '\uFDD0\uFDD1\uFDD2\uFDD3\uFDD4\uFDD5';

const among = (characters: string) => new RegExp(`[${characters}]`, 'gu');
const exchange = (text: string, from: string, to: string): string =>
  text.replace(among(from), (character) => to[from.indexOf(character)]!);

/** The source with escaped special characters put away. */
export const putAway = (source: string): string =>
  exchange(source.replace(among(FOR_STAND_INS), '\uFFFD'), STAND_INS, FOR_STAND_INS).replace(
    /\\([\\[\]=#{}])/gu,
    (whole, character: string) => (character === '\\' ? whole : STAND_INS[SPECIAL.indexOf(character)]!),
  );

/** Running text with what was put away brought back. */
export const broughtBack = (text: string): string =>
  exchange(exchange(text, STAND_INS, SPECIAL), FOR_STAND_INS, STAND_INS);

/** Text in which a backslash is no escape, such as code, as it was written. */
export const asWritten = (text: string): string =>
  exchange(
    text.replace(among(STAND_INS), (character) => `\\${SPECIAL[STAND_INS.indexOf(character)]!}`),
    FOR_STAND_INS,
    STAND_INS,
  );
