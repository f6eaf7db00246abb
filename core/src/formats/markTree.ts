import type { MarkJson, NodeJson } from '../document/types';

/** Inline content as formats nest it: a mark around others, or a leaf. */
export type MarkTree = { mark: MarkJson; children: MarkTree[] } | { leaf: NodeJson };

/** From the outermost to the innermost. */
const ORDER = ['webLink', 'highlight', 'underline', 'bold', 'italic', 'strike', 'code'];

const sameMark = (one: MarkJson, other: MarkJson): boolean =>
  one.type === other.type && JSON.stringify(one.attrs ?? {}) === JSON.stringify(other.attrs ?? {});

/** Nests the marks of a line: neighbours that share a mark stand in it together. */
export const markTree = (line: readonly NodeJson[]): MarkTree[] => treeOf(line.map(plainLeaf), []);

/** A link to a page can't stand within a web link, and a line's end wears no style (docs/formats.md). */
function plainLeaf(leaf: NodeJson): NodeJson {
  if (!leaf.marks) return leaf;
  if (leaf.type === 'hardBreak') return { type: 'hardBreak' };
  if (leaf.type !== 'pageLink') return leaf;
  return { ...leaf, marks: leaf.marks.filter(({ type }) => type !== 'webLink') };
}

function treeOf(leaves: readonly NodeJson[], around: readonly string[]): MarkTree[] {
  const tree: MarkTree[] = [];
  let index = 0;
  while (index < leaves.length) {
    const mark = outermost(leaves[index]!, around);
    if (!mark) {
      tree.push({ leaf: leaves[index]! });
      index += 1;
      continue;
    }
    let end = index + 1;
    while (end < leaves.length && leaves[end]!.marks?.some((each) => sameMark(each, mark))) end += 1;
    tree.push({ mark, children: treeOf(leaves.slice(index, end), [...around, mark.type]) });
    index = end;
  }
  return tree;
}

function outermost({ marks }: NodeJson, around: readonly string[]): MarkJson | undefined {
  if (!marks) return undefined;
  const wanted = ORDER.find((type) => !around.includes(type) && marks.some((mark) => mark.type === type));
  return marks.find(({ type }) => type === wanted);
}

/** The schema's own order, in which the marks of a node are kept. */
const SCHEMA_ORDER = ['bold', 'italic', 'underline', 'strike', 'code', 'highlight', 'webLink'];
/** What a code mark does not go with. */
const NOT_WITH_CODE = new Set(['bold', 'italic', 'underline', 'strike', 'highlight']);

/** Marks as the schema keeps them: each once, in its order, and none that the others shut out. */
export function orderedMarks(marks: readonly MarkJson[]): MarkJson[] {
  const isCode = marks.some(({ type }) => type === 'code');
  return SCHEMA_ORDER.flatMap((type) => marks.findLast((mark) => mark.type === type) ?? []).filter(
    ({ type }) => !isCode || !NOT_WITH_CODE.has(type),
  );
}

/** Inline content in its one form: no empty text, and neighbours of the same marks joined. */
export function joinedText(nodes: readonly NodeJson[]): NodeJson[] {
  const joined: NodeJson[] = [];
  for (const node of nodes) {
    const last = joined.at(-1);
    if (node.type === 'text' && !node.text) continue;
    const isSame = JSON.stringify(last?.marks ?? []) === JSON.stringify(node.marks ?? []);
    if (node.type === 'text' && last?.type === 'text' && isSame) {
      joined[joined.length - 1] = { ...last, text: `${last.text}${node.text}` };
    } else joined.push(node);
  }
  return joined;
}
