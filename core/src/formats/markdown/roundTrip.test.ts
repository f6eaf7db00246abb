import fc from 'fast-check';
import { block } from '../../document/build';
import { checkBody } from '../../document/check';
import type { BodyJson } from '../../document/types';
import { times } from '../../testing';
import { arbitraryBody } from '../arbitrary';
import { readMarkdown, resolveReferences, writeMarkdown, type WriteOptions } from './index';

const titleOf = (target: string) => `Page ${target.slice(-4)}`;
const options: WriteOptions = {
  titleOf,
  linkUrl: (target) => `/to/${target}`,
  fileUrl: (file, name) => `/api/files/${file}/${encodeURIComponent(name)}`,
  hasId: () => true,
  isWhole: true,
};

export function throughMarkdown(body: BodyJson): { markdown: string; body: BodyJson } {
  const markdown = writeMarkdown(body.content, options);
  const { blocks } = readMarkdown(markdown, () => undefined);
  const content = resolveReferences(blocks, ({ form, name }) => (form === 'block' ? name : null), titleOf);
  return { markdown, body: checkBody({ type: 'doc', content }) };
}

test('any page is the same after it was written as Markdown and read again', () => {
  fc.assert(
    fc.property(arbitraryBody, (body) => {
      expect(throughMarkdown(body).body).toEqual(body);
    }),
    { numRuns: times(1000) },
  );
});

test('a page so long that it is parsed in pieces is the same too', () => {
  const content = fc.sample(arbitraryBody, { numRuns: 400, seed: 7 }).flatMap((body) => body.content);
  const seen = new Set<unknown>();
  const long = checkBody({
    type: 'doc',
    content: content.filter(({ attrs }) => !seen.has(attrs?.id) && seen.add(attrs?.id)),
  });
  const read = throughMarkdown(long);
  expect(read.markdown.length).toBeGreaterThan(100_000);
  expect(read.body).toEqual(long);
});

test.each(['-@a@b.example', 'x@a@b@c.example', '@a@b.example', 'a@b@c'])(
  '%s in running text is no address',
  (words) => {
    const body = checkBody({ type: 'doc', content: [block('paragraph', words)] });
    expect(throughMarkdown(body).body).toEqual(body);
  },
);
