import { shownWords } from '../../document/text';
import type { NodeJson } from '../../document/types';
import { planImport } from './index';

const ID = '01890a5d-ac96-774b-bcce-b302099a8057';
const plan = (files: Record<string, string>) =>
  planImport(
    Object.entries(files).map(([path, text]) => ({ path, text })),
    { dayIdOf: (day) => `day ${day}`, looseNotebook: 'Loose' },
  );

const linksIn = (nodes: readonly NodeJson[]): string[] =>
  nodes.flatMap((node) => (node.type === 'pageLink' ? [String(node.attrs?.target)] : linksIn(node.content ?? [])));

/** What the links of one file lead to, by name. */
function led(files: Record<string, string>, from: string): string[] {
  const { entries } = plan(files);
  const names = new Map(entries.map(({ id, name }) => [id, name]));
  const { body } = entries.find(({ name }) => name === from)!;
  return linksIn(body!.content).map((id) => names.get(id) ?? id);
}

const FOLDER = {
  'Mill/Water works/Sluice gate.md': '---\ntitle: Gate no. 2\naliases: [Lower gate]\n---\n## Next steps\nElm.\n',
  'Mill/Cafe\u0301.md': 'Bread.\n',
  'Mill/Water works/Winch.md': 'Rated.\n',
  'Yard/Oak.md': 'Butt.\n',
  'Journal/2026-03-09.md': 'Frost.\n',
};

test.each([
  ['relative', '[it](Sluice%20gate.md)', 'Gate no. 2'],
  ['with spaces in angle brackets', '[it](<Sluice gate.md>)', 'Gate no. 2'],
  ['from the root', '[it](/Mill/Water%20works/Sluice%20gate.md)', 'Gate no. 2'],
  ['up and down', '[it](../Water%20works/Sluice%20gate.md)', 'Gate no. 2'],
  ['in other capitals', '[it](sluice%20GATE.MD)', 'Gate no. 2'],
  ['without its ending', '[it](Sluice%20gate)', 'Gate no. 2'],
  ['accents put together otherwise', '[it](../Caf%C3%A9.md)', 'Cafe\u0301'],
  ['to a folder', '[it](../Water%20works/)', 'Water works'],
  ["to a folder's index", '[it](../Water%20works/index.md)', 'Water works'],
  ['by title', '[[Gate no. 2]]', 'Gate no. 2'],
  ['by another name', '[[lower GATE|it]]', 'Gate no. 2'],
  ["by the file's name", '[[Sluice gate]]', 'Gate no. 2'],
  ['by a path of names', '[[Mill/Water works/Sluice gate]]', 'Gate no. 2'],
  ['by the name of a section', '[[Water works]]', 'Water works'],
  ['to a day', '[[2026-03-09]]', 'day 2026-03-09'],
  ["to a day's file", '[it](../../Journal/2026-03-09.md)', 'day 2026-03-09'],
])('a link to a file of the folder is one, however it is written: %s', (_how, written, target) => {
  const { remarks } = plan({ ...FOLDER, 'Mill/Water works/Winch.md': written });
  expect(remarks).toEqual([]);
  expect(led({ ...FOLDER, 'Mill/Water works/Winch.md': written }, 'Winch')).toEqual([target]);
});

test.each([
  ['[it](Sluice%20gate.md#next-steps)', 1],
  ['[[Sluice gate#Next steps]]', 1],
  ['[it](Sluice%20gate#next-steps)', 1],
  [`[it](Sluice%20gate.md#${ID})`, 1],
])('%s leads to a line', (written, count) => {
  const { entries, remarks } = plan({ ...FOLDER, 'Mill/Water works/Winch.md': written });
  expect(remarks).toEqual([]);
  const links = linksIn(entries.find(({ name }) => name === 'Winch')!.body!.content);
  expect(links).toHaveLength(count);
  expect(entries.map(({ id }) => id)).not.toContain(links[0]);
});

test.each([
  ['[scan](scan.pdf)', 'scan (scan.pdf)'],
  ['[plan](Nowhere.md)', 'plan (Nowhere.md)'],
  ['[plan](nowhere)', 'plan (nowhere)'],
])('%s, which is not there, keeps its words and where it led', (written, shown) => {
  const { entries, remarks } = plan({ ...FOLDER, 'Mill/Water works/Winch.md': written });
  expect(shownWords(entries.find(({ name }) => name === 'Winch')!.body!.content[0]!, () => '')).toBe(shown);
  expect(remarks).toHaveLength(1);
});

test('two files that differ in capitals alone are two, and a link in others is to neither', () => {
  const files = {
    'Mill/gate.md': 'a',
    'Mill/Gate.md': 'b',
    'Mill/Race.md': '[one](gate.md) [other](Gate.md) [which](GATE.md)',
  };
  expect(led(files, 'Race')).toHaveLength(2);
  expect(new Set(led(files, 'Race'))).toEqual(new Set(['gate', 'Gate']));
});

test('pictures and files that came along stand after the lines that show them', () => {
  const files: Record<string, { id: string; name: string; media: string; size: number }> = {
    'Mill/pictures/gate.png': { id: ID, name: 'gate.png', media: 'image/png', size: 12 },
    'Mill/plan.pdf': { id: ID, name: 'plan.pdf', media: 'application/pdf', size: 34 },
  };
  const text =
    '![The gate](pictures/gate.png "From seaward")\n\nSee [the plan](plan.pdf) and ![no](gone.png).\n\n| a |\n| - |\n| ![g](pictures/gate.png) |\n';
  const { entries, remarks } = planImport([{ path: 'Mill/Race.md', text }], {
    dayIdOf: (day) => day,
    looseNotebook: 'Loose',
    fileAt: (path) => files[path] ?? null,
  });
  const { content } = entries.find(({ name }) => name === 'Race')!.body!;
  expect(content.map(({ type }) => type)).toEqual(['picture', 'block', 'file', 'table', 'picture']);
  expect(content[0]!.attrs).toMatchObject({ file: ID, alt: 'The gate', caption: 'From seaward' });
  expect(shownWords(content[1]!, () => '')).toBe('See the plan and ![no](gone.png).');
  expect(remarks).toEqual([{ path: 'Mill/Race.md', what: 'The file gone.png, which is not among the files.' }]);
});
