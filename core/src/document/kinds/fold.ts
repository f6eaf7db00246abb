import type { Element } from 'hast';
import { yesOrNo } from '../attributes';
import { MAX_DEPTH } from '../types';
import type { TextKind } from './kind';

/** A line that what stands beneath it is folded into. */
export const fold: TextKind = {
  name: 'fold',
  isText: true,
  list: 'unordered',
  /** Whether what stands beneath is folded away. */
  attributes: { folded: yesOrNo },
  markdown: { isSaid: true },
  html: {
    isSaid: true,
    reads: {
      details: (details, reading, place, marks) => {
        const summary = details.children.find((each) => each.type === 'element' && each.tagName === 'summary') as
          Element | undefined;
        reading.begin({ kind: 'fold', depth: place.depth, folded: details.properties.open ? null : true });
        reading.children(summary?.children ?? [], place, marks);
        reading.end();
        const rest = details.children.filter((each) => each !== summary);
        reading.children(rest, { depth: Math.min(place.depth + 1, MAX_DEPTH), kind: 'paragraph', list: null }, marks);
        reading.end();
      },
    },
  },
};
