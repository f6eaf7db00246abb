import fc from 'fast-check';
import { arbitraryBody } from '../formats/arbitrary';
import * as Yjs from 'yjs';
import { times } from '../testing';
import type * as Document from '.';
import { canonical } from './canonical';
import { checkBody } from './check';
import { newId } from './ids';
import { readBody } from './read';
import { schema } from './schema';
import { seedDocument } from './seed';
import type { BodyJson } from './types';

/** The modules of documents as they are when every kind has two attributes more. */
function withMoreAttributes(): { later: typeof Document; yjs: typeof Yjs } {
  let later!: typeof Document;
  let yjs!: typeof Yjs;
  // Yjs warns of being there twice; these two never meet.
  delete (globalThis as Record<string, unknown>)['__ $YJS$ __'];
  jest.isolateModules(() => {
    jest.doMock('./kinds/all', () => {
      const all = jest.requireActual<typeof import('./kinds/all')>('./kinds/all');
      const { yesOrNo, textOf } = jest.requireActual<typeof import('./attributes')>('./attributes');
      const more = <T extends { name: string; attributes?: object }>(kind: T) => ({
        ...kind,
        attributes: { ...kind.attributes, [`${kind.name}Sort`]: textOf(20, 'plain'), [`${kind.name}Seen`]: yesOrNo },
      });
      return { TEXT_KINDS: all.TEXT_KINDS.map(more), SOLID_KINDS: all.SOLID_KINDS.map(more) };
    });
    later = jest.requireActual<typeof Document>('.');
    yjs = jest.requireActual<typeof Yjs>('yjs');
  });
  return { later, yjs };
}

test('an attribute more changes no JSON that is stored, whether it is read as JSON or out of a document', () => {
  const { later, yjs } = withMoreAttributes();
  const heading = { type: 'block', attrs: { id: later.newId(), kind: 'heading', headingSort: 'grand' } };
  expect(later.checkBody({ type: 'doc', content: [heading] }).content).toEqual([heading]);
  fc.assert(
    fc.property(arbitraryBody, (body) => {
      const stored = JSON.stringify(body);
      expect(JSON.stringify(later.checkBody(body))).toBe(stored);
      const state = seedDocument(newId(), '', body);
      const [document, afterwards] = [new Yjs.Doc(), new yjs.Doc()];
      Yjs.applyUpdate(document, state);
      yjs.applyUpdate(afterwards, state);
      expect(JSON.stringify(later.readBody(afterwards))).toBe(JSON.stringify(readBody(document)));
    }),
    { numRuns: times(200) },
  );
});

/** The same with all defaults said, as the editor has it. */
const withDefaults = (body: BodyJson): unknown => schema.nodeFromJSON(body).toJSON();

test('a node has one form, however it was made, and keeps it', () => {
  fc.assert(
    fc.property(arbitraryBody, (body) => {
      expect(checkBody(withDefaults(body))).toEqual(body);
      expect(body.content.map(canonical)).toEqual(body.content);
    }),
    { numRuns: times(100) },
  );
});
