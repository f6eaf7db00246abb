import * as Y from 'yjs';
import { ShapeError } from '../shapeError';
import { checkBeside } from './check';
import type { Atom, Beside } from './content';
import { FIELDS, namedBy } from './stored';

interface Placed {
  id: string;
  place: number;
}

/** Two windows that add at once may give one place to both: ids settle it, alike everywhere. */
const inOrder = (placed: readonly Placed[]): string[] =>
  [...placed].sort((one, other) => one.place - other.place || (one.id < other.id ? -1 : 1)).map(({ id }) => id);

function placeOf(value: unknown): number {
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new ShapeError('What a field leads to has no place.');
  return value;
}

/** A text that holds words alone. */
function wordsOf(value: unknown): string {
  if (!(value instanceof Y.Text)) throw new ShapeError('The text of a field is no text.');
  for (const { insert } of value.toDelta() as { insert: unknown }[]) {
    if (typeof insert !== 'string') throw new ShapeError('A field holds words only.');
  }
  return value.toString();
}

/**
 * Reads the kinds and fields out of a page's document, and checks them.
 *
 * @throws ShapeError
 */
export function readBeside(document: Y.Doc): Beside {
  const kinds: Placed[] = [];
  const fields = new Map<string, { atom?: Atom; text?: string; pages: Placed[] }>();
  const fieldOf = (id: string) => {
    const known = fields.get(id) ?? { pages: [] };
    fields.set(id, known);
    return known;
  };
  for (const [key, value] of document.getMap(FIELDS).entries()) {
    const named = namedBy(key);
    if (named.part === 'kind') kinds.push({ id: named.kindId, place: placeOf(value) });
    else if (named.part === 'pages') fieldOf(named.fieldId).pages.push({ id: named.pageId, place: placeOf(value) });
    else if (named.part === 'text') fieldOf(named.fieldId).text = wordsOf(value);
    else fieldOf(named.fieldId).atom = value as Atom;
  }
  return checkBeside({
    kinds: inOrder(kinds),
    fields: Object.fromEntries([...fields].map(([id, { pages, ...rest }]) => [id, { ...rest, pages: inOrder(pages) }])),
  });
}
