import { block, body, pageLink, text } from '../../document/build';
import { newId } from '../../document/ids';
import { ownWords } from '../../document/text';
import { planFoldBack, planLift, planSend, planSplit, rebased, withBelongings } from './index';

const heading = (words: string, level = 2) => block('heading', words, { level });
const line = (words: string, depth = 0) => block('bulleted', words, { depth });
const words = (nodes: { attrs?: Record<string, unknown> }[]) => nodes.map((node) => ownWords(node as never));

const page = body(
  block('paragraph', 'before'),
  heading('Gate'),
  line('leaf'),
  line('pintle', 1),
  heading('Deep', 3),
  block('paragraph', 'mud'),
  heading('Roof'),
  block('paragraph', 'slates'),
).content;
const at = (index: number) => String(page[index]!.attrs!.id);

test('what stands beneath a line goes with it, and a heading takes its part of the page', () => {
  expect(words(withBelongings(page, [at(2)]))).toEqual(['leaf', 'pintle']);
  expect(words(withBelongings(page, [at(1)]))).toEqual(['Gate', 'leaf', 'pintle', 'Deep', 'mud']);
  expect(words(withBelongings(page, [at(4), at(7)]))).toEqual(['Deep', 'mud', 'slates']);
});

test('blocks that are taken out stand at the outermost level by themselves', () => {
  const deep = [line('a', 2), line('b', 3), line('c', 2), line('d', 1)];
  expect(rebased(deep).map(({ depth }) => depth)).toEqual([0, 1, 0, 0]);
});

test('lifting a heading makes a page of that title, which links to the heading reach', () => {
  const pageId = newId();
  const acts = planLift(page, { id: 'source', blockIds: [at(1)], pageId, parentId: 'source' }, ownWords);
  expect(acts[0]).toMatchObject({ do: 'make', name: 'Gate', parentId: 'source' });
  const moved = acts.find((act) => act.do === 'moveBlocks')!;
  expect(moved.do === 'moveBlocks' && moved.blocks.map(({ id }) => id)).toEqual([at(2), at(3), at(4), at(5)]);
  expect(acts).toContainEqual({ do: 'addFormer', id: pageId, blockId: at(2), formerIds: [at(1)] });
  const link = acts.at(-1)!;
  expect(link.do === 'putBlocks' && [link.afterId, link.nodes[0]!.content![0]!.attrs!.target]).toEqual([at(0), pageId]);
});

test('splitting makes a page of each part of the highest level and leaves what stands before', () => {
  const acts = planSplit(page, { id: 'source', parentId: 'source', seed: newId() }, ownWords);
  const made = acts.filter((act) => act.do === 'make');
  expect(made.map((act) => act.do === 'make' && act.name)).toEqual(['Gate', 'Roof']);
  const overview = acts.at(-1)!;
  expect(overview.do === 'putBlocks' && [overview.afterId, overview.nodes[0]!.type]).toEqual([at(0), 'overview']);
  expect(() => planSplit([block('paragraph', 'none')], { id: 'a', parentId: 'a', seed: newId() }, ownWords)).toThrow(
    'There is no heading on this page to split it at.',
  );
});

test('folding back sets the blocks where the link stood, under a heading', () => {
  const pageId = newId();
  const link = block('bulleted', [pageLink(pageId)], { depth: 1 });
  const into = [heading('Works', 3), line('first'), link, block('paragraph', 'after')];
  const content = [line('a'), line('b', 1)];
  const acts = planFoldBack({ id: 'into', content: into }, { id: pageId, title: 'Sluice', content });
  expect(acts[0]).toMatchObject({ do: 'putBlocks', afterId: into[1]!.attrs!.id });
  expect(acts[0]!.do === 'putBlocks' && acts[0]!.nodes[0]!.attrs).toMatchObject({ depth: 1, level: 3 });
  const moved = acts[1]!;
  expect(moved.do === 'moveBlocks' && moved.blocks.map(({ depth }) => depth)).toEqual([1, 2]);
  expect(acts).toContainEqual({ do: 'dropBlocks', id: 'into', blockIds: [link.attrs!.id] });
  expect(acts.at(-1)).toEqual({ do: 'bin', id: pageId });
});

test('an excerpt is a copy that says where it is from', () => {
  const target = [block('paragraph', 'there')];
  const wish = { id: 'a', toId: 'b', blockIds: [at(2)], at: 'end', form: 'excerpt' as const, seed: newId() };
  const [put] = planSend(page, target, wish, 'The mill');
  const nodes = put!.do === 'putBlocks' ? put!.nodes : [];
  expect(words(nodes)).toEqual(['leaf', 'pintle – The mill']);
  expect(nodes[1]!.content!.at(-1)).toEqual(pageLink(at(2), 'The mill'));
  expect(nodes[0]!.attrs!.id).not.toBe(at(2));
});

test('lines go beneath a heading at the end of its part, and an empty page’s first line makes way', () => {
  const wish = { id: 'a', toId: 'b', blockIds: [at(7)], at: at(1), form: 'move' as const, seed: newId() };
  const [moved] = planSend([block('paragraph', [text('x')], { id: at(7) })], page, wish, '');
  expect(moved!.do === 'moveBlocks' && moved!.blocks[0]!.afterId).toBe(at(5));
  const empty = block('paragraph');
  const acts = planSend(page, [empty], { ...wish, at: 'end' }, '');
  expect(acts[1]).toEqual({ do: 'dropBlocks', id: 'b', blockIds: [empty.attrs!.id] });
});
