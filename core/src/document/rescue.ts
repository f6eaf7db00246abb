import * as Y from 'yjs';
import type { BodyJson, NodeJson } from './types';
import {
  beyond,
  childrenOf,
  deleteRanges,
  has,
  joinText,
  readElement,
  runsOf,
  standingBefore,
  toRanges,
  topElement,
  type Range,
  type Sees,
} from './store';
import { ownWords } from './text';

/**
 * Saves words that were typed into a block while another window moved, joined or deleted it, whichever arrives
 * first.
 *
 * Yjs marks whatever arrives beneath a deleted element as deleted at once. The server's documents keep deleted content
 * (gc: false), so the words are still there to be read. For each block that an update takes out, what was visible in it
 * is noted (a Removal); when words arrive for that block later, the line is put together again as its writer saw it.
 */

/** A block that an update took out, and the runs its writer saw in it. The latest one noted for an element counts. */
export interface Removal {
  client: number;
  clock: number;
  ranges: Range[];
}

/** A line that has new words its page does not show. */
export interface Rescue {
  blockId: string | null;
  /** The line as its writer saw it, new words included. */
  node: NodeJson;
  /** The line without the new words, and without those that its writer deleted. */
  before: NodeJson;
  /** The line as it was when it was removed. */
  was: NodeJson;
  /** The new words and where in `before` each piece was written. */
  pieces: { offset: number; content: NodeJson[] }[];
  /** Id of the nearest block before it that still stands; null at the head of the page. */
  afterId: string | null;
  /** Whether the block itself still stands (only a part of it was deleted). */
  stands: boolean;
}

/**
 * Applies an update and tells what it removed and what has to be rescued.
 * `recall` gives the ranges noted when an element was removed by an earlier update.
 */
export function applyWithRescue(
  document: Y.Doc,
  update: Uint8Array,
  recall: (client: number, clock: number) => Range[] | undefined,
  origin?: unknown,
): { removals: Removal[]; rescues: Rescue[] } {
  const fragment = document.getXmlFragment('body');
  const removals: Removal[] = [];
  const rescues: Rescue[] = [];
  const ownDeletes = deleteRanges(update);

  const observe = (transaction: Y.Transaction) => {
    const deletedNow = toRanges(transaction.deleteSet);
    /** Deleted now, and not by the one who sent this: deleted because the line around it was. */
    const isLost: Sees = (owner, offset) =>
      has(deletedNow, owner.id.client, owner.id.clock + offset) &&
      !has(ownDeletes, owner.id.client, owner.id.clock + offset);
    const lost = new Set<Y.Item>();
    for (const [client, structs] of document.store.clients) {
      const from = transaction.beforeState.get(client) ?? 0;
      if (from === transaction.afterState.get(client)) continue;
      for (let index = structs.length - 1; index >= 0; index -= 1) {
        const struct = structs[index]!;
        if (struct.id.clock + struct.length <= from) break;
        if (!(struct instanceof Y.Item) || !struct.deleted || !struct.countable) continue;
        if (struct.parentSub !== null || has(ownDeletes, client, struct.id.clock)) continue;
        const line = topElement(struct, fragment);
        if (line) lost.add(line);
      }
    }
    // What stood here and the sender did not know of goes with what it stood in: a block, or one of the texts that two
    // who begin an empty line at once leave in it, which whoever writes there next makes one of.
    const unsent = beyond(deletedNow, ownDeletes);
    if (unsent.length > 0) {
      Y.iterateDeletedStructs(transaction, transaction.deleteSet, (struct) => {
        if (!(struct instanceof Y.Item) || !struct.countable || struct.parentSub !== null) return;
        const { client, clock } = struct.id;
        const isPart = unsent.some(
          ([owner, start, length]) => owner === client && start < clock + struct.length && clock < start + length,
        );
        const line = isPart ? topElement(struct, fragment) : null;
        if (line) lost.add(line);
      });
    }
    for (const item of removedBlocks(fragment, transaction, deletedNow)) removals.push(removalOf(item, deletedNow));
    for (const item of lost) {
      const isRemovedNow = has(deletedNow, item.id.client, item.id.clock);
      const was = isRemovedNow ? deletedNow : (recall(item.id.client, item.id.clock) ?? []);
      const wasSeen: Sees = (owner, offset) =>
        !owner.deleted ||
        (has(was, owner.id.client, owner.id.clock + offset) &&
          (isRemovedNow || !has(ownDeletes, owner.id.client, owner.id.clock + offset)));
      const pieces: Rescue['pieces'] = [];
      const node = readElement(item, (owner, offset) => wasSeen(owner, offset) || isLost(owner, offset));
      const before = readElement(item, (owner, offset) => wasSeen(owner, offset) && !isLost(owner, offset));
      const wasThere = readElement(item, (owner, offset) => has(was, owner.id.client, owner.id.clock + offset));
      collectPieces(item, wasSeen, isLost, pieces);
      if (pieces.length === 0) continue;
      if (item.deleted) {
        const ranges = runsOf(item, (owner, offset) => wasSeen(owner, offset) || isLost(owner, offset));
        removals.push({ client: item.id.client, clock: item.id.clock, ranges });
      }
      rescues.push({
        blockId: typeof node.attrs?.id === 'string' ? node.attrs.id : null,
        node,
        before,
        was: wasThere,
        pieces,
        afterId: standingBefore(item),
        stands: !item.deleted,
      });
    }
  };

  document.once('afterTransaction', observe);
  Y.applyUpdate(document, update, origin);
  document.off('afterTransaction', observe);
  return { removals, rescues };
}

