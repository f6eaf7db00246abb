import { oneOf, PLACE, someIds, yes, type Attributes } from '../attributes';
import type { NodeJson } from '../types';
import { SOLID_KINDS, TEXT_KINDS } from './all';
import type { Kind, SolidKind, TextKind } from './kind';

export {
  OVERVIEW_LEVELS,
  OVERVIEW_SUBJECTS,
  overviewOf,
  type OverviewAttributes,
  type OverviewSubject,
} from './overview';
export { levelOf, toldLevels } from './heading';
export {
  foundListOf,
  LISTED,
  LISTED_ORDERS,
  MOST_LISTED,
  type FoundListAttributes,
  type Listed,
  type ListedOrder,
} from './found';
export { LOG_ORDERS, LOG_SPANS, logOf, type LogAttributes, type LogOrder, type LogSpan } from './log';
export type * from './kind';
export { element, htmlText, orNone } from './kind';
export { MAX_DONE_DAYS, stateOfBox } from './todo';
export { paragraphOf, solidBlock } from './made';
export { SOLID_KINDS, TEXT_KINDS };

const byName = <T extends Kind>(kinds: readonly T[]): ReadonlyMap<string, T> =>
  new Map(kinds.map((kind) => [kind.name, kind]));

const texts = byName(TEXT_KINDS);
const solids = byName(SOLID_KINDS);

/** What a line is of which nothing is said. */
export const PLAIN = TEXT_KINDS[0]!.name;

/** The kind of a block: of a text block what it says, of any other its node. */
export const kindOf = ({ type, attrs }: NodeJson): string => (type === 'block' ? String(attrs?.kind ?? PLAIN) : type);

export const textKind = (name: string): TextKind | undefined => texts.get(name);

/** The kind of a text block; undefined for any other. */
export const textKindOf = (node: NodeJson): TextKind | undefined =>
  node.type === 'block' ? texts.get(kindOf(node)) : undefined;

/** The kind of a block that is no text; undefined for any other, and for what stands within blocks. */
export const solidKindOf = ({ type }: NodeJson): SolidKind | undefined => solids.get(type);

/** How deep a block stands; 0 at the outermost level. */
export const depthOf = ({ attrs }: NodeJson): number => Number(attrs?.depth ?? 0);

/** The lasting id of a block. */
export const idOf = ({ attrs }: NodeJson): string => String(attrs?.id);

export const isHeading = (node: NodeJson): boolean => kindOf(node) === 'heading';

/** Whether a block is an item of a list. */
export const isItem = (node: NodeJson): boolean => textKindOf(node)?.list !== undefined;

/** What kinds of text say of themselves, all in one: they share a node. */
export const OF_TEXT: Attributes = Object.assign(
  {},
  ...TEXT_KINDS.map(({ attributes = {} }) => attributes),
) as Attributes;

/** What a text block says of itself. */
export const BLOCK_ATTRIBUTES: Attributes = {
  ...PLACE,
  kind: oneOf(
    TEXT_KINDS.map(({ name }) => name),
    PLAIN,
  ),
  ...OF_TEXT,
  /** Ids of blocks that were joined into this one: links to them lead here. */
  formerIds: someIds({ written: 'former', holdsIds: false, isOfOne: true }),
  /** Said of a line that was deleted in one window while it was written in another, and was kept. */
  kept: yes,
};

/** What is said of one very block and of no copy of it, unsaid. */
const UNSAID = Object.fromEntries(
  Object.entries(BLOCK_ATTRIBUTES).flatMap(([name, { isOfOne, default: fallback }]) =>
    isOfOne ? [[name, fallback]] : [],
  ),
);

/** The attributes of a copy of a block, all but its id. */
export const attributesOfCopy = (attrs: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(attrs).map(([name, value]) => [name, name in UNSAID ? UNSAID[name] : value]));

/** What each attribute of text says where a kind has none of it: asked for with every line that is made. */
const FALLBACKS = Object.entries(OF_TEXT).map(([name, { default: fallback }]) => [name, fallback] as const);

/**
 * What a text block says of itself when it becomes one of a kind: of what is given, what its kind has; what a new one
 * says where nothing is given; the default for what other kinds have.
 *
 * @throws Error when there is no such kind
 */
export function textAttributes(name: string, given: Readonly<Record<string, unknown>> = {}): Record<string, unknown> {
  const kind = texts.get(name);
  if (!kind) throw new Error(`There is no kind of text named ${name}.`);
  const own = kind.attributes ?? {};
  const attrs: Record<string, unknown> = { kind: name };
  for (const [key, fallback] of FALLBACKS) {
    attrs[key] = key in own ? (given[key] ?? kind.begins?.[key] ?? fallback) : fallback;
  }
  return attrs;
}
