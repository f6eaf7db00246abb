import fc from 'fast-check';
import { times } from '../testing';
import { Room } from '../testing/room';
import * as Y from 'yjs';
import { block, body, pageLink, text } from './build';
import { readBody } from './read';
import { newId } from './ids';
import { writeBody } from './keyed';
import { seedDocument } from './seed';
import { ownWords } from './text';
import type { BodyJson, NodeJson } from './types';

const ids = Array.from({ length: 6 }, () => newId());
const start = () =>
  body(
    ...['alpha beam', 'bravo gear', 'charlie pin', 'delta sluice'].map((words, index) =>
      block('paragraph', words, { id: ids[index]! }),
    ),
  );

/** What two windows do to one page while cut off from each other, and then join in either order. */
function meet(
  one: (page: BodyJson) => BodyJson,
  other: (page: BodyJson) => BodyJson,
  order: 'one first' | 'other first',
) {
  const room = new Room(start());
  const updates = [one, other].map((change) => {
    const window = room.window();
    const before = Y.encodeStateVector(window);
    writeBody(window, change(readBody(window)));
    return Y.encodeStateAsUpdate(window, before);
  });
  if (order === 'other first') updates.reverse();
  updates.forEach((update) => room.receive(update));
  return room;
}

const edit = (id: string, change: (node: NodeJson) => NodeJson) => (page: BodyJson) =>
  body(...page.content.map((node) => (node.attrs?.id === id ? change(node) : node)));
const say = (words: string) => (node: NodeJson) => ({ ...node, content: [text(words)] });
const without = (id: string) => (page: BodyJson) => body(...page.content.filter((node) => node.attrs?.id !== id));
const toFront = (id: string) => (page: BodyJson) =>
  body(...page.content.filter((node) => node.attrs?.id === id), ...without(id)(page).content);

describe.each(['one first', 'other first'] as const)('two windows that were cut off, %s', (order) => {
  const typing = edit(ids[1]!, say('bravo big gear'));

  test('typing in different paragraphs keeps both', () => {
    const room = meet(typing, edit(ids[2]!, say('charlie pin, worn')), order);
    expect(room.lines()).toEqual(['alpha beam', 'bravo big gear', 'charlie pin, worn', 'delta sluice']);
  });

  test('typing in the same paragraph keeps both', () => {
    const room = meet(typing, edit(ids[1]!, say('bravo gear turns')), order);
    expect(room.lines()[1]).toBe('bravo big gear turns');
  });

  test('typing in a line the other turns into a heading or indents', () => {
    const turned = edit(ids[1]!, (node) => ({
      ...node,
      attrs: { ...node.attrs, kind: 'heading', level: 2, depth: 1 },
    }));
    const room = meet(typing, turned, order);
    const line = readBody(room.server).content[1]!;
    expect(ownWords(line)).toBe('bravo big gear');
    expect(line.attrs).toMatchObject({ kind: 'heading', level: 2, depth: 1, id: ids[1] });
  });

  test('typing in a line the other moves goes along with it', () => {
    const room = meet(typing, toFront(ids[1]!), order);
    expect(room.lines()).toEqual(['bravo big gear', 'alpha beam', 'charlie pin', 'delta sluice']);
  });

  test('typing in the line that another line is moved over stays in its own line', () => {
    const room = meet(typing, toFront(ids[2]!), order);
    expect(room.lines()).toEqual(['charlie pin', 'alpha beam', 'bravo big gear', 'delta sluice']);
  });

  test('typing in a line the other deletes keeps the line where it stood, and says so', () => {
    const room = meet(typing, without(ids[1]!), order);
    expect(room.lines()).toEqual(['alpha beam', 'bravo big gear', 'charlie pin', 'delta sluice']);
    const kept = readBody(room.server).content[1]!;
    expect(kept.attrs?.id).toBe(ids[1]);
    expect(kept.attrs?.kept).toBe(true);
  });

  test('typing in a line the other joins to the one before goes into the joined line', () => {
    const joined = (page: BodyJson) =>
      edit(ids[0]!, (node) => ({
        ...node,
        attrs: { ...node.attrs, formerIds: ids[1]! },
        content: [text('alpha beambravo gear')],
      }))(without(ids[1]!)(page));
    const room = meet(typing, joined, order);
    expect(room.lines()).toEqual(['alpha beambravo big gear', 'charlie pin', 'delta sluice']);
  });

  test('a link written in a line the other deletes is kept', () => {
    const link = pageLink(ids[5]!);
    const linking = edit(ids[1]!, (node) => ({ ...node, content: [text('bravo '), link, text(' gear')] }));
    const room = meet(linking, without(ids[1]!), order);
    expect(readBody(room.server).content[1]!.content).toEqual([text('bravo '), link, text(' gear')]);
  });

  test('both moving the same line leaves one of it', () => {
    const room = meet(toFront(ids[2]!), (page) => body(...without(ids[2]!)(page).content, page.content[2]!), order);
    expect(room.lines().filter((line) => line === 'charlie pin')).toHaveLength(1);
    expect(room.lines()).toHaveLength(4);
  });
});

