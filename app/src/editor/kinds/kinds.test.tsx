import type { Editor } from '@tiptap/core';
import { EditorState, TextSelection } from '@tiptap/pm/state';
import { renderToStaticMarkup } from 'react-dom/server';
import { block, schema, solidBlock, SOLID_KINDS, TEXT_KINDS, type NodeJson } from '@glossarion/core/document';
import { BlockText } from '../BodyView';
import { fittingItems, insertOffer } from '../insertItems';
import { KIND_VIEWS } from '.';

/** The made-up kind of core's tests, entered in both tables as any kind is. */
jest.mock('../../../../core/src/document/kinds/all', () => {
  const all = jest.requireActual<typeof import('../../../../core/src/document/kinds/all')>(
    '../../../../core/src/document/kinds/all',
  );
  const { measure } = jest.requireActual<typeof import('../../../../core/src/testing/kinds/measure')>(
    '../../../../core/src/testing/kinds/measure',
  );
  return { ...all, SOLID_KINDS: [...all.SOLID_KINDS, measure] };
});
jest.mock('./all', () => {
  const { KIND_VIEWS: views } = jest.requireActual<typeof import('./all')>('./all');
  const { measure } = jest.requireActual<typeof import('../../testing/kinds/measure')>('../../testing/kinds/measure');
  return { KIND_VIEWS: [...views, measure] };
});

/** An editor as far as putting a block in asks for one, its cursor in the first line. */
function editorOf(...content: NodeJson[]) {
  const doc = schema.nodeFromJSON({ type: 'doc', content });
  const held = { state: EditorState.create({ doc, selection: TextSelection.create(doc, 1) }) };
  const view = {
    dispatch: (transaction: EditorState['tr']) => (held.state = held.state.apply(transaction)),
    focus() {},
  };
  const editor = {
    get state() {
      return held.state;
    },
    schema,
    view,
  } as unknown as Editor;
  return { editor, kinds: () => (held.state.doc.toJSON() as { content: NodeJson[] }).content };
}

test('every kind of block of core has a view, and each view a kind', () => {
  const kinds = [...TEXT_KINDS, ...SOLID_KINDS].map(({ name }) => name);
  expect(KIND_VIEWS.map(({ name }) => name).sort()).toEqual(kinds.sort());
});

test('Insert finds a made-up kind by its name and by other words, and puts it in the empty line', () => {
  expect(fittingItems('quantity').map(({ words }) => words)).toEqual(['Measure']);
  const [found] = fittingItems('meas');
  const { editor, kinds } = editorOf(block('paragraph', ''), block('paragraph', 'after'));
  insertOffer(found!, editor, {} as never);
  expect(kinds()).toMatchObject([
    { type: 'measure', attrs: { value: 0, unit: 'mm' } },
    { type: 'block', content: [{ text: 'after' }] },
  ]);
});

test('a page does not end with a made-up kind that can not be written in', () => {
  const { editor, kinds } = editorOf(block('paragraph', 'Bore'));
  insertOffer(fittingItems('measure')[0]!, editor, {} as never);
  expect(kinds().map(({ type }) => type)).toEqual(['block', 'measure', 'block']);
});

test('a made-up kind stands still as its view says, with its address, depth and tint', () => {
  const node = solidBlock('measure', { id: 'a', value: 38.5, unit: 'mm', depth: 1, tint: 'lapis' });
  const shown = renderToStaticMarkup(<BlockText node={node} />);
  expect(shown).toContain('<data value="38.5">38.5 mm</data>');
  expect(shown).toMatch(/data-block="a" data-depth="1" data-tint="lapis"/u);
});