/** Changes a document, and tells which of its blocks this removed: somebody may have written in them meanwhile. */
export function removalsOf(document: Y.Doc, change: () => void): Removal[] {
  const fragment = document.getXmlFragment('body');
  const removals: Removal[] = [];
  const observe = (transaction: Y.Transaction) => {
    const deletedNow = toRanges(transaction.deleteSet);
    for (const item of removedBlocks(fragment, transaction, deletedNow)) removals.push(removalOf(item, deletedNow));
  };
  document.on('afterTransaction', observe);
  change();
  document.off('afterTransaction', observe);
  return removals;
}

/** The blocks that stood before this transaction and do not after it. */
function* removedBlocks(
  fragment: Y.XmlFragment,
  { beforeState }: Y.Transaction,
  deletedNow: readonly Range[],
): Generator<Y.Item> {
  for (let item = fragment._start; item !== null; item = item.right) {
    const { client, clock } = item.id;
    if (item.deleted && clock < (beforeState.get(client) ?? 0) && has(deletedNow, client, clock)) yield item;
  }
}

const removalOf = (item: Y.Item, deletedNow: readonly Range[]): Removal => ({
  client: item.id.client,
  clock: item.id.clock,
  ranges: runsOf(item, (owner, offset) => has(deletedNow, owner.id.client, owner.id.clock + offset)),
});

/** Puts rescued words back into a body; returns the same body when there is nothing to put back. */
export function putBack(body: BodyJson, rescues: readonly Rescue[]): BodyJson {
  let content = body.content;
  for (const rescue of rescues) content = putBackOne(content, rescue);
  return content === body.content ? body : { ...body, content };
}

function putBackOne(content: NodeJson[], rescue: Rescue): NodeJson[] {
  const { blockId } = rescue;
  const standing = content.findIndex((node) => blockId !== null && node.attrs?.id === blockId);
  const survivor =
    standing >= 0
      ? standing
      : content.findIndex(
          (node) =>
            blockId !== null &&
            String(node.attrs?.formerIds ?? '')
              .split(' ')
              .includes(blockId),
        );
  if (survivor >= 0) {
    const node = content[survivor]!;
    if (node.type !== 'block' || rescue.node.type !== 'block') return withLine(content, survivor + 1, rescue);
    return content.with(survivor, { ...node, content: withWords(node, rescue) });
  }
  const after = content.findIndex((node) => rescue.afterId !== null && node.attrs?.id === rescue.afterId);
  return withLine(content, after + 1, rescue);
}

