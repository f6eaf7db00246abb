import { spacedWords, wordsIn } from '../words';
import { expressionOf } from './expression';
import { countOf, fitting, heldWords, weightOf } from './fits';
import { readQueryLine } from './query/read';
import { slipsOf, type KnownWords } from './readings';
import { Vocabulary } from './vocabulary';
import { wantedOf, wantedWords, type Wanted } from './wanted';

const NOTES = `Tell-tales read monthly. Bedstone out by 2 mm. Price 1,140 delivered. Die Mühle am Bach. Left-handed: mind the
  bench. The scarf is long, two scarfs are longer. Gudgeon, pintle, milling, meal`;

const counts = new Map<string, number>();
for (const { word } of wordsIn(NOTES)) counts.set(word, (counts.get(word) ?? 0) + 1);
const FORMS = [
  ['scarf', 'scarfs'],
  ['mill', 'milling'],
];
const known: KnownWords = {
  vocabulary: new Vocabulary(counts),
  formsOf: (word) => FORMS.filter((forms) => forms.includes(word)).flat(),
  namedBy: (word) => (word === 'wet' ? ['\uE000wet'] : []),
};
const wanted = (line: string): Wanted | null => wantedOf(readQueryLine(line), known);
const expression = (line: string): string | null => {
  const looked = wanted(line);
  return looked && expressionOf(looked);
};
const standsFor = (line: string) =>
  wantedWords(wanted(line)).map(({ readings }) => readings.map(({ how, terms }) => `${how} ${terms.join('+')}`));

test('words are looked for as themselves, what they name, their forms and other spellings', () => {
  expect(standsFor('scarfs ')).toEqual([['exact scarfs', 'form scarf']]);
  expect(standsFor('wet ')).toEqual([['exact wet', 'named \uE000wet']]);
  expect(standsFor('telltales ')).toEqual([['exact telltales', 'spelling tell+tales']]);
  expect(standsFor('lefthanded ')).toEqual([['exact lefthanded', 'spelling left+handed']]);
  expect(standsFor('bed stone ')).toEqual([
    ['exact bed', 'spelling bedstone'],
    ['exact stone', 'spelling bedstone'],
  ]);
  expect(standsFor('muehle ')).toEqual([['exact muehle', 'spelling muhle']]);
  expect(standsFor('1140 ')).toEqual([['exact 1140', 'spelling 1+140']]);
  expect(standsFor('telltal')).toEqual([['exact telltal', 'spelling tell+tal']]);
});

test('a slip is taken for words of the notes, two in long ones, none in short', () => {
  const slips = (word: string) => slipsOf(word, false, known).map(({ terms }) => terms[0]);
  expect(slips('gudgeom')).toEqual(['gudgeon']);
  expect(slips('bedston')).toEqual(['bedstone']);
  expect(slips('deliverd')).toEqual(['delivered']);
  expect(slips('mel')).toEqual([]);
  expect(slips('1141')).toEqual([]);
});

test('a query is said to the index', () => {
  expect(expression('gate pin')).toBe('("gate" AND "pin" *)');
  expect(expression('"two people" winch ')).toBe('("two people" AND "winch")');
  expect(expression('scarf OR pin ')).toBe('(("scarf" OR "scarfs") OR "pin")');
  expect(expression('gate -pin -(oak elm) ')).toBe('(("gate") NOT ("pin" OR ("oak" AND "elm")))');
  expect(expression('10:30 ')).toBe('("10" AND "30")');
  expect(expression('“…” --')).toBeNull();
  expect(expression('-gate')).toBeNull();
  expect(expression('tag:lime gate')).toBeNull();
});

test('a text fits by the surest way in which it holds each word', () => {
  const words = wantedWords(wanted('scarfs wet telltales pintle '));
  const fit = (text: string, ...tokens: string[]) => fitting(words)(spacedWords(text), new Set(tokens));
  expect(fit('The scarf and its tell-tales')).toEqual(['form', null, 'spelling', null]);
  expect(fit('Wet scarfs, pintle', '\uE000wet')).toEqual(['exact', 'exact', null, 'exact']);
  expect(fit('Nothing', '\uE000wet')).toEqual([null, 'named', null, null]);
  expect(countOf(fit('Wet scarf'))).toBe(2);
  expect(weightOf(fit('Wet scarfs'))).toBeGreaterThan(weightOf(fit('Wet scarf')));
});

test('what is held is known by its place, words that follow one another together', () => {
  const held = (text: string, line: string) =>
    heldWords(text, wantedWords(wanted(line))).map(({ start, end }) => text.slice(start, end));
  expect(held('Tell-tales read; tales to tell', 'telltales ')).toEqual(['Tell', 'tales']);
  expect(held('The Scarf, two scarfs', 'scarf')).toEqual(['Scarf', 'scarfs']);
  expect(held('two people on two', '"two people"')).toEqual(['two', 'people']);
  expect(held('gate and pin', 'gate -pin ')).toEqual(['gate']);
});
