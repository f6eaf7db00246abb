import { shownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { targetOf } from '../../state/store';
import { HEAD, type Gloss, type MarginPage, type MarginStack } from '@glossarion/core/margin';

/** The lines of a page in their order, and which of them those were joined to that are gone. */
export interface PageLines {
  order: ReadonlyMap<string, number>;
  joinedTo: ReadonlyMap<string, string>;
}

/** A stack beside a line that is shown. */
export interface ShownStack extends MarginStack {
  /** The line's id, or HEAD. */
  key: string;
  /** The beginning of its line; nothing for the head. */
  lineWords: string;
  /** Those of its glosses that were read, the first of all. */
  glosses: Gloss[];
}

/** A gloss that is written in, and the stack it stands in meanwhile. */
export interface HeldGloss {
  gloss: string;
  stack: string;
  /** The glosses of that stack as they stand: what comes meanwhile stands after them. */
  order: readonly string[];
}

/** Of all lines that point here, none has another's. */
export const glossKey = (gloss: Gloss): string => `${gloss.pageId}/${gloss.blockId}`;

const LINE_WORDS = 60;

export function linesOf(body: BodyJson | null): PageLines {
  const order = new Map<string, number>();
  const joinedTo = new Map<string, string>();
  for (const [place, { attrs }] of (body?.content ?? []).entries()) {
    const id = String(attrs?.id);
    order.set(id, place);
    for (const former of String(attrs?.formerIds ?? '').split(' ')) if (former) joinedTo.set(former, id);
  }
  return { order, joinedTo };
}

export const isSameLines = (one: PageLines, other: PageLines): boolean =>
  isSameMap(one.order, other.order) && isSameMap(one.joinedTo, other.joinedTo);

const isSameMap = <T>(one: ReadonlyMap<string, T>, other: ReadonlyMap<string, T>): boolean =>
  one.size === other.size && [...one].every(([key, value]) => other.get(key) === value);

/**
 * The stacks of a Margin beside the lines as they are here: what the server knew of the text may be older. What stood
 * beside a line that is gone stands beside the one it was joined to, else at the head.
 *
 * @param held one that is written in: it stays where it is, whatever it says by now
 */
export function stacksOf(
  page: MarginPage | undefined,
  lines: PageLines,
  body: BodyJson | null,
  held: HeldGloss | null = null,
): ShownStack[] {
  if (!page || page.stacks.length === 0) return [];
  const here = (lineId: string | null): string | null => {
    if (lineId === null || lines.order.has(lineId)) return lineId;
    return lines.joinedTo.get(lineId) ?? null;
  };
  const stacks = new Map<string, ShownStack>();
  const add = ({ count, pigments, firstWords }: Omit<MarginStack, 'lineId'>, lineId: string | null): ShownStack => {
    const key = lineId ?? HEAD;
    const known = stacks.get(key);
    const stack: ShownStack = {
      key,
      lineId,
      pigments: [...new Set([...(known?.pigments ?? []), ...pigments])].slice(0, 3),
      lineWords: known?.lineWords ?? wordsOf(body, lines, lineId),
      count: count + (known?.count ?? 0),
      firstWords: known?.firstWords ?? firstWords,
      glosses: known?.glosses ?? [],
    };
    stacks.set(key, stack);
    return stack;
  };
  for (const stack of page.stacks) add(stack, here(stack.lineId));
  for (const gloss of page.glosses) {
    const placed = here(gloss.lineId);
    const lineId = held?.gloss === glossKey(gloss) ? here(held.stack === HEAD ? null : held.stack) : placed;
    const stack = stacks.get(placed ?? HEAD);
    if (lineId === placed || !stack) stack?.glosses.push(gloss);
    else {
      stack.count -= 1;
      add({ count: 1, pigments: [gloss.pigment], firstWords: lineWordsOf(gloss.node) }, lineId).glosses.push(gloss);
    }
  }
  if (held) {
    const order = new Map(held.order.map((key, index) => [key, index]));
    const at = (gloss: Gloss) => order.get(glossKey(gloss)) ?? order.size;
    stacks
      .get(here(held.stack === HEAD ? null : held.stack) ?? HEAD)
      ?.glosses.sort((one, other) => at(one) - at(other));
  }
  const place = ({ lineId }: ShownStack) => (lineId === null ? -1 : lines.order.get(lineId)!);
  return [...stacks.values()].filter(({ count }) => count > 0).sort((one, other) => place(one) - place(other));
}

/** A line as it is read, the pages it links to by their titles. */
export const lineWordsOf = (node: NodeJson): string => shownWords(node, (id) => targetOf(id)?.title ?? '').trim();

function wordsOf(body: BodyJson | null, { order }: PageLines, lineId: string | null): string {
  const node = lineId === null ? undefined : body?.content[order.get(lineId)!];
  const words = node ? lineWordsOf(node) : '';
  if (words.length <= LINE_WORDS) return words;
  const cut = words.slice(0, LINE_WORDS);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), LINE_WORDS / 2)).trimEnd()}…`;
}

/** The id of the element that holds a stack: its line points there. */
export const stackId = (key: string): string => `stack-${key}`;

/** What all of a stack speaks to, in words. */
export const besideWords = ({ lineId, lineWords }: Pick<ShownStack, 'lineId' | 'lineWords'>): string =>
  lineId === null ? 'beside the title' : `beside “${lineWords}”`;
