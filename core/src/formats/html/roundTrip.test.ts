import fc from 'fast-check';
import { checkBody } from '../../document/check';
import type { BodyJson } from '../../document/types';
import { times } from '../../testing';
import { arbitraryBody } from '../arbitrary';
import { readHtml, writeHtml } from './index';

function throughHtml(body: BodyJson): BodyJson {
  const html = writeHtml(body.content, {
    titleOf: (target) => `Page ${target.slice(-4)}`,
    linkUrl: (target) => `/to/${target}`,
    fileUrl: (file, name) => `/api/files/${file}/${encodeURIComponent(name)}`,
    hasId: () => true,
  });
  return checkBody({ type: 'doc', content: readHtml(html) });
}

test('any page is the same after it was written as HTML and read again', () => {
  fc.assert(
    fc.property(arbitraryBody, (body) => {
      expect(throughHtml(body)).toEqual(body);
    }),
    { numRuns: times(1000) },
  );
});