test('both opening a new day apart hold one day when they meet', () => {
  const day = body(block('heading', 'On waking', { id: ids[0]! }), block('paragraph', [], { id: ids[1]! }));
  const windows = ['early ', 'late '].map((words) => {
    const window = new Y.Doc();
    Y.applyUpdate(window, seedDocument('2026-03-09', '', day));
    writeBody(window, edit(ids[1]!, say(words))(readBody(window)));
    return window;
  });
  const server = new Y.Doc({ gc: false });
  windows.forEach((window) => Y.applyUpdate(server, Y.encodeStateAsUpdate(window)));
  const lines = readBody(server).content.map(ownWords);
  expect(lines).toHaveLength(2);
  expect(lines[1]!.trim().split(' ').sort()).toEqual(['early', 'late']);
});

test('words typed and erased again before sending are not brought back', () => {
  const room = new Room(start());
  const deleter = room.window();
  const writer = room.window();
  const before = Y.encodeStateVector(writer);
  const deleted = Y.encodeStateVector(deleter);
  writeBody(deleter, without(ids[1]!)(readBody(deleter)));
  writeBody(writer, edit(ids[1]!, say('bravo gear oops'))(readBody(writer)));
  writeBody(writer, edit(ids[1]!, say('bravo gear'))(readBody(writer)));
  room.receive(Y.encodeStateAsUpdate(deleter, deleted));
  room.receive(Y.encodeStateAsUpdate(writer, before));
  expect(room.lines()).toEqual(['alpha beam', 'charlie pin', 'delta sluice']);
});

test('writing a body leaves exactly that body, whatever was moved, added, taken out or turned', () => {
  const pool = Array.from({ length: 12 }, (_each, index) => block('paragraph', `line ${index}`, { id: newId() }));
  const arbitraryBody = fc
    .shuffledSubarray(pool, { minLength: 1 })
    .chain((chosen) =>
      fc.tuple(
        ...chosen.map((node) =>
          fc.constantFrom(
            node,
            { ...node, content: [text('other words')] },
            { ...node, attrs: { ...node.attrs, kind: 'quote' } },
          ),
        ),
      ),
    )
    .map((nodes) => body(...nodes));
  fc.assert(
    fc.property(fc.array(arbitraryBody, { minLength: 2, maxLength: 5 }), (bodies) => {
      const document = new Y.Doc();
      for (const each of bodies) {
        writeBody(document, each);
        expect(readBody(document).content.map((node) => [node.attrs?.id, node.attrs?.kind, ownWords(node)])).toEqual(
          each.content.map((node) => [node.attrs?.id, node.attrs?.kind, ownWords(node)]),
        );
      }
    }),
    { numRuns: times(300) },
  );
});

describe('0 a line that is deleted elsewhere while its writer goes on in it', () => {
  const goneOn = (words: string) => (page: BodyJson) => {
    const line = block('paragraph', words, { id: ids[1]! });
    return body(page.content[0]!, { ...line, attrs: { ...line.attrs, kept: true } }, ...page.content.slice(1));
  };

  /** The writer types " turns" while the deletion is on its way, and then goes on in the line put in again. */
  const write = (isSentAtOnce: boolean): Room => {
    const room = new Room(start());
    const [writer, deleter] = [room.window(), room.window()];
    const change = (window: Y.Doc, how: (page: BodyJson) => BodyJson): Uint8Array => {
      const before = Y.encodeStateVector(window);
      writeBody(window, how(readBody(window)));
      return Y.encodeStateAsUpdate(window, before);
    };
    const deletion = change(deleter, without(ids[1]!));
    const typed = change(writer, edit(ids[1]!, say('bravo gear turns')));
    Y.applyUpdate(writer, deletion);
    const more = change(writer, goneOn('bravo gear turns slowly'));
    room.receive(deletion);
    if (isSentAtOnce) room.receive(Y.mergeUpdates([typed, more]));
    else [typed, more].forEach((update) => room.receive(update));
    // What is typed next goes into the writer's own line, which stands.
    room.receive(change(writer, edit(ids[1]!, say('bravo gear turns slowly round'))));
    return room;
  };

  test.each([true, false])('stands once, with all words in their order (sent at once: %s)', (isSentAtOnce) => {
    const room = write(isSentAtOnce);
    expect(room.lines()).toEqual(['alpha beam', 'bravo gear turns slowly round', 'charlie pin', 'delta sluice']);
    expect(readBody(room.server).content[1]!.attrs).toMatchObject({ id: ids[1], kept: true });
  });
});
