import Mustache from 'mustache';
import { withIds } from '../document/copy';
import { besideOf, NOTHING_BESIDE, withBeside, type Beside, type Content } from '../document/fields';
import { namedId } from '../document/ids';
import type { BodyJson, NodeJson } from '../document/types';

/**
 * Templates: pages that other pages begin as. A placeholder is Mustache's {{name}}. Five names are filled in; any
 * other name is a question that the person answers when the template is used.
 */

/** What is filled in without asking. */
export const KNOWN_PLACEHOLDERS = ['date', 'time', 'title', 'place', 'number'] as const;
export type KnownPlaceholder = (typeof KNOWN_PLACEHOLDERS)[number];

/** How a template is used once. */
export interface TemplateUse {
  templateId: string;
  /** Where and when the person is: a date and a time of the day as they are written there. */
  date: string;
  time: string;
  answers: Record<string, string>;
}

/** A page that others can begin as, as it is offered. */
export interface TemplateInfo {
  id: string;
  title: string;
  /** What is asked when it is used. */
  questions: string[];
}

export type PlaceholderValues = Record<string, string>;

/** Words, or a placeholder; what every object is born with names nothing that a person could mean. */
const isPlain = ({ type, value }: { type: string; value: string }): boolean =>
  type === 'text' || ((type === 'name' || type === '&') && !(value in Object.prototype));

/** A text as Mustache parses it; null when it is no plain template of words and placeholders. */
function spansOf(text: string): { type: string; value: string }[] | null {
  if (!text.includes('{{')) return null;
  try {
    const spans = (Mustache.parse(text) as unknown as [string, string][]).map(([type, value]) => ({ type, value }));
    return spans.every(isPlain) ? spans : null;
  } catch {
    return null;
  }
}

/** The names of the placeholders in a text, in their order. */
export const placeholdersIn = (text: string): string[] =>
  (spansOf(text) ?? []).filter(({ type }) => type !== 'text').map(({ value }) => value);

function* textsOf(node: NodeJson): Generator<string> {
  if (node.text) yield node.text;
  for (const child of node.content ?? []) yield* textsOf(child);
}

/** The questions a template asks, each once, in their order. */
export function questionsOf(title: string, body: BodyJson): string[] {
  const known = new Set<string>(KNOWN_PLACEHOLDERS);
  const names = [title, ...textsOf(body)].flatMap(placeholdersIn);
  return [...new Set(names)].filter((name) => !known.has(name));
}

/** A text with its placeholders filled in. What has no value stays as it is written, and so does what is no template. */
export const fillText = (text: string, values: PlaceholderValues): string =>
  spansOf(text)
    ?.map(({ type, value }) =>
      type === 'text' || !Object.hasOwn(values, value) ? (type === 'text' ? value : `{{${value}}}`) : values[value]!,
    )
    .join('') ?? text;

/** The body of a page made from a template: placeholders filled in, ids of its own computed from the page's. */
export function fillBody(template: BodyJson, pageId: string, values: PlaceholderValues): BodyJson {
  const ids = template.content.map((node) => String(node.attrs?.id));
  const copy = withIds(template, new Map(ids.map((id) => [id, namedId(pageId, id)])));
  const fill = (node: NodeJson): NodeJson => ({
    ...node,
    ...(node.text !== undefined && { text: fillText(node.text, values) }),
    ...(node.content && {
      // An answer may be empty, and a text may not.
      content: node.content.map(fill).filter((child) => child.type !== 'text' || child.text !== ''),
    }),
  });
  const { kinds, fields } = besideOf(copy);
  const filled = Object.entries(fields).map(([field, content]): [string, Content] => [
    field,
    content.text ? { ...content, text: fillText(content.text, values) } : content,
  ]);
  return withBeside({ type: 'doc', content: copy.content.map(fill) }, { kinds, fields: Object.fromEntries(filled) });
}

const LAST_NUMBER = /(\d+)(\D*)$/u;

/** The running number in a title: the last there is. */
export function numberIn(title: string): number | null {
  const match = LAST_NUMBER.exec(title);
  return match && match[1]!.length < 10 ? Number(match[1]) : null;
}

/** The title of the next in a series: the last number counted up, its leading zeros kept; 2 where there is none. */
export function nextTitle(title: string): string {
  const match = LAST_NUMBER.exec(title);
  if (!match || match[1]!.length >= 10) return `${title.trim()} 2`.trim();
  const next = String(Number(match[1]) + 1).padStart(match[1]!.length, '0');
  return `${title.slice(0, match.index)}${next}${match[2]}`;
}

/** The number a template's next page gets: one more than the highest of those made from it. */
export const nextNumber = (titlesMade: readonly string[]): number =>
  Math.max(0, ...titlesMade.map((title) => numberIn(title) ?? 0)) + 1;

/** A template, with the titles of the pages that were made from it. */
export interface Template {
  title: string;
  content: readonly NodeJson[];
  /** The kinds it is of, and what it holds of their fields. */
  beside?: Beside;
  made: readonly string[];
}

/** A page that is made from a template: what it is called, if it was said, and where it stands. */
export interface PageFromTemplate {
  id: string;
  name: string;
  place: string;
}

/** What a page made from a template begins with. A title that was given stands for the template's own. */
export function fillTemplate(
  template: Template,
  page: PageFromTemplate,
  { date, time, answers }: TemplateUse,
): { title: string; body: BodyJson } {
  const known = { ...answers, date, time, place: page.place, number: String(nextNumber(template.made)) };
  const isNamed = page.name.trim() !== '';
  const isTitleFilled = placeholdersIn(template.title).length > 0;
  const title = isNamed ? page.name : isTitleFilled ? fillText(template.title, { ...known, title: '' }).trim() : '';
  const body = withBeside({ type: 'doc', content: [...template.content] }, template.beside ?? NOTHING_BESIDE);
  return { title, body: fillBody(body, page.id, { ...known, title }) };
}
