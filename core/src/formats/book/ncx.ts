import { x } from 'xastscript';
import { HERE, partedHere, xmlText } from '../xml';
import type { ContentsLine } from '../site';

export const BOOK_NCX = 'toc.ncx';

/** The contents as readers of EPUB 2 have them (EPUB 3.3, 5.9.2; OPF 2.0.1, 2.4.1). */
export function* writeNcx(id: string, title: string, lines: readonly ContentsLine[]): Generator<string> {
  let count = 0;
  function* points(some: readonly ContentsLine[]): Generator<string> {
    for (const { title: name, path, beneath = [] } of some) {
      count += 1;
      const label = x('navLabel', [x('text', name.trim() || 'Nameless page')]);
      const said = xmlText([label, x('content', { src: encodeURI(path) })]);
      yield `<navPoint id="point-${count}" playOrder="${count}">${said}`;
      yield* points(beneath);
      yield '</navPoint>';
    }
  }
  const root = x('ncx', { xmlns: 'http://www.daisy.org/z3986/2005/ncx/', version: '2005-1' }, [
    x('head', [x('meta', { name: 'dtb:uid', content: `urn:uuid:${id}` })]),
    x('docTitle', [x('text', title)]),
    x('navMap', [HERE]),
  ]);
  const [before, after] = partedHere(`<?xml version="1.0" encoding="utf-8"?>\n${xmlText(root)}\n`);
  yield before!;
  yield* points(lines);
  yield after!;
}
