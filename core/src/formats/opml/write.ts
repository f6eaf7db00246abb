import { x } from 'xastscript';
import { kindOf } from '../../document/kinds';
import { shownWords } from '../../document/text';
import type { NodeJson } from '../../document/types';
import { xmlText } from '../xml';

/**
 * Outlines as OPML 2.0 (opml.org/spec2.opml): an `outline` each for what there is, one within the other. What OPML has no
 * attribute for is said by attributes of a namespace of ours, as the specification allows.
 */
const NAMESPACE = 'https://glossarion.example/ns/outline';

export interface OutlineSays {
  /** What it says; one line. */
  text: string;
  /** ISO 8601. */
  begunAt?: string;
  id?: string;
  /** What kind of line, or of entry, it is. */
  kind?: string;
  /** How far a task is. */
  state?: string;
  note?: string;
}

const plain = (text: string): string => text.replaceAll(/\s+/gu, ' ').trim();

/** An outline in two parts, between which what stands in it is written. */
export function outline({ text, begunAt, note, ...own }: OutlineSays): [opening: string, closing: string] {
  const attributes = {
    text: plain(text),
    // RFC 822, as the specification asks.
    created: begunAt === undefined ? undefined : new Date(begunAt).toUTCString(),
    _note: note === undefined || note === '' ? undefined : plain(note),
    ...Object.fromEntries(Object.entries(own).map(([name, value]) => [`g:${name}`, value])),
  };
  const [opening, closing] = xmlText(x('outline', attributes, '|')).split('>|<') as [string, string];
  return [`${opening}>`, `<${closing}`];
}

/** What stands before all outlines. @param begunAt the moment it is written: ISO 8601 */
export const opmlHead = (title: string, begunAt: string): string =>
  `<?xml version="1.0" encoding="utf-8"?>\n<opml version="2.0" xmlns:g="${NAMESPACE}"><head>${xmlText([
    x('title', plain(title)),
    x('dateCreated', new Date(begunAt).toUTCString()),
  ])}</head><body>\n`;

export const OPML_END = '</body></opml>\n';

/** What a line says, of a table row by row. */
function* saysOf(node: NodeJson, titleOf: (id: string) => string): Generator<OutlineSays> {
  const { id, state } = node.attrs ?? {};
  const says: OutlineSays = {
    text: shownWords(node, titleOf),
    id: String(id),
    kind: kindOf(node) ?? node.type,
    ...(typeof state === 'string' && { state }),
  };
  if (node.type !== 'table') return yield says;
  for (const row of node.content ?? []) {
    const cells = (row.content ?? []).map((cell) => plain(shownWords(cell, titleOf)));
    yield { ...says, id: undefined, text: cells.join(' | ') };
  }
}

/** The lines of a body, each within the one it stands beneath. */
export function writeLines(blocks: readonly NodeJson[], titleOf: (id: string) => string): string {
  const closings: { depth: number; closing: string }[] = [];
  let written = '';
  const close = (depth: number) => {
    while (closings.length > 0 && closings.at(-1)!.depth >= depth) written += closings.pop()!.closing;
  };
  for (const node of blocks) {
    const depth = Number(node.attrs?.depth ?? 0);
    for (const says of saysOf(node, titleOf)) {
      close(depth);
      const [opening, closing] = outline(says);
      written += opening;
      closings.push({ depth, closing });
    }
  }
  close(0);
  return written;
}
