import { canonicalBeside, canonicalContent, type Beside, type Content } from '../document/fields';
import type { Field } from './field';
import { atomWords } from './holding';

const NO_WORDS: Pick<Field, 'unit' | 'choices'> = { unit: '', choices: [] };

/** What both pages held of a field: the first one’s atom stays, the other’s is kept in words where it says another thing. */
function joinContents(one: Content, other: Content, field: Pick<Field, 'unit' | 'choices'>): Content {
  const differs = one.atom !== undefined && other.atom !== undefined && one.atom !== other.atom;
  const texts = [one.text, other.text, differs ? atomWords(other.atom!, field) : undefined];
  return canonicalContent({
    atom: one.atom ?? other.atom,
    text: [...new Set(texts.filter(Boolean))].join('\n'),
    pages: [...(one.pages ?? []), ...(other.pages ?? [])],
  });
}

/**
 * What a page that another was merged into is and holds: the kinds of both, and of each field what both say.
 *
 * @param fieldOf what a field is; what is not known is joined by what it holds
 */
export function joinBeside(into: Beside, from: Beside, fieldOf: (id: string) => Field | undefined): Beside {
  const ids = new Set([...Object.keys(into.fields), ...Object.keys(from.fields)]);
  return canonicalBeside({
    kinds: [...into.kinds, ...from.kinds],
    fields: Object.fromEntries(
      [...ids].map((id) => [id, joinContents(into.fields[id] ?? {}, from.fields[id] ?? {}, fieldOf(id) ?? NO_WORDS)]),
    ),
  });
}
