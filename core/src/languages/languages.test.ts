import { wordsIn } from '../words';
import { languageOf, languageOfWord, LANGUAGES, tallyOf } from '.';

const none = new Map();
const said = (line: string, around = '', written: string[] = []) => {
  const words = (text: string) => wordsIn(text).map(({ word }) => word);
  const tally = (text: string) => tallyOf(text, words(text));
  return languageOfWord(words(line).at(-1)!, tally(line), tally(around), written)?.code ?? null;
};

test.each([
  ['The gate is stuck in the silt', 'en'],
  ['Die Schleusen öffnen erst bei Hochwasser', 'de'],
  ['Le meunier travaillait la nuit, selon l’heure', 'fr'],
  ['Koła naprawiano zimą, a potem je malowano', 'pl'],
  ['El molino no tiene agua desde ayer', 'es'],
  ['Het water staat hoog en de sluis is dicht', 'nl'],
  ['Το πλοίο έφυγε από τον Πειραιά', 'el'],
  ['Мельница стояла на запруде у деревни', 'ru'],
  ['الماء يصل مرتين', 'ar'],
  ['הרכבת לחיפה', 'he'],
  ['마을에서 하룻밤을', 'ko'],
  ['水車の音', null],
])('%s is seen to be in %s', (line, code) => expect(said(line)).toBe(code));

test('a line that does not tell is in the language of what stands around it, or the first that somebody writes', () => {
  const around = 'Der Müller wohnte über dem Mahlgang, und die Räder drehten sich nicht.';
  expect(said('Zwetschgenkuchen', around)).toBe('de');
  expect(said('Zwetschgenkuchen')).toBe('en');
  expect(said('Zwetschgenkuchen', '', ['pl', 'de'])).toBe('pl');
  expect(said('The gate is stuck and it was in the silt', around)).toBe('en');
  // One script beside another.
  expect(said('The mill is called мельница')).toBe('ru');
});

test('languages that somebody does not write are not taken for theirs', () => {
  expect(said('Die Schleusen öffnen erst bei Hochwasser', '', ['en', 'fr'])).toBe('en');
  expect(said('Мельница', '', ['en'])).toBe('ru');
});

test.each([
  ['en', ['scarf', 'scarfs', 'scarfing', 'scarfed']],
  ['en', ['committee', 'committees']],
  ['de', ['mühle', 'mühlen', 'muhle', 'muhlen']],
  ['de', ['rad', 'räder', 'rader']],
  ['de', ['größere', 'grösseres', 'grossere']],
  ['fr', ['écluse', 'écluses', 'ecluse']],
  ['fr', ['inspecter', 'inspecté', 'inspecte']],
  ['pl', ['porzeczka', 'porzeczki']],
  ['el', ['μύλος', 'μυλοσ', 'μύλοι', 'μύλους']],
  ['ru', ['мельница', 'мельницу', 'мельницы']],
  ['ar', ['ماء', 'الماء']],
  ['ar', ['ليمون', 'الليمون', 'والليمون']],
  ['he', ['רכבת', 'הרכבת']],
  ['ko', ['방앗간', '방앗간에서', '방앗간은']],
])('forms of a word come to one stem: %s %j', (code, forms) => {
  const { stem } = languageOf(code)!;
  expect(new Set(forms.map((form) => stem(form))).size).toBe(1);
});

test('a stem is never nothing, and each language has small words of its own', () => {
  for (const { stem, small, code } of LANGUAGES) {
    for (const word of ['a', 'in', 'x7', '水', 'שבת', 'и']) expect(stem(word)).not.toBe('');
    expect([code, small.size > 20]).toEqual([code, true]);
  }
  expect(languageOfWord('水', none, none, [])).toBeNull();
});
