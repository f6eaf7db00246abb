import fc from 'fast-check';
import * as Y from 'yjs';
import { times } from '../testing';
import { Room } from '../testing/room';
import { block, body, text } from './build';
import { newId } from './ids';
import { writeBody } from './keyed';
import { readBody } from './read';
import { ownWords } from './text';
import type { BodyJson, NodeJson } from './types';

/** Two windows write, part, join, move and turn lines of one page at once, and what each sends arrives when it does. */

interface Window {
  document: Y.Doc;
  /** What it has written and the server has not heard, and what the server has said and it has not heard. */
  out: Uint8Array[];
  in: Uint8Array[];
}

const HERE = Symbol('heard from the server');

/** A page with two windows on it. */
class SharedPage extends Room {
  windows: Window[];

  constructor(start: BodyJson) {
    super(start);
    this.windows = [0, 1].map(() => {
      const window: Window = { document: this.window(), out: [], in: [] };
      window.document.on('update', (update, origin) => void (origin !== HERE && window.out.push(update)));
      return window;
    });
    this.server.on('update', (update) => this.windows.forEach((window) => window.in.push(update)));
  }

  send(window: Window): void {
    const update = window.out.shift();
    if (update) this.receive(update);
  }

  hear(window: Window): void {
    const update = window.in.shift();
    if (update) Y.applyUpdate(window.document, update, HERE);
  }
}

type Change = (content: NodeJson[], at: number, sign: string) => NodeJson[];

const withWords = (node: NodeJson, words: string): NodeJson => {
  const { content: _content, ...rest } = node;
  return words === '' ? rest : { ...rest, content: [text(words)] };
};

const CHANGES: Record<string, Change> = {
  write: (content, at, sign) => content.with(at, withWords(content[at]!, `${ownWords(content[at]!)}${sign}`)),
  writeFirst: (content, at, sign) => content.with(at, withWords(content[at]!, `${sign}${ownWords(content[at]!)}`)),
  part: (content, at) => {
    const words = ownWords(content[at]!);
    const half = Math.ceil(words.length / 2);
    const second = block('paragraph', words.slice(half) === '' ? [] : words.slice(half), { id: newId() });
    return content.toSpliced(at, 1, withWords(content[at]!, words.slice(0, half)), second);
  },
  below: (content, at) => content.toSpliced(at + 1, 0, block('paragraph', [], { id: newId() })),
  join: (content, at) => {
    if (at === 0) return content;
    const [before, node] = [content[at - 1]!, content[at]!];
    const former = [before.attrs?.formerIds, node.attrs?.id, node.attrs?.formerIds].filter(Boolean).join(' ');
    const joined = withWords(before, ownWords(before) + ownWords(node));
    return content.toSpliced(at - 1, 2, { ...joined, attrs: { ...joined.attrs, formerIds: former } });
  },
  up: (content, at) => (at === 0 ? content : content.toSpliced(at - 1, 2, content[at]!, content[at - 1]!)),
  turn: (content, at) => {
    const node = content[at]!;
    return content.with(at, { ...node, attrs: { ...node.attrs, kind: 'quote' } });
  },
};

const step = fc.record({
  window: fc.nat(1),
  change: fc.constantFrom(...Object.keys(CHANGES), 'write', 'write'),
  at: fc.nat(4),
});
const traffic = fc.record({ window: fc.nat(1), go: fc.constantFrom('send', 'hear', 'hear') });

test('0 whatever two windows do at once, every sign that one of them wrote stands in the page', () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(step, traffic), { minLength: 4, maxLength: 40 }), (steps) => {
      const room = new SharedPage(
        body(...['alpha', '', 'charlie'].map((words) => block('paragraph', words, { id: newId() }))),
      );
      const written: string[] = [];
      for (const [count, each] of steps.entries()) {
        const window = room.windows[each.window]!;
        if ('go' in each) {
          if (each.go === 'send') room.send(window);
          else room.hear(window);
          continue;
        }
        const { content } = readBody(window.document);
        const sign = String.fromCodePoint(0x4e00 + count);
        if (each.change.startsWith('write')) written.push(sign);
        const at = each.at % content.length;
        if (each.change === 'write') {
          // A space first, as it is typed: each sign by itself.
          writeBody(window.document, body(...CHANGES.write!([...content], at, ' ')));
        }
        writeBody(window.document, body(...CHANGES[each.change]!([...readBody(window.document).content], at, sign)));
      }
      while (room.windows.some((window) => window.out.length > 0 || window.in.length > 0)) {
        for (const window of room.windows) {
          room.send(window);
          room.hear(window);
        }
      }
      const words = room.lines().join('\n');
      expect(written.filter((sign) => !words.includes(sign))).toEqual([]);
      for (const window of room.windows) {
        expect(readBody(window.document).content.map(ownWords).join('\n')).toBe(words);
      }
    }),
    { numRuns: times(1_500) },
  );
});
