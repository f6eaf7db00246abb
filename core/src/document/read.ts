import { yXmlFragmentToProsemirrorJSON } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { checkBody } from './check';
import { readBeside, withBeside } from './fields';
import { ShapeError } from './shapeError';
import { MAX_BLOCKS, type BodyJson, type NodeJson } from './types';

/** The blocks of a document as they were last read; what was changed since is not among them. */
type Reading = WeakMap<Y.XmlElement, NodeJson>;

const readings = new WeakMap<Y.Doc, Reading>();

function readingOf(document: Y.Doc): Reading {
  const known = readings.get(document);
  if (known) return known;
  const reading: Reading = new WeakMap();
  const fragment = document.getXmlFragment('body');
  fragment.observeDeep((events) => {
    for (const { target } of events) {
      let type: Y.AbstractType<unknown> | null = target as Y.AbstractType<unknown>;
      while (type && type.parent !== fragment) type = type.parent;
      if (type) reading.delete(type as Y.XmlElement);
    }
  });
  readings.set(document, reading);
  return reading;
}

/**
 * Reads the body out of a page's document, with what stands beside it, and checks it. An untouched document reads as an empty paragraph.
 *
 * Blocks that were not changed since the last reading are given as the very same objects, so that one key on a long
 * page costs one block. What is given must not be changed.
 */
export function readBody(document: Y.Doc): BodyJson {
  return withBeside(readBlocks(document), readBeside(document));
}

function readBlocks(document: Y.Doc): BodyJson {
  const fragment = document.getXmlFragment('body');
  if (fragment.length === 0)
    return checkBody({ type: 'doc', content: [{ type: 'block', attrs: { kind: 'paragraph', depth: 0 } }] });
  if (fragment.length > MAX_BLOCKS) throw new ShapeError(`A page holds at most ${MAX_BLOCKS} blocks.`);
  const elements = fragment.toArray() as Y.XmlElement[];
  // Within a transaction nobody is told yet what it changed.
  const reading: Reading = document._transaction ? new WeakMap() : readingOf(document);
  const unread = elements.filter((element) => !reading.has(element));
  if (unread.some((element) => !(element instanceof Y.XmlElement))) throw new ShapeError('A page holds blocks only.');
  if (unread.length > 0) {
    const { content } = checkBody(yXmlFragmentToProsemirrorJSON({ toArray: () => unread } as unknown as Y.XmlFragment));
    unread.forEach((element, index) => reading.set(element, content[index]!));
  }
  return { type: 'doc', content: elements.map((element) => reading.get(element)!) };
}
