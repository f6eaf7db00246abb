import fc from 'fast-check';
import * as Y from 'yjs';
import { block, body, pageLink, tag, text, typedTag } from './build';
import { checkBody, checkRoots, readTitle } from './check';
import { ShapeError } from './shapeError';
import { newId } from './ids';
import { depthOf } from './kinds';
import { repairBody } from './repair';
import { ownWords } from './text';
import { MAX_BLOCK_TEXT, MAX_BLOCKS, MAX_DEPTH, MAX_TITLE, type BodyJson, type NodeJson } from './types';

const id = newId();
const node = (type: string, attrs: object = {}, content?: NodeJson[]): NodeJson => ({
  type,
  attrs: { id, depth: 0, tint: null, ...attrs },
  ...(content && { content }),
});
const line = (attrs: object = {}, content: NodeJson[] = [text('x')]): NodeJson => {
  const made = block('paragraph', content, { id });
  return { ...made, attrs: { ...made.attrs, ...attrs } };
};

test('what is left out is named, so that one body has one form', () => {
  const short = { type: 'doc', content: [{ type: 'block', attrs: { kind: 'paragraph', id } }] };
  const canonical = checkBody(short);
  expect(canonical).toEqual(body(block('paragraph', [], { id })));
  expect(JSON.stringify(checkBody(canonical))).toBe(JSON.stringify(canonical));
});

test.each<[string, unknown]>([
  ['nothing', null],
  ['words alone', 'text'],
  ['no block', { type: 'doc', content: [] }],
  ['an unknown block', body(node('marquee'))],
  ['an unknown mark', body(line({}, [text('x', { type: 'blink' })]))],
  ['words outside a block', body(text('x'))],
  ['a block within a block', body(line({}, [block('paragraph', 'x')]))],
  ['a table without rows', body(node('table', {}, []))],
  ['an unknown kind', body(line({ kind: 'banner' }))],
  ['a heading of level 5', body(line({ kind: 'heading', level: 5 }))],
  ['a state that is none', body(line({ kind: 'todo', state: 'maybe' }))],
  ['a depth that is no number', body(line({ depth: 'deep' }))],
  ['a depth without end', body(line({ depth: Infinity }))],
  ['an id that is none', body(line({ id: 'x' }))],
  ['former ids that are none', body(line({ formerIds: `${id} x` }))],
  ['a link to no id', body(line({}, [pageLink('somewhere')]))],
  ['a tag without end', body(line({}, [typedTag('x'.repeat(201))]))],
  ['a tag without a name', body(line({}, [typedTag('//')]))],
  ['a tag of no id', body(line({}, [tag('iron')]))],
  ['a script for an address', body(line({}, [text('x', { type: 'webLink', attrs: { href: 'javascript:alert(1)' } })]))],
  ['a colour of no pigment', body(line({ tint: '#ff0000' }))],
  ['a picture wider than the page', body(node('picture', { file: id, name: '', alt: '', caption: '', width: 300 }))],
  ['a block with too much in it', body(block('paragraph', 'x'.repeat(MAX_BLOCK_TEXT + 1), { id }))],
  ['too many blocks', body(...Array.from({ length: MAX_BLOCKS + 1 }, () => line()))],
])('%s is refused with a sentence', (_what, json) => {
  expect(() => checkBody(json)).toThrow(ShapeError);
  expect(() => checkBody(json)).toThrow(/^A\S* .*\.?$|^The text does not fit/u);
});

test('whatever is sent, the answer is a body or a sentence', () => {
  fc.assert(
    fc.property(fc.anything(), (content) => {
      try {
        checkBody({ type: 'doc', content });
      } catch (error) {
        expect(error).toBeInstanceOf(ShapeError);
      }
    }),
  );
});

test('a title is one line of text and nothing else', () => {
  const document = new Y.Doc();
  document.getText('title').insert(0, 'Sluice\r\ngate');
  expect(readTitle(document)).toBe('Sluice gate');
  document.getText('title').insert(0, 'x'.repeat(MAX_TITLE));
  expect(() => readTitle(document)).toThrow('at most');
  const other = new Y.Doc();
  other.getText('title').insertEmbed(0, { picture: 'x' });
  expect(() => readTitle(other)).toThrow('text only');
});

