import fc from 'fast-check';
import { block, body, newId, readBody, text, writeBody } from '@glossarion/core/document';
import type { Found, FoundCounts } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { makeServer, type Person, type TestedServer } from '../../testing/makeServer';
import { checkData } from '../checkData';

let server: TestedServer;
let ines: Person;

const NOTES = [
  {
    path: 'Mill/Waterworks/Sluice gate.md',
    text: 'Elm and oak. #timber/elm\n\nThe gudgeon is worn.\n\n- [ ] Ask for the winch rating\n',
  },
  { path: 'Mill/Waterworks/Winch.md', text: 'Rated for 820 kg.\n\n| part | bore |\n| --- | --- |\n| drum | 64 mm |\n' },
  { path: 'Mill/Callum Frayne.md', text: '---\nkinds: [person]\n---\nSmith at the lifeboat house.\n' },
  { path: 'Yard/Bands.md', text: 'Forged by [[Callum Frayne]] in March. #Ironwork\n\nThe scarfs were cut by hand.\n' },
  {
    path: 'Yard/Words.md',
    text: 'The gugdeon, as somebody spelt it.\n\nDie Mühlen am Bach standen still und die Räder auch.\n',
  },
];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  await ines.post('/imports', { files: NOTES }).expect(200);
});
afterEach(async () => {
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const find = async (typed: string, who = ines): Promise<Found> =>
  (await who.get(`/find?q=${encodeURIComponent(typed)}`).expect(200)).body as Found;
const titles = async (typed: string, who = ines) => (await find(typed, who)).findings.map(({ title }) => title);
const act = (...acts: object[]) => ines.post('/acts', { acts }).expect(200);
/** What the best of it shows, with what is marked in brackets. */
const best = async (typed: string) => {
  const [first] = (await find(typed)).findings;
  const pieces = first?.lines[0]?.pieces ?? [];
  return `${first?.title}: ${pieces.map(({ text: words, isMarked }) => (isMarked ? `[${words}]` : words)).join('')}`;
};
const idOf = async (name: string) =>
  ((await ines.get(`/names?q=${encodeURIComponent(name)}`)).body as Target[]).find(({ title }) => title === name)!.id;

test.each([
  ['words of a line', 'gudgeon worn', 'Sluice gate: The [gudgeon] is [worn].'],
  ['words that a link shows', 'frayne forged', 'Bands: [Forged] by Callum [Frayne] in March. Ironwork'],
  ['cells of a table', '64 drum', 'Winch: part · bore · [drum] · [64] mm'],
  ['a slip', 'winhc rating', 'Sluice gate: Ask for the [winch] [rating]'],
  ['another form', 'scarf', 'Bands: The [scarfs] were cut by hand.'],
  [
    'a form in another language, without its accents',
    'muhle',
    'Words: Die [Mühlen] am Bach standen still und die Räder auch.',
  ],
  ['the beginnings of words', 'gud wor', 'Sluice gate: The [gudgeon] is [worn].'],
])('F3 %s: %s', async (_what, typed, shown) => expect(await best(typed)).toBe(shown));

test('F3 what was typed comes before what it may have been meant for, and that is said', async () => {
  expect(await titles('gugdeon')).toEqual(['Words', 'Sluice gate']);
  expect((await find('gugdeon')).also).toEqual(['gudgeon']);
  // Written often enough to be meant.
  expect((await find('gudgeon is')).also).toEqual([]);
  expect((await find('elm')).also).toEqual([]);
});

test('F1 a page that is called otherwise is found where it is linked by its new name alone', async () => {
  const callum = await idOf('Callum Frayne');
  await act({ do: 'name', id: callum, name: 'Osric Pell' });
  expect(await best('osric forged')).toBe('Bands: [Forged] by [Osric] Pell in March. Ironwork');
  expect(await titles('frayne forged')).toEqual([]);
});

test('F1 what was found is shown as it is now: its place, its words and what these link to', async () => {
  const look = async () => {
    const [bands] = (await find('forged march')).findings;
    return `${bands!.trail.map(({ name }) => name).join(' / ')}: ${bands!.lines[0]!.pieces.map(({ text: words }) => words).join('')}`;
  };
  expect(await look()).toBe('Yard: Forged by Callum Frayne in March. Ironwork');
  await act({ do: 'name', id: await idOf('Yard'), name: 'Timber yard' });
  expect(await look()).toBe('Timber yard: Forged by Callum Frayne in March. Ironwork');
  await act({ do: 'name', id: await idOf('Callum Frayne'), name: 'Osric Pell' });
  expect(await look()).toBe('Timber yard: Forged by Osric Pell in March. Ironwork');
  const id = await idOf('Bands');
  await server.services.documents.edit(ines.viewer, id, (document) => {
    const [first] = readBody(document).content;
    writeBody(
      document,
      body(block('paragraph', [text('Forged in March, by hand.')], { id: first!.attrs!.id as string })),
    );
  });
  expect(await look()).toBe('Timber yard: Forged in March, by hand.');
  await act({ do: 'bin', id: await idOf('Timber yard') });
  expect((await find('forged march')).findings).toEqual([]);
});

test('F1 of several words that many pages hold, those that hold them in one line come first, a slip or a form last', async () => {
  const files = Array.from({ length: 90 }, (_each, index) => ({
    path: `Many/Page ${index}.md`,
    text: index === 40 ? 'The sluice keeper waits.' : 'The sluice is long.\n\nA keeper came.\n\nNobody waits.',
  }));
  await ines.post('/imports', { files: [...files, { path: 'Many/Slip.md', text: 'The sluice keeper waited.' }] });
  const { findings, isMore } = await find('sluice keeper waits ');
  expect(findings).toHaveLength(24);
  expect(isMore).toBe(true);
  expect(findings[0]!.title).toBe('Page 40');
  expect(findings.map(({ title }) => title)).not.toContain('Slip');
  // The same words where few pages hold one of them: what stands for it is found too.
  expect((await titles('keeper waited ')).slice(0, 2)).toEqual(['Slip', 'Page 40']);
});

test('words that are gone are suggested no more, nor those of another account', async () => {
  const tomas = await server.person('Tomas');
  await tomas.post('/imports', { files: [{ path: 'His/Own.md', text: 'A quaternary pin.\n' }] }).expect(200);
  expect((await find('quaternery')).also).toEqual([]);
  expect(await titles('quaternery')).toEqual([]);
  expect(await titles('quaternery', tomas)).toEqual(['Own']);

  const id = await idOf('Winch');
  expect(await titles('drun 64')).toEqual(['Winch']);
  await act({ do: 'bin', id });
  expect(await titles('drun 64')).toEqual([]);
  await ines.delete(`/bin/${id}`).expect(204);
  const known = server.rows<{ word: string }>("SELECT word FROM vocabulary WHERE word IN ('drum', 'rated', '820')");
  expect(known).toEqual([]);
});

test('words are counted as they are written: what was half typed is no word', async () => {
  const [id, lineId] = [await idOf('Winch'), newId()];
  for (const words of ['The p', 'The pa', 'The pawl']) {
    await server.services.documents.edit(ines.viewer, id, (document) => {
      const others = readBody(document).content.filter((node) => node.attrs?.id !== lineId);
      writeBody(document, body(...others, block('paragraph', [text(words)], { id: lineId })));
    });
  }
  const words = server.rows<{ word: string }>(
    "SELECT word FROM vocabulary WHERE word LIKE 'p%w%' OR word IN ('p', 'pa')",
  );
  expect(words.map(({ word }) => word)).toEqual(['pawl']);
  expect(await titles('pawk')).toEqual(['Winch']);
});

test('an import that is stopped at any piece leaves no word of it', async () => {
  const words = () => server.rows('SELECT word, language, stem, lines FROM vocabulary ORDER BY word, language, stem');
  const before = words();
  const files = Array.from({ length: 12 }, (_each, index) => ({
    path: `In/Page ${index}.md`,
    text: Array.from({ length: 60 }, (_line, line) => `Quaternary line ${line} of ${index}.`).join('\n\n'),
  }));
  const count = () => server.row<{ count: number }>('SELECT COUNT(*) AS count FROM blocks')!.count;
  const begun = count();
  for (let least = 1; least < 12; least += 1) {
    const id = newId();
    const taking = server.services.imports.take(ines.viewer, files, { id });
    const refused = expect(taking).rejects.toThrow(/stopped/u);
    while (count() < begun + least * 55) await new Promise((resolve) => setImmediate(resolve));
    await server.services.works.stop(ines.viewer, id);
    await refused;
    expect(words()).toEqual(before);
  }
});

test.each([
  ['in:waterworks ', ['Sluice gate', 'Waterworks', 'Winch']],
  ['in:yard forged', ['Bands']],
  ['tag:timber ', ['Sluice gate']],
  ['-tag:timber in:mill ', ['Callum Frayne', 'Mill', 'Waterworks', 'Winch']],
  ['kind:person ', ['Callum Frayne']],
  ['links:"Callum Frayne" ', ['Bands']],
  ['has:tasks ', ['Sluice gate']],
  ['written:today in:yard gugdeon', ['Words']],
  ['changed:"before 2000" ', []],
  ['elm OR scarfs', ['Bands', 'Sluice gate']],
  ['(elm OR scarfs) -oak', ['Bands']],
  ['"gudgeon is" ', ['Sluice gate']],
  ['"is gudgeon" ', []],
  ['season:aside ', []],
])('F2 %s', async (typed, expected) => expect((await titles(typed)).sort()).toEqual(expected));

test('F2 what is not understood is searched as words, and said at its place', async () => {
  const { findings, remarks } = await find('forged march:quay by');
  expect(findings).toEqual([]);
  expect(remarks).toEqual([{ from: 7, to: 17, words: 'There is no filter or field “march”: searched as words.' }]);
  expect((await find('gudgeon:worn the')).findings.map(({ title }) => title)).toEqual(['Sluice gate']);
  expect((await find('kind:boat elm')).remarks.map(({ words }) => words)).toEqual([
    'There is no kind “boat”. Searched as words.',
  ]);
});

test('F2 a filter that is still being typed at the end of the line does not hide what the words find', async () => {
  expect(await titles('gudgeon tag:ti')).toEqual(['Sluice gate', 'Words']);
  expect((await find('gudgeon tag:ti')).remarks).toEqual([]);
  expect((await find('gudgeon tag:ti ')).remarks).toMatchObject([{ from: 8, to: 14 }]);
  expect(await titles('tag:ti')).toEqual([]);
});

test('F1 what stands for a word is told for finding it on a page, tokens of what it names too', async () => {
  const words = (await ines.get('/find/words?q=gugdeons%20wheel').expect(200)).body as {
    readings: { terms: string[] }[];
  }[];
  const terms = words.map(({ readings }) => readings.flatMap((reading) => reading.terms));
  expect(terms[0]).toEqual(expect.arrayContaining(['gugdeons', 'gugdeon']));
  expect(terms[1]).toContain('wheel');
  expect((await ines.get('/find/words?q=%20').expect(200)).body).toEqual([]);
});

test('F2 what was laid aside or deleted is found when it is asked for', async () => {
  await act({ do: 'season', id: await idOf('Yard'), season: 'aside' });
  expect((await titles('season:aside ')).sort()).toEqual(['Bands', 'Words', 'Yard']);
  expect(await titles('season:now smith')).toEqual(['Callum Frayne']);
  await act({ do: 'bin', id: await idOf('Winch') });
  expect(await titles('in:bin ')).toEqual(['Winch']);
  expect(await titles('drum')).toEqual([]);
  const binned = (await ines.get('/bin?q=drum').expect(200)).body as { title: string }[];
  expect(binned.map(({ title }) => title)).toEqual(['Winch']);
});

test('F2 counts say how many there are in each notebook, of each kind, with each tag', async () => {
  const counts = (await ines.get('/find/counts?q=the').expect(200)).body as FoundCounts;
  expect(counts.places).toEqual([
    { value: 'Mill', count: 2 },
    { value: 'Yard', count: 2 },
  ]);
  expect(counts.total).toBe(4);
  expect(counts.kinds).toEqual([{ value: 'person', count: 1 }]);
  expect(counts.tags.map(({ value }) => value)).toEqual(['Ironwork', 'timber/elm']);
});

test('any line is answered', async () => {
  const piece = fc.oneof(
    fc.constantFrom(
      'tag:',
      'in:',
      '-',
      '(',
      ')',
      ' OR ',
      '"',
      'written:',
      '10..',
      ' ',
      '*',
      'NEAR',
      '\\',
      "'",
      'elm',
      ':',
      '水',
      '%',
      'kind:person',
      'has:',
    ),
    fc.string({ unit: 'grapheme', maxLength: 6 }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(piece, { maxLength: 14 }), async (pieces) => {
      const typed = pieces.join('').slice(0, 400);
      const { findings, remarks } = await server.services.find.find(ines.viewer, typed);
      expect(findings.length).toBeLessThan(25);
      for (const { from, to } of remarks) expect(from < to && to <= typed.length).toBe(true);
      expect((await server.services.find.counts(ines.viewer, typed)).total).toBeLessThan(20);
    }),
    { numRuns: 1_500 },
  );
}, 120_000);
