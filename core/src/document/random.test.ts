import fc from 'fast-check';
import * as Y from 'yjs';
import { times } from '../testing';
import { block, body, text } from './build';
import { readTitle } from './check';
import { readBody } from './read';
import { newId } from './ids';
import { writeBody, writeTitle } from './keyed';
import { receiveUpdate } from './receive';
import { repairBody } from './repair';
import type { Range } from './store';
import { seedDocument } from './seed';
import { ownWords } from './text';
import type { BodyJson } from './types';

/** Random edits in two windows, joined at random moments: nothing typed may be lost, and all must end alike. */

type Step =
  | {
      do: 'type' | 'move' | 'remove' | 'indent' | 'turn' | 'add' | 'joinLines' | 'split';
      window: 0 | 1;
      line: number;
      place: number;
    }
  /** Everything is sent and received; one thing is sent; everything is received. */
  | { do: 'join' | 'send' | 'receive'; window: 0 | 1 };

type Edit = Exclude<Step, { do: 'join' | 'send' | 'receive' }>;

const step: fc.Arbitrary<Step> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      do: fc.constantFrom(
        'type' as const,
        'type' as const,
        'move' as const,
        'remove' as const,
        'indent' as const,
        'turn' as const,
        'add' as const,
        'joinLines' as const,
        'split' as const,
      ),
      window: fc.constantFrom(0 as const, 1 as const),
      line: fc.nat(20),
      place: fc.nat(20),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constantFrom('join' as const, 'send' as const, 'receive' as const),
      window: fc.constantFrom(0 as const, 1 as const),
    }),
  },
);

/** A line's words parted at the nth space. */
function halves(words: string, place: number): [string, string] {
  const parts = words.split(' ');
  const at = place % parts.length;
  return [parts.slice(0, at).join(' '), parts.slice(at).join(' ')];
}

function edit(page: BodyJson, { do: act, line, place }: Edit, word: string): BodyJson {
  const at = line % page.content.length;
  const node = page.content[at]!;
  const to = place % page.content.length;
  switch (act) {
    case 'type':
      return body(...page.content.with(at, { ...node, content: [...(node.content ?? []), text(` ${word}`)] }));
    case 'add':
      return body(...page.content.toSpliced(at, 0, block('paragraph', word)));
    case 'move':
      return body(...page.content.toSpliced(at, 1).toSpliced(to, 0, node));
    case 'remove':
      return page.content.length > 1 ? body(...page.content.toSpliced(at, 1)) : page;
    case 'joinLines': {
      const next = page.content[at + 1];
      if (!next) return page;
      const joined = { ...node, content: [text(`${ownWords(node)} ${ownWords(next)}`.trim() || ' ')] };
      return body(...page.content.toSpliced(at, 2, joined));
    }
    case 'split': {
      const [first, second] = halves(ownWords(node), place);
      const bare = { type: node.type, attrs: node.attrs };
      const head = first ? { ...node, content: [text(first)] } : bare;
      return body(...page.content.toSpliced(at, 1, head, block('paragraph', second)));
    }
    case 'indent':
      return body(...page.content.with(at, { ...node, attrs: { ...node.attrs, depth: at === 0 ? 0 : 1 } }));
    case 'turn':
      return body(...page.content.with(at, { ...node, attrs: { ...node.attrs, kind: 'quote' } }));
  }
}

function live(steps: readonly Step[]): {
  server: BodyJson;
  windows: BodyJson[];
  typed: string[];
  removed: Set<string>;
} {
  const start = body(...['alpha', 'bravo', 'charlie'].map((words) => block('paragraph', words, { id: newId() })));
  const seed = seedDocument('page', '', start);
  const server = new Y.Doc({ gc: false });
  Y.applyUpdate(server, seed);
  const removals = new Map<string, Range[]>();
  const windows = [new Y.Doc(), new Y.Doc()];
  const outboxes: Uint8Array[][] = [[], []];
  windows.forEach((window, index) => {
    Y.applyUpdate(window, seed, 'remote');
    window.on('update', (update: Uint8Array, origin: unknown) => {
      if (origin !== 'remote') outboxes[index]!.push(update);
    });
  });
  const typed: string[] = [];
  const removed = new Set<string>();
  const send = (index: number, count = Infinity) => {
    const updates = outboxes[index]!.splice(0, count);
    if (updates.length > 0) {
      const received = receiveUpdate(server, Y.mergeUpdates(updates), (client, clock) =>
        removals.get(`${client}/${clock}`),
      );
      const { removals: noted, shown } = received;
      for (const removal of noted) removals.set(`${removal.client}/${removal.clock}`, removal.ranges);
      const { body: mended } = repairBody(received.body);
      if (mended !== shown) writeBody(server, mended);
    }
  };
  const receive = (index: number) => {
    Y.applyUpdate(windows[index]!, Y.encodeStateAsUpdate(server, Y.encodeStateVector(windows[index]!)), 'remote');
  };
  const join = (index: number) => {
    send(index);
    receive(index);
  };
  const meetings = { join, send: (index: number) => send(index, 1), receive };
  for (const each of steps) {
    if (each.do === 'join' || each.do === 'send' || each.do === 'receive') {
      meetings[each.do](each.window);
      continue;
    }
    const window = windows[each.window]!;
    const before = readBody(window);
    const word = `word${typed.length}.`;
    if (each.do === 'type' || each.do === 'add') typed.push(word);
    const after = edit(before, each as Edit, word);
    const kept = each.do === 'joinLines' ? before.content : after.content;
    const gone = before.content.filter((node) => !kept.some((other) => other.attrs?.id === node.attrs?.id));
    // A person who deletes a line deletes the words that are in it for them to see.
    for (const node of gone) for (const seen of ownWords(node).match(/word\d+\./gu) ?? []) removed.add(seen);
    writeBody(window, after);
  }
  for (const index of [0, 1, 0, 1]) join(index);
  return { server: readBody(server), windows: windows.map(readBody), typed, removed };
}

test('random edits in two windows leave both alike, with ids of their own, and no typed word lost', () => {
  fc.assert(
    fc.property(fc.array(step, { minLength: 4, maxLength: 30 }), (steps) => {
      const { server, windows, typed, removed } = live(steps);
      for (const window of windows) expect(window).toEqual(server);
      const ids = server.content.map((node) => node.attrs?.id);
      expect(new Set(ids).size).toBe(ids.length);
      const words = server.content.map(ownWords).join('\n');
      expect(typed.filter((word) => !removed.has(word) && !words.includes(word))).toEqual([]);
    }),
    { numRuns: times(150) },
  );
}, 600_000);

test('a title changed within a character made of two units keeps both characters whole', () => {
  const document = new Y.Doc();
  for (const title of ['leaf 😀 done', 'leaf 😁 done', '😁😀', '😀😀', '']) {
    writeTitle(document, title);
    const other = new Y.Doc();
    Y.applyUpdate(other, Y.encodeStateAsUpdate(document));
    expect(readTitle(other)).toBe(title);
  }
});
