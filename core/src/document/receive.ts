import * as Y from 'yjs';
import { changesIn, dropOlderCopies } from './copies';
import { readBody } from './read';
import { applyWithRescue, putBack, type Removal, type Rescue } from './rescue';
import type { Range } from './store';
import type { BodyJson } from './types';

export interface Received {
  /** What the update took out, to be recalled when words arrive for it later. */
  removals: Removal[];
  /** The body as the document shows it. */
  shown: BodyJson;
  /** The body as it should be: with the words put back that were typed in what others took out. */
  body: BodyJson;
  /** Lines that stand on another page now, with the words that were typed in them here. */
  elsewhere: Rescue[];
  /** The state of the document before something was taken out of it that nobody sent; undefined when nothing was. */
  editedSince: Uint8Array | undefined;
}

/**
 * Takes what a window sends into a page's document, so that no words are lost whatever other windows did meanwhile.
 * `recall` gives the ranges noted when an element was removed by an earlier update; `isElsewhere` says whether a block
 * stands on another page: its words are to be put back there. Throws what Yjs throws when the
 * update is none, and ShapeError when it makes a body that cannot be.
 */
export function receiveUpdate(
  document: Y.Doc,
  update: Uint8Array,
  recall: (client: number, clock: number) => Range[] | undefined,
  isElsewhere: (blockId: string) => boolean = () => false,
): Received {
  const before = changesIn(document);
  const applied = applyWithRescue(document, update, recall);
  const received = Y.encodeStateVector(document);
  const { rescues, isChanged } = dropOlderCopies(document, before, applied.rescues);
  const shown = readBody(document);
  const here = new Set(shown.content.map(({ attrs }) => attrs?.id));
  const isGone = ({ blockId }: Rescue) => blockId !== null && !here.has(blockId) && isElsewhere(blockId);
  return {
    removals: applied.removals,
    shown,
    body: putBack(
      shown,
      rescues.filter((each) => !isGone(each)),
    ),
    elsewhere: rescues.filter(isGone),
    editedSince: isChanged ? received : undefined,
  };
}
