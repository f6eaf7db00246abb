import ICAL from 'ical.js';
import { fileName, FolderNames } from '../account/paths';
import type { FrontField } from '../markdown/fields';
import type { ReadFile } from '../markdown/readFile';
import { componentsIn } from '../calendar/components';
import { ENDINGS } from './endings';
import { folderOf, lineOf, pageRead, Refusal, type Reader } from './reader';

/** What of a card is a field of a person here, by its property (RFC 6350, 6). */
const FIELDS: Record<string, string> = {
  email: 'Mail',
  tel: 'Telephone',
  title: 'Trade',
  role: 'Trade',
  bday: 'Born',
  url: 'On the web',
};

/** The field that leads to the firm. */
const FIRM = 'Works for';

/** Properties that say nothing to a reader. */
const SILENT = new Set([
  'version',
  'prodid',
  'rev',
  'uid',
  'fn',
  'n',
  'photo',
  'logo',
  'sound',
  'key',
  'source',
  'kind',
]);

/** Persons as vCards: a page each, of the kind person. */
export const vcard: Reader = {
  endings: ENDINGS.vcard,
  isCollection: true,
  read({ path, text }) {
    const names = new FolderNames();
    return cardsIn(text).map((card): ReadFile => {
      const title = nameIn(card);
      const { fields, lines } = saidIn(card);
      const file = names.take('', fileName(title || 'person'));
      return pageRead(
        `${folderOf(path)}/${file}.md`,
        { title, kinds: ['person'], fields },
        lines.map((line) => lineOf(line)),
      );
    });
  },
};

function cardsIn(text: string): ICAL.Component[] {
  const components = componentsIn(text, 'vcard');
  if (!components) throw new Refusal('It is no card of a person (vCard) that can be read, and was left out.');
  return components;
}

/** A value with its parts, as an address has them, in one line. */
const wordsOf = (value: unknown): string =>
  (Array.isArray(value) ? value.flat(3) : [value])
    .map((part) => String(part).trim())
    .filter((part) => part !== '')
    .join(', ');

function nameIn(card: ICAL.Component): string {
  const full = wordsOf(card.getFirstPropertyValue('fn') ?? '');
  if (full !== '') return full;
  const parts = card.getFirstPropertyValue('n') as unknown;
  return wordsOf(Array.isArray(parts) ? [parts[1], parts[0]] : (parts ?? '')).replaceAll(', ', ' ');
}

function saidIn(card: ICAL.Component): { fields: Record<string, FrontField>; lines: string[] } {
  const fields: Record<string, FrontField> = {};
  const lines: string[] = [];
  for (const property of card.getAllProperties()) {
    // A group stands before a name: `item1.EMAIL`.
    const name = property.name.replace(/^.*\./u, '');
    if (SILENT.has(name) || name.startsWith('x-')) continue;
    const words = property.getValues().map(wordsOf).filter(Boolean).join('; ');
    if (words === '') continue;
    const field = FIELDS[name];
    if (field && !fields[field]) fields[field] = { values: [plainValue(words)] };
    else if (name === 'org' && !fields[FIRM]) fields[FIRM] = { values: [`[[${words.replaceAll(/[[\]|#]/gu, ' ')}]]`] };
    else if (name === 'note') lines.push(...words.split(/\r\n?|\n/u));
    else lines.push(`${name[0]!.toUpperCase()}${name.slice(1)}: ${words}`);
  }
  return { fields, lines };
}

const plainValue = (words: string): string => words.replace(/^(?:tel|mailto):/iu, '');