test('a document with a part that no page has is refused', () => {
  const document = new Y.Doc();
  document.getText('title');
  document.getXmlFragment('body');
  expect(() => checkRoots(document)).not.toThrow();
  document.getMap('more');
  expect(() => checkRoots(document)).toThrow('no part named "more"');
});

const shapes = (mended: BodyJson) => mended.content.map((each) => [ownWords(each), depthOf(each)]);

test('a depth that nothing above allows is mended, as far as it can be', () => {
  const { body: mended, repairs } = repairBody(
    body(
      block('bulleted', 'a', { depth: 3 }),
      block('bulleted', 'b', { depth: 3 }),
      block('bulleted', 'c', { depth: -1 }),
      block('bulleted', 'd', { depth: 1 }),
    ),
  );
  expect(shapes(mended)).toEqual([
    ['a', 0],
    ['b', 1],
    ['c', 0],
    ['d', 1],
  ]);
  expect(repairs).toEqual(['depth mended', 'depth mended', 'depth mended']);
});

test('the same line twice stands once; two texts of one id both stand, the later under another', () => {
  const { body: mended } = repairBody(
    body(
      block('paragraph', 'a', { id }),
      block('paragraph', 'a', { id }),
      block('paragraph', 'b', { id }),
      block('paragraph', [], { id }),
    ),
  );
  expect(mended.content.map(ownWords)).toEqual(['a', 'b']);
  expect(mended.content[0]!.attrs!.id).toBe(id);
  expect(mended.content[1]!.attrs!.id).not.toBe(id);
});

test('a line without an id, or with that of a line of another page, gets its own', () => {
  const missing = line();
  delete missing.attrs!.id;
  const { body: mended, repairs } = repairBody(body(missing, line()), (each) => each === id);
  expect(repairs).toEqual(['id given', 'id renewed']);
  expect(new Set([id, ...mended.content.map((each) => each.attrs!.id)]).size).toBe(3);
});

test('what was mended needs no more mending, and no words were lost by it', () => {
  const ids = [newId(), newId(), newId()];
  const arbitraryLine = fc.record({
    id: fc.constantFrom(...ids, undefined),
    words: fc.constantFrom('', 'a', 'b', 'c'),
    depth: fc.integer({ min: -2, max: MAX_DEPTH + 4 }),
  });
  fc.assert(
    fc.property(fc.array(arbitraryLine, { minLength: 1, maxLength: 12 }), (lines) => {
      const before = body(
        ...lines.map((each) => {
          const made = block('paragraph', each.words, { depth: each.depth });
          return { ...made, attrs: { ...made.attrs, id: each.id } };
        }),
      );
      const { body: mended, repairs } = repairBody(before);
      const again = repairBody(mended);
      expect(again.repairs).toEqual([]);
      expect(again.body).toBe(mended);
      if (repairs.length === 0) expect(mended).toBe(before);
      expect(new Set(mended.content.map(ownWords))).toEqual(
        new Set(
          before.content
            .map(ownWords)
            .filter((words) => words !== '' || mended.content.some((each) => ownWords(each) === '')),
        ),
      );
      checkBody(mended);
    }),
  );
});

describe('a line that was kept when it was deleted elsewhere, and came twice', () => {
  const id = newId();
  const copy = (words: string, kept: boolean | null) => {
    const node = block('paragraph', words);
    return { ...node, attrs: { ...node.attrs, id, kept } };
  };
  const left = (...nodes: ReturnType<typeof copy>[]) =>
    repairBody({ type: 'doc', content: nodes }).body.content.map(ownWords);

  test('0 the copy that has no words of its own goes', () => {
    expect(left(copy('bravo gear', true), copy('bravo gear turns', true))).toEqual(['bravo gear turns']);
    expect(left(copy('slow bravo gear turns', true), copy('bravo turns', null))).toEqual(['slow bravo gear turns']);
  });

  test('0 both stay when each has words of its own, or neither was kept', () => {
    expect(left(copy('bravo gear turns', true), copy('bravo gear stops', true))).toHaveLength(2);
    expect(left(copy('bravo', null), copy('bravo gear', null))).toHaveLength(2);
  });
});
