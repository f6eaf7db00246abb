import * as Y from 'yjs';
import type { NodeJson } from './types';

/** Reads what stands in a Yjs document, deleted or not: by the item, and by runs of characters. */

/** A run of characters in the Yjs store: client, first clock, length. */
export type Range = [client: number, clock: number, length: number];

/** Whether a character of an item counts as seen. */
export type Sees = (item: Y.Item, offset: number) => boolean;

export const has = (ranges: readonly Range[], client: number, clock: number): boolean =>
  ranges.some(([owner, start, length]) => owner === client && clock >= start && clock < start + length);

export function toRanges(set: { clients: Map<number, { clock: number; len: number }[]> }): Range[] {
  return [...set.clients].flatMap(([client, items]) => items.map(({ clock, len }): Range => [client, clock, len]));
}

const byClock = (one: Range, other: Range): number => one[1] - other[1];

/** What of some ranges stands in none of others. */
export function beyond(some: readonly Range[], others: readonly Range[]): Range[] {
  const left: Range[] = [];
  for (const client of new Set(some.map(([owner]) => owner))) {
    const of = (ranges: readonly Range[]) => ranges.filter(([owner]) => owner === client).sort(byClock);
    const own = of(others);
    let at = 0;
    for (const [, start, length] of of(some)) {
      let from = start;
      const end = start + length;
      while (at < own.length && own[at]![1] + own[at]![2] <= from) at += 1;
      for (let next = at; next < own.length && own[next]![1] < end; next += 1) {
        const [, clock, size] = own[next]!;
        if (clock > from) left.push([client, from, clock - from]);
        from = Math.max(from, clock + size);
      }
      if (from < end) left.push([client, from, end - from]);
    }
  }
  return left;
}

export const deleteRanges = (update: Uint8Array): Range[] => toRanges(Y.decodeUpdate(update).ds as never);

/** The block-level item above a struct, or null when the struct is no part of a line (a new line, or the title). */
export function topElement(struct: Y.Item, fragment: Y.XmlFragment): Y.Item | null {
  let item: Y.Item | null = struct;
  while (item !== null) {
    const parent: unknown = item.parent;
    if (parent === fragment) return item === struct ? null : item;
    item = (parent as Y.AbstractType<unknown> | null)?._item ?? null;
  }
  return null;
}

export function standingBefore(item: Y.Item): string | null {
  for (let left = item.left; left !== null; left = left.left) {
    if (!left.deleted && left.content instanceof Y.ContentType) {
      const id = (left.content.type as Y.XmlElement).getAttribute('id');
      if (typeof id === 'string') return id;
    }
  }
  return null;
}

export const childrenOf = (item: Y.Item): Y.Item[] => {
  const children: Y.Item[] = [];
  const type = item.content instanceof Y.ContentType ? item.content.type : null;
  for (let child = type?._start ?? null; child !== null; child = child.right) children.push(child);
  return children;
};

/** The runs beneath an item that `sees` lets through. */
export function runsOf(item: Y.Item, sees: Sees): Range[] {
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
export function readElement(item: Y.Item, sees: Sees): NodeJson {
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

export function joinText(nodes: NodeJson[]): NodeJson[] {
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
