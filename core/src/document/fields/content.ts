/** What a field holds on a page when it is neither text nor pages; what it means is for the field's type to say. */
export type Atom = string | number | boolean;

/**
 * All that a page's document holds of one field. It is one of these, unless the field was of another type once: what it
 * held then stays until it is written over or taken away by hand.
 */
export interface Content {
  atom?: Atom;
  text?: string;
  /** Ids of pages, in their order, each once. */
  pages?: readonly string[];
}

/** Of what a field holds the part that its type writes to. */
export type Part = keyof Content;

/** What a page holds by the ids of fields; a field that holds nothing is not among them. */
export type Fields = Readonly<Record<string, Content>>;

/** What stands in a page's document beside its title and its body. */
export interface Beside {
  /** Ids of the kinds that the page is of, in the order they were given, each once. */
  kinds: readonly string[];
  fields: Fields;
}

export const NOTHING_BESIDE: Beside = { kinds: [], fields: {} };

/** The most characters that a field's text, or its atom, may hold. */
export const MAX_FIELD_TEXT = 20_000;
/** The most pages one field may lead to. */
export const MAX_FIELD_PAGES = 1_000;
/** The most kinds a page may be of, and the most fields it may hold something of. */
export const MAX_PAGE_KINDS = 40;
export const MAX_PAGE_FIELDS = 400;

export const isEmptyContent = ({ atom, text, pages }: Content): boolean =>
  atom === undefined && (text ?? '') === '' && (pages ?? []).length === 0;

/** What is held, in its one form: nothing that says nothing, and always in the same order. */
export function canonicalContent({ atom, text, pages }: Content): Content {
  return {
    ...(atom !== undefined && { atom }),
    ...(text && { text }),
    ...(pages && pages.length > 0 && { pages: [...new Set(pages)] }),
  };
}

/** What stands beside a body, in its one form. */
export function canonicalBeside({ kinds, fields }: Beside): Beside {
  const held = Object.entries(fields)
    .filter(([, content]) => !isEmptyContent(content))
    .map(([id, content]) => [id, canonicalContent(content)] as const)
    .sort(([one], [other]) => (one < other ? -1 : 1));
  return { kinds: [...new Set(kinds)], fields: Object.fromEntries(held) };
}
