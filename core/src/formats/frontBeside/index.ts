import type { Beside, Content } from '../../document/fields';
import { isId } from '../../document/ids';
import type { Field } from '../../kinds/field';
import { readSaid, type SaidValue } from '../../kinds/said';
import type { KindTree } from '../../kinds/tree';
import { FIELD_TYPES } from '../../kinds/types';
import { referenceIn } from '../markdown/fields';

/**
 * Kinds and fields in the head of a file. A field is said in the simplest way that can be read back: by its words, or a
 * link to a page, or a list of these; what it holds beside them, from when it was of another type, is named part by part.
 *
 *     kinds: [person]
 *     fields:
 *       Trade: Millwright
 *       Works for: "[Stroud & Sons](../Suppliers/Stroud%20%26%20Sons.md)"
 *       Born: { value: 1961-05-04, text: about 1961 }
 */
export interface FrontBeside {
  kinds?: string[];
  fields?: Record<string, unknown>;
}

/**
 * What a page is and holds, for the head of its file.
 *
 * @param linkOf how a link to a page is written: `[Title](path)`
 */
export function writeFrontBeside(
  { kinds, fields }: Beside,
  tree: KindTree,
  linkOf: (id: string) => string,
): FrontBeside {
  // What is called like another, or is gone, is named by its id.
  const kindName = (id: string) => {
    const kind = tree.get(id);
    return kind && tree.named(kind.name) === kind ? kind.name : id;
  };
  const said = Object.entries(fields).map(([id, content]): [string, unknown] => {
    const field = tree.field(id);
    const isByName = field && !field.isDeleted && !isId(field.name) && tree.fieldNamed(kinds, field.name) === field;
    return [isByName ? field.name : id, writtenContent(content, field, linkOf)];
  });
  return {
    ...(kinds.length > 0 && { kinds: kinds.map(kindName) }),
    ...(said.length > 0 && { fields: Object.fromEntries(said) }),
  };
}

function writtenContent(content: Content, field: Field | undefined, linkOf: (id: string) => string): unknown {
  const pages = (content.pages ?? []).map(linkOf);
  const simple = field && simpleValues(content, field, pages);
  if (simple) return simple.length === 1 ? simple[0] : simple;
  const { atom, text } = content;
  return { ...(atom !== undefined && { value: atom }), ...(text && { text }), ...(pages.length > 0 && { pages }) };
}

/** The values that say all a field holds, when they are read back as just that; null when there are none such. */
function simpleValues(content: Content, field: Field, links: readonly string[]): SaidValue[] | null {
  const { atom, text, pages = [] } = content;
  const words = ownValues(content, field);
  const values = [...words, ...links];
  if (values.length === 0 || words.some((each) => referenceIn(each) !== null)) return null;
  const back = readSaid({ name: field.name, words, pages: [...pages] }, field);
  const isSame = Object.is(back.atom, atom) && back.text === text && back.pages?.join() === content.pages?.join();
  return isSame ? values : null;
}

/** What a field holds beside links, as its type writes it. */
function ownValues({ atom, text }: Content, field: Field): SaidValue[] {
  const { part, words } = FIELD_TYPES[field.type];
  if (part === 'text') return text ? [text] : [];
  if (part === 'pages' || atom === undefined) return [];
  return [typeof atom === 'string' ? words!(atom, field) : atom];
}
