import * as Y from 'yjs';
import type { BodyJson, NodeJson } from './types';
import { ownWords } from './text';

/**
 * Saves words that were typed into a block while another window moved, joined or deleted it, whichever arrives
 * first.
 *
 * Yjs marks whatever arrives beneath a deleted element as deleted at once. The server's documents keep deleted content
 * (gc: false), so the words are still there to be read. For each block that an update takes out, what was visible in it
 * is noted (a Removal); when words arrive for that block later, the line is put together again as its writer saw it.
 */

type Sees = (item: Y.Item, offset: number) => boolean;

/** A run of characters in the Yjs store: client, first clock, length. */
export type Range = [client: number, clock: number, length: number];

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

const has = (ranges: readonly Range[], client: number, clock: number): boolean =>
  ranges.some(([owner, start, length]) => owner === client && clock >= start && clock < start + length);

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
    for (const item of removedBlocks(fragment, transaction, deletedNow)) {
      if (runsOf(item, isLost).length > 0) lost.add(item);
      removals.push(removalOf(item, deletedNow));
    }
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
  return content === body.content ? body : { type: 'doc', content };
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

function joinText(nodes: NodeJson[]): NodeJson[] {
  const joined: NodeJson[] = [];
  for (const node of nodes) {
    const last = joined[joined.length - 1];
    if (node.type === 'text' && last?.type === 'text' && JSON.stringify(last.marks) === JSON.stringify(node.marks)) {
      joined[joined.length - 1] = { ...last, text: (last.text ?? '') + (node.text ?? '') };
    } else {
      joined.push(node);
    }
  }
  return joined;
}

// Reading the Yjs store -------------------------------------------------------------------------------------------

function toRanges(set: { clients: Map<number, { clock: number; len: number }[]> }): Range[] {
  return [...set.clients].flatMap(([client, items]) => items.map(({ clock, len }): Range => [client, clock, len]));
}

const deleteRanges = (update: Uint8Array): Range[] => toRanges(Y.decodeUpdate(update).ds as never);

/** The block-level item above a struct, or null when the struct is no part of a line (a new line, or the title). */
function topElement(struct: Y.Item, fragment: Y.XmlFragment): Y.Item | null {
  let item: Y.Item | null = struct;
  while (item !== null) {
    const parent: unknown = item.parent;
    if (parent === fragment) return item === struct ? null : item;
    item = (parent as Y.AbstractType<unknown> | null)?._item ?? null;
  }
  return null;
}

function standingBefore(item: Y.Item): string | null {
  for (let left = item.left; left !== null; left = left.left) {
    if (!left.deleted && left.content instanceof Y.ContentType) {
      const id = (left.content.type as Y.XmlElement).getAttribute('id');
      if (typeof id === 'string') return id;
    }
  }
  return null;
}

const childrenOf = (item: Y.Item): Y.Item[] => {
  const children: Y.Item[] = [];
  const type = item.content instanceof Y.ContentType ? item.content.type : null;
  for (let child = type?._start ?? null; child !== null; child = child.right) children.push(child);
  return children;
};

/** The runs beneath an item that `sees` lets through. */
function runsOf(item: Y.Item, sees: Sees): Range[] {
  const ranges: Range[] = [];
  for (const child of childrenOf(item)) {
    let run: Range | null = null;
    for (let offset = 0; offset < child.length; offset += 1) {
      if (sees(child, offset)) {
        if (run) run[2] += 1;
        else ranges.push((run = [child.id.client, child.id.clock + offset, 1]));
      } else {
        run = null;
      }
    }
    ranges.push(...runsOf(child, sees));
  }
  return ranges;
}

/** Reads an element as JSON, taking in only what `sees` lets through. */
function readElement(item: Y.Item, sees: Sees): NodeJson {
  const element = (item.content as Y.ContentType).type as Y.XmlElement;
  const attrs: Record<string, unknown> = {};
  for (const [name, value] of element._map) {
    const held = value.content.getContent() as unknown[];
    attrs[name] = held[held.length - 1];
  }
  const content = joinText(childrenOf(item).flatMap((child) => readInline(child, sees)));
  return content.length > 0 ? { type: element.nodeName, attrs, content } : { type: element.nodeName, attrs };
}

function readInline(item: Y.Item, sees: Sees): NodeJson[] {
  const { content } = item;
  if (!(content instanceof Y.ContentType)) return [];
  if (content.type instanceof Y.XmlText) return readText(item, sees);
  return sees(item, 0) ? [readElement(item, sees)] : [];
}

function readText(item: Y.Item, sees: Sees): NodeJson[] {
  const nodes: NodeJson[] = [];
  const marks = new Map<string, unknown>();
  for (const child of childrenOf(item)) {
    if (child.content instanceof Y.ContentFormat) {
      if (!sees(child, 0)) continue;
      if (child.content.value === null) marks.delete(child.content.key);
      else marks.set(child.content.key, child.content.value);
    } else if (child.content instanceof Y.ContentString) {
      const seen = child.content.str
        .split('')
        .filter((_character, offset) => sees(child, offset))
        .join('');
      if (seen) nodes.push(textNode(seen, marks));
    }
  }
  return nodes;
}

const textNode = (text: string, marks: Map<string, unknown>): NodeJson =>
  marks.size === 0
    ? { type: 'text', text }
    : {
        type: 'text',
        text,
        marks: [...marks].map(([type, attrs]) => ({ type, attrs: attrs as Record<string, unknown> })),
      };

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
