import { isId } from '../ids';
import { ShapeError } from '../shapeError';
import {
  MAX_FIELD_PAGES,
  MAX_FIELD_TEXT,
  MAX_PAGE_FIELDS,
  MAX_PAGE_KINDS,
  canonicalBeside,
  type Atom,
  type Beside,
} from './content';

export function isAtom(value: unknown): value is Atom {
  if (typeof value === 'string') return value.length <= MAX_FIELD_TEXT;
  return typeof value === 'boolean' || (typeof value === 'number' && Number.isFinite(value));
}

function checkId(id: string): void {
  const isKnown: boolean = isId(id);
  if (!isKnown) throw new ShapeError(`A page can't hold “${id.slice(0, 60)}” beside its text.`);
}

/**
 * Checks what stands beside a body, and gives it in its one form. Whether such fields and kinds are known is not asked:
 * what a page holds outlives them.
 *
 * @throws ShapeError
 */
export function checkBeside(beside: Beside): Beside {
  const whole = canonicalBeside(beside);
  whole.kinds.forEach(checkId);
  if (whole.kinds.length > MAX_PAGE_KINDS) throw new ShapeError(`A page is of at most ${MAX_PAGE_KINDS} kinds.`);
  const fields = Object.entries(whole.fields);
  if (fields.length > MAX_PAGE_FIELDS) throw new ShapeError(`A page holds at most ${MAX_PAGE_FIELDS} fields.`);
  for (const [id, { atom, text, pages = [] }] of fields) {
    checkId(id);
    if (atom !== undefined && !isAtom(atom)) throw new ShapeError(`A field can't hold this: ${JSON.stringify(atom)}.`);
    if (text !== undefined && (typeof text !== 'string' || text.length > MAX_FIELD_TEXT)) {
      throw new ShapeError(`A field holds at most ${MAX_FIELD_TEXT} characters.`);
    }
    pages.forEach(checkId);
    if (pages.length > MAX_FIELD_PAGES) throw new ShapeError(`A field leads to at most ${MAX_FIELD_PAGES} pages.`);
  }
  return whole;
}
