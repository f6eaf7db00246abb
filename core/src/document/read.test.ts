import fc from 'fast-check';
import { times } from '../testing';
import * as Y from 'yjs';
import { arbitraryBody } from '../formats/arbitrary';
import { block } from './build';
import { writeBody } from './keyed';
import { readBody } from './read';
import { seedDocument } from './seed';
import type { BodyJson } from './types';

const documentOf = (body: BodyJson): Y.Doc => {
  const document = new Y.Doc();
  Y.applyUpdate(document, seedDocument('page', '', body));
  return document;
};
const copyOf = (document: Y.Doc): Y.Doc => {
  const copy = new Y.Doc();
  Y.applyUpdate(copy, Y.encodeStateAsUpdate(document));
  return copy;
};
const lines = (...words: string[]): BodyJson => ({
  type: 'doc',
  content: words.map((each) => block('paragraph', each)),
});

describe('reading a document again', () => {
  it('gives what a first reading would, after any changes, made here or elsewhere', () => {
    fc.assert(
      fc.property(
        arbitraryBody,
        fc.array(fc.tuple(arbitraryBody, fc.boolean()), { maxLength: 4 }),
        (first, changes) => {
          const document = documentOf(first);
          readBody(document);
          for (const [next, isElsewhere] of changes) {
            // Half of what stood is kept, so that blocks are changed, moved and deleted as well as made.
            const kept = readBody(document).content.filter((_each, index) => index % 2 === 0);
            const body = { type: 'doc' as const, content: [...kept.reverse(), ...next.content] };
            const written = isElsewhere ? copyOf(document) : document;
            writeBody(written, body);
            if (isElsewhere) Y.applyUpdate(document, Y.encodeStateAsUpdate(written));
            expect(readBody(document)).toEqual(readBody(copyOf(document)));
          }
        },
      ),
      { numRuns: times(200) },
    );
  });

  it('gives blocks that were not changed as the very same objects', () => {
    const document = documentOf(lines('gate', 'sill', 'leaf'));
    const before = readBody(document).content;
    const text = (document.getXmlFragment('body').get(1) as Y.XmlElement).get(0) as Y.XmlText;
    text.insert(0, 'the ');
    const after = readBody(document).content;
    expect(after.map((node, index) => node === before[index])).toEqual([true, false, true]);
    expect(after[1]!.content).toEqual([{ type: 'text', text: 'the sill' }]);
  });

  it('sees what a transaction that is still open has changed', () => {
    const document = documentOf(lines('gate', 'sill'));
    readBody(document);
    document.transact(() => {
      ((document.getXmlFragment('body').get(0) as Y.XmlElement).get(0) as Y.XmlText).insert(4, 's');
      expect(readBody(document).content[0]!.content).toEqual([{ type: 'text', text: 'gates' }]);
    });
    expect(readBody(document).content[0]!.content).toEqual([{ type: 'text', text: 'gates' }]);
  });
});
