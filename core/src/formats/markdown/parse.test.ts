import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { times } from '../../testing';
import { parseMarkdown, parseWhatStands } from './parse';

/** What extensions look for, what hides it, and what stands around it. */
const PIECES = [
  ...['a', 'w', 'h', '1', ' ', '  ', '\n', '\n\n', '\t', '.', '-', ':', '|', '~', '~~', '^', '[', ']', '(', ')', '!'],
  ...['@', '&#64;', '&amp;', '\\', '\\@', '`', '```\n', '*', '_', '<', '>', '> ', '- ', '1. ', '# ', '[ ] ', '[x] '],
  ...['www.', 'WWW.', 'http://', 'HTTPS://', 'mailto:', 'xmpp:', 'gate.example', 'elm@gate.example', '/a?b=c', 'é'],
  ...['[^', '[^1]', '[^1]: ', '|-|', ':-', '-:', ':-:', '---', '***', '+++\n', '---\n', '\r\n', '\r', '&#124;', '\0'],
];

const text = fc.array(fc.constantFrom(...PIECES), { maxLength: 25 }).map((pieces) => pieces.join(''));

test.each([true, false])('only what can find something looks at a text, and finds the same (a file: %s)', (isFile) => {
  fc.assert(
    fc.property(text, (each) => expect(parseWhatStands(each, isFile)).toEqual(parseMarkdown(each, isFile))),
    { numRuns: times(1_500) },
  );
});

test('and so in what two hundred strangers wrote', () => {
  const packages = path.resolve(__dirname, '../../../../node_modules');
  const files = (readdirSync(packages, { recursive: true }) as string[]).filter((file) => /\.md$/iu.test(file));
  const some = files.filter((_file, index) => index % (times(1) > 1 ? 1 : 24) === 0);
  expect(some.length).toBeGreaterThan(40);
  for (const file of some) {
    const words = readFileSync(path.join(packages, file), 'utf8').slice(0, 50_000);
    expect(parseWhatStands(words)).toEqual(parseMarkdown(words));
  }
});
