import type { Atom } from '../../document/fields/content';
import { isId } from '../../document/ids';
import type { SaidField, SaidValue } from '../../kinds/said';
import type { LinkReference } from './types';

/** A value in the head of a file that leads to a page: a wiki link, or one of Markdown alone. */
export function referenceIn(value: SaidValue): LinkReference | null {
  if (typeof value !== 'string') return null;
  const wiki = /^\[\[([^[\]|]+)(?:\|[^[\]]*)?\]\]$/u.exec(value.trim());
  if (wiki) return { form: 'wiki', name: wiki[1]! };
  const link = /^\[[^\]]*\]\(<?([^()<>]+)>?\)$/u.exec(value.trim());
  if (!link) return null;
  const address = link[1]!;
  if (/^#/u.test(address) && isId(address.slice(1))) return { form: 'block', name: address.slice(1) };
  if (/^[a-z][a-z\d+.-]*:/iu.test(address)) return null;
  try {
    return { form: 'path', name: decodeURI(address) };
  } catch {
    return { form: 'path', name: address };
  }
}

const isValue = (value: unknown): value is SaidValue =>
  typeof value === 'string' || typeof value === 'boolean' || (typeof value === 'number' && Number.isFinite(value));

const valuesIn = (value: unknown): SaidValue[] | null => {
  const all: unknown[] = Array.isArray(value) ? value : [value];
  return all.every(isValue) ? all : null;
};

/** What the head of a file says of fields; undefined when it can't be read. Links are not followed yet. */
export function readFrontFields(value: unknown): Record<string, FrontField> | undefined {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return undefined;
  const fields: Record<string, FrontField> = {};
  for (const [name, said] of Object.entries(value)) {
    const isParted = typeof said === 'object' && said !== null && !Array.isArray(said);
    const { value: atom, text, pages } = (isParted ? said : {}) as Record<string, unknown>;
    const links = isParted && pages !== undefined ? valuesIn(pages) : [];
    const values = isParted ? [] : valuesIn(said);
    if (name === '' || !values || !links) return undefined;
    if (isParted && ((atom !== undefined && !isValue(atom)) || (text !== undefined && typeof text !== 'string'))) {
      return undefined;
    }
    fields[name] = isParted
      ? { parts: { atom: atom as Atom | undefined, text, pages: links } as FrontParts }
      : { values };
  }
  return fields;
}

/** What is said of a field, as it stands in the head of a file. */
export interface FrontField {
  values?: SaidValue[];
  parts?: FrontParts;
}

interface FrontParts {
  atom?: Atom;
  text?: string;
  pages: SaidValue[];
}

/** The same with every link followed; `follow` gives null for what leads nowhere, which is then words. */
export function followed(
  name: string,
  { values = [], parts }: FrontField,
  follow: (reference: LinkReference) => string | null,
): SaidField {
  const pages: string[] = [];
  const words: SaidValue[] = [];
  for (const value of [...values, ...(parts?.pages ?? [])]) {
    const reference = referenceIn(value);
    const id = reference && follow(reference);
    if (id) pages.push(id);
    else words.push(value);
  }
  if (!parts) return { name, words, pages };
  const { atom, text } = parts;
  const texts = [text, ...words.map(String)].filter((each) => each !== undefined && each !== '');
  return { name, words: [], pages, held: { ...(atom !== undefined && { atom }), text: texts.join('\n'), pages } };
}

/** Whether all that is said can be taken in: a field that is named needs a kind to be of. */
export const isUnderstood = (kinds: readonly string[], fieldNames: readonly string[]): boolean =>
  kinds.length > 0 || fieldNames.every(isId);
