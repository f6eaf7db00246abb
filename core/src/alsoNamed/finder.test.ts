import fc from 'fast-check';
import { NameFinder, nameKey } from './finder';
import { labelledNames, labelledSentences, readLabels } from './labelled';

const finderOf = (names: readonly string[]): NameFinder => {
  const finder = new NameFinder();
  for (const name of names) finder.add(name);
  return finder;
};

describe('a labelled set of sentences in five scripts', () => {
  const finder = finderOf(labelledNames);
  const all = Object.values(labelledSentences).flat();

  test('holds at least 200 sentences', () => expect(all.length).toBeGreaterThanOrEqual(200));

  test.each(Object.entries(labelledSentences))('%s: none missed, none invented', (_script, sentences) => {
    const shown = (text: string, finds: readonly { start: number; end: number }[]) =>
      `${text} → ${finds.map(({ start, end }) => text.slice(start, end)).join(' | ')}`;
    const labelled = sentences.map(readLabels);
    expect(labelled.map(({ text }) => shown(text, finder.find(text)))).toEqual(
      labelled.map(({ text, finds }) => shown(text, finds)),
    );
  });
});

test('what could be found everywhere is no name', () => {
  expect(['', 'A', '7', '1868', '…', '門'].map(nameKey)).toEqual([null, null, null, null, null, null]);
  expect(nameKey('Sluice  gate No. 2')).toBe('sluice gate no.2');
});

test('a name that was taken away is not found, one that another page has too is', () => {
  const finder = finderOf(['Oak', 'Oak for the leaf', 'Oak']);
  expect(finder.remove('Oak for the leaf')).toBe(true);
  expect(finder.find('oak for the leaf').map(({ key }) => key)).toEqual(['oak']);
  expect(finder.remove('Oak')).toBe(false);
  expect(finder.find('oak')).toHaveLength(1);
  expect(finder.remove('Oak')).toBe(true);
  expect(finder.find('oak')).toEqual([]);
  expect(finder.size).toBe(0);
});

/** What the finder promises, said plainly and slowly. */
function findSlowly(names: readonly string[], text: string): { start: number; end: number }[] {
  const found: { start: number; end: number }[] = [];
  let at = 0;
  while (at < text.length) {
    const isStart = at === 0 || text[at - 1] === ' ';
    const best = names
      .filter((name) => isStart && text.startsWith(name, at) && [undefined, ' '].includes(text[at + name.length]))
      .sort((one, other) => other.length - one.length)[0];
    if (best) found.push({ start: at, end: at + best.length });
    at += best ? best.length : 1;
  }
  return found;
}

test('finds what a plain search from every word finds, after any adding and taking away', () => {
  const word = fc.constantFrom('ab', 'abc', 'b', 'ca', 'cab');
  const phrase = fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' '));
  fc.assert(
    fc.property(
      fc.array(phrase, { maxLength: 8 }),
      fc.array(phrase, { maxLength: 5 }),
      fc.array(word, { maxLength: 30 }).map((words) => words.join(' ')),
      (names, others, text) => {
        const finder = finderOf([...names, ...others]);
        for (const other of others) finder.remove(other);
        const usable = names.filter((name) => nameKey(name) !== null);
        expect(finder.find(text).map(({ start, end }) => ({ start, end }))).toEqual(findSlowly(usable, text));
      },
    ),
  );
});
