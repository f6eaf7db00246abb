import * as Y from 'yjs';
import { block, readBody, seedDocument, writeBody, type BodyJson } from '@glossarion/core/document';
import { typedWords } from './typedWords';

/** A page in a window, and the updates that typing on it makes. */
function typing(...texts: string[]) {
  const document = new Y.Doc();
  Y.applyUpdate(document, seedDocument('page', 'Gate', { type: 'doc', content: [block('paragraph', 'Before.')] }));
  const updates: Uint8Array[] = [];
  document.on('update', (update: Uint8Array) => updates.push(update));
  const change = (edit: (body: BodyJson) => BodyJson) => writeBody(document, edit(readBody(document)));
  for (const words of texts) change((body) => ({ ...body, content: [...body.content, block('paragraph', words)] }));
  return { document, updates, change };
}

test('the words that were typed are read out of updates in their order, a line each', () => {
  const { updates } = typing('The leaf has dropped.', 'Worn, not bent. 😀');
  expect(typedWords(updates).trim().split('\n')).toEqual(['The leaf has dropped.', 'Worn, not bent. 😀']);
});

test('words that were added within a line are there without the rest of it', () => {
  const { updates, document } = typing();
  const line = document.getXmlFragment('body').get(0) as Y.XmlElement;
  (line.get(0) as Y.XmlText).insert(6, ' and after');
  expect(typedWords(updates)).toContain(' and after');
  expect(typedWords(updates)).not.toContain('Before');
});

test('what was only taken out leaves no words', () => {
  const { updates, document } = typing();
  ((document.getXmlFragment('body').get(0) as Y.XmlElement).get(0) as Y.XmlText).delete(0, 3);
  expect(typedWords(updates)).toBe('');
  expect(typedWords([])).toBe('');
});
