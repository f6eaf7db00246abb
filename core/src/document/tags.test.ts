import * as Y from 'yjs';
import { block, body, tag, text, typedTag } from './build';
import { bodyFacts } from './facts';
import { newId } from './ids';
import { solidBlock } from './kinds';
import { readBody } from './read';
import { seedDocument } from './seed';
import { typedTags, withTagIds, writeTagIds, type TagOf } from './tags';
import { shownWords } from './text';
import type { NodeJson } from './types';

const [iron, other] = [newId(), newId()];
const cell: NodeJson = { type: 'tableCell', content: [block('paragraph', [typedTag('Iron')])] };
const written = body(
  block('paragraph', [text('Ask '), { ...typedTag('Iron'), marks: [{ type: 'bold' }] }, text(' and '), tag(other)]),
  { ...solidBlock('table'), content: [{ type: 'tableRow', content: [cell] }] },
  block('todo', [{ type: 'tag', attrs: { tag: newId(), name: 'iron' } }]),
);
const tagOf: TagOf = ({ name }) => (name.toLowerCase() === 'iron' ? iron : other);

test('typed tags are found wherever they stand, and become the ids of stored ones, in JSON and in a document alike', () => {
  expect(typedTags(written.content).map(({ name }) => name)).toEqual(['Iron', 'Iron', 'iron']);
  const stored = withTagIds(written.content, tagOf);
  expect(typedTags(stored)).toEqual([]);
  expect(bodyFacts(body(...stored)).tags.map((each) => each.tag)).toEqual([iron, other, iron, iron]);
  const document = new Y.Doc();
  Y.applyUpdate(document, seedDocument(newId(), '', written));
  writeTagIds(document, tagOf);
  // A document keeps no marks on what is no text.
  const unmarked = (node: NodeJson): NodeJson => ({
    ...(node.type === 'tag' ? { type: node.type, attrs: node.attrs } : node),
    ...(node.content && { content: node.content.map(unmarked) }),
  });
  expect(readBody(document).content).toEqual(stored.map(unmarked));
});

test('what is written meanwhile in another window stays, when a tag gets its id', () => {
  const seed = seedDocument(newId(), '', written);
  const [here, there] = [new Y.Doc(), new Y.Doc()];
  [here, there].forEach((document) => Y.applyUpdate(document, seed));
  writeTagIds(here, tagOf);
  const line = there.getXmlFragment('body').get(0) as Y.XmlElement;
  (line.get(0) as Y.XmlText).insert(3, ' Petra');
  Y.applyUpdate(here, Y.encodeStateAsUpdate(there));
  Y.applyUpdate(there, Y.encodeStateAsUpdate(here));
  expect(readBody(there)).toEqual(readBody(here));
  const [first] = readBody(here).content;
  expect(shownWords(first!, (id) => (id === iron ? 'Ironwork' : 'timber'))).toBe('Ask Petra Ironwork and timber');
});