/** The content of a line with what was written in it, or in one that was joined to it, while it was taken away. */
function withWords(node: NodeJson, rescue: Rescue): NodeJson[] {
  const present = node.content ?? [];
  if (rescue.stands) return insertPieces(present, rescue.pieces, 0);
  const written = rescue.node.content ?? [];
  if (ownWords(node) === ownWords(rescue.before)) return written;
  const was = signsOf(rescue.was);
  const at = was === '' ? -1 : signsOf(node).lastIndexOf(was);
  if (at < 0) return insertPieces(present, ...placed(node, rescue));
  const units = unitsOf(present);
  return joinText([...units.slice(0, at), ...written, ...units.slice(at + was.length)]);
}

/**
 * Where the pieces go in a line that is not as their writer saw it: where the words that he saw stand in it now, or
 * else each after the word that is at its place, so that none is parted.
 */
function placed(node: NodeJson, { before, pieces }: Rescue): [Rescue['pieces'], number] {
  const present = signsOf(node);
  const seenAt = present.lastIndexOf(signsOf(before));
  if (seenAt >= 0) return [pieces, seenAt];
  const afterWord = (offset: number) => {
    const space = present.indexOf(' ', offset);
    return offset === 0 ? 0 : space < 0 ? present.length : space;
  };
  return [pieces.map((piece) => ({ ...piece, offset: afterWord(piece.offset) })), 0];
}

/** The deleted line stands again where it stood, marked as kept so that the person sees why. */
function withLine(content: NodeJson[], index: number, rescue: Rescue): NodeJson[] {
  const attrs = { ...rescue.node.attrs, ...(rescue.node.type === 'block' ? { kept: true } : {}) };
  const isAlone = content.length === 1 && content[0]!.type === 'block' && ownWords(content[0]!) === '';
  const line = { ...rescue.node, attrs };
  return isAlone ? [line] : content.toSpliced(index, 0, line);
}

/** Inline content parted into its characters; a node is one. */
const unitsOf = (content: readonly NodeJson[]): NodeJson[] =>
  content.flatMap((node) =>
    node.type === 'text' ? (node.text ?? '').split('').map((character) => ({ ...node, text: character })) : [node],
  );

/** A line's characters, with one for each node, so that places in it are places among its units. */
const signsOf = ({ content = [] }: NodeJson): string =>
  content.map((node) => (node.type === 'text' ? (node.text ?? '') : '\uFFFC')).join('');

/** Inserts pieces into inline content, each at its offset counted in characters (a node counts one). */
export function insertPieces(content: readonly NodeJson[], pieces: Rescue['pieces'], start: number): NodeJson[] {
  const units = unitsOf(content);
  for (const piece of [...pieces].sort((one, other) => other.offset - one.offset)) {
    units.splice(Math.min(start + piece.offset, units.length), 0, ...piece.content);
  }
  return joinText(units);
}

/** Collects the lost runs of a line with the number of seen characters before each. */
function collectPieces(item: Y.Item, wasSeen: Sees, isLost: Sees, pieces: Rescue['pieces']): void {
  let offset = 0;
  const take = (node: NodeJson) => {
    const last = pieces[pieces.length - 1];
    if (last && last.offset === offset) last.content = joinText([...last.content, node]);
    else pieces.push({ offset, content: [node] });
  };
  const walk = (child: Y.Item) => {
    if (!(child.content instanceof Y.ContentType)) return;
    if (!(child.content.type instanceof Y.XmlText)) {
      if (isLost(child, 0)) take(readElement(child, (owner, at) => wasSeen(owner, at) || isLost(owner, at)));
      else if (wasSeen(child, 0)) offset += 1;
      return;
    }
    for (const run of childrenOf(child)) {
      if (!(run.content instanceof Y.ContentString)) continue;
      run.content.str.split('').forEach((character, at) => {
        if (isLost(run, at)) take({ type: 'text', text: character });
        else if (wasSeen(run, at)) offset += 1;
      });
    }
  };
  childrenOf(item).forEach(walk);
}
