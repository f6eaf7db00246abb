import { tests } from 'commonmark-spec';
import { fromHtml } from 'hast-util-from-html';
import { checkBody, repairBody, schema, shownWords } from '../document';
import { block } from '../document/build';
import type { BodyJson, NodeJson } from '../document/types';
import { readHtml } from './html';
import { readMarkdown, resolveReferences } from './markdown';

/** A body as a paste makes it: of a shape that the schema takes. */
function bodyOf(blocks: NodeJson[]): BodyJson {
  const known = resolveReferences(
    blocks,
    () => null,
    () => '',
  );
  const content = known.length > 0 ? known : [block('paragraph')];
  return checkBody(repairBody({ type: 'doc', content }).body);
}

/** The words a browser would show. */
function shownByBrowser(html: string): string[] {
  const walk = (node: { type: string; value?: string; tagName?: string; children?: unknown[] }): string => {
    if (node.type === 'text') return node.value ?? '';
    if (node.tagName === 'script' || node.tagName === 'style' || node.tagName === 'textarea') return '';
    const inner = (node.children ?? []).map((child) => walk(child as never)).join('');
    return /^(?:p|li|h\d|pre|br|hr|blockquote|div|td|th)$/u.test(node.tagName ?? '') ? `\n${inner}\n` : inner;
  };
  return wordsOf(walk(fromHtml(html, { fragment: true }) as never));
}

const wordsOf = (text: string): string[] => text.normalize('NFKC').match(/[\p{L}\p{N}]+/gu) ?? [];

const wordsOfBody = (body: BodyJson): string[] =>
  body.content.flatMap((node) => wordsOf(shownWords(node, () => ''))).concat(hrefs(body));

/** A picture is kept as a link to it, so that its address may stand in a mark. */
const hrefs = (node: NodeJson): string[] => [
  ...(node.marks ?? []).flatMap((mark) => wordsOf(String(mark.attrs?.href ?? ''))),
  ...(node.content ?? []).flatMap(hrefs),
];

test('there are the 652 examples of the specification', () => {
  expect(tests).toHaveLength(652);
});

test.each(tests.map((each) => [each.number, each] as const))('example %i is kept, whatever it is', (_number, each) => {
  const body = bodyOf(readMarkdown(each.markdown, () => undefined, false).blocks);
  expect(() => schema.nodeFromJSON(body).check()).not.toThrow();
  const kept = wordsOfBody(body);
  expect(kept).toEqual(expect.arrayContaining(shownByBrowser(each.html)));
});

test.each(tests.map((each) => [each.number, each] as const))('example %i is kept from its HTML', (_number, each) => {
  const body = bodyOf(readHtml(each.html));
  expect(() => schema.nodeFromJSON(body).check()).not.toThrow();
  expect(wordsOfBody(body)).toEqual(expect.arrayContaining(shownByBrowser(each.html)));
});
