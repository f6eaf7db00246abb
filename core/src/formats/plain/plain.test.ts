import { block } from '../../document/build';
import { writePlain } from '.';

const titleOf = () => 'Pintle';

test('X4 a plain copy keeps the signs of lists, headings and the states of to-dos', () => {
  const nodes = [
    block('heading', 'Before the lift', { level: 2 }),
    block('bulleted', 'Stop logs in'),
    block('bulleted', 'pool at sill level', { depth: 1 }),
    block('numbered', 'Measure'),
    block('numbered', 'at three heights', { depth: 1 }),
    block('numbered', 'twice', { depth: 1 }),
    block('numbered', 'Turn'),
    block('todo', 'Ring Tomas', { state: 'open' }),
    block('todo', 'Ring Callum', { state: 'done' }),
    block('todo', 'Ring Joss', { state: 'dropped' }),
    block('quote', 'new gate furniture'),
    block('paragraph', 'So it is.'),
  ];
  expect(writePlain(nodes, titleOf).split('\n')).toEqual([
    '## Before the lift',
    '- Stop logs in',
    '  - pool at sill level',
    '1. Measure',
    '  1. at three heights',
    '  2. twice',
    '2. Turn',
    '- [ ] Ring Tomas',
    '- [x] Ring Callum',
    '- [-] Ring Joss',
    '> new gate furniture',
    'So it is.',
  ]);
});

test('what is copied from the middle of a list stands at the edge; links show their titles', () => {
  const link = { type: 'pageLink', attrs: { target: 'x', words: null } };
  const nodes = [block('bulleted', [{ type: 'text', text: 'See ' }, link], { depth: 3 })];
  expect(writePlain(nodes, titleOf)).toBe('- See Pintle');
  expect(writePlain([], titleOf)).toBe('');
});
