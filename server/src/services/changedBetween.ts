import type { BodyFacts } from '@glossarion/core/document';
import type { Changed } from '@glossarion/core/notices';

/** A page as others know it. */
interface TitledFacts {
  title: string;
  facts: BodyFacts;
}

/** What others show of a page that has become another, and have to ask for again. */
export function changedBetween(before: TitledFacts, now: TitledFacts): Changed[] {
  const changed: Changed[] = [];
  const isNamedByWords = now.title === '' && before.facts.firstWords !== now.facts.firstWords;
  if (before.title !== now.title || isEmpty(before.facts) !== isEmpty(now.facts) || isNamedByWords) {
    changed.push('title', 'outline');
  }
  const isSaidOtherwise = fieldKey(before.facts) !== fieldKey(now.facts);
  if (linkKey(before.facts) !== linkKey(now.facts) || isSaidOtherwise) changed.push('links');
  if (taskKey(before.facts) !== taskKey(now.facts)) changed.push('tasks');
  if (kindKey(before.facts) !== kindKey(now.facts)) changed.push('kinds');
  if (isWrittenOtherwise(before.facts.blocks, now.facts.blocks)) changed.push('words');
  return changed;
}

/** Whether any line says something else; what was not changed is the same object still. */
const isWrittenOtherwise = (before: BodyFacts['blocks'], now: BodyFacts['blocks']): boolean =>
  before.length !== now.length ||
  now.some(({ node, words }, index) => node !== before[index]!.node && words !== before[index]!.words);

/** What a page is. */
const kindKey = ({ kinds }: BodyFacts): string => (kinds.length === 0 ? '' : JSON.stringify(kinds));

/** What it says in fields. */
const fieldKey = ({ fieldValues }: BodyFacts): string => (fieldValues.length === 0 ? '' : JSON.stringify(fieldValues));

const isEmpty = (facts: BodyFacts): boolean => facts.wordCount === 0 && facts.firstWords === '';

/** What the links of a page lead to and which tags its lines wear, as it was and as it is. */
export const linkedBetween = (before: TitledFacts, now: TitledFacts): string[] => [
  ...new Set([before, now].flatMap(({ facts }) => namedBy(facts))),
];

const namedBy = ({ links, tags }: BodyFacts): string[] => [
  ...links.map(({ target }) => target),
  ...tags.map(({ tag }) => tag),
];

/**
 * All of a page that other pages' Margins and the pages of tags show: lines with links or tags, what stands beneath them,
 * and what they stand beneath.
 */
function linkKey(facts: BodyFacts): string {
  if (facts.links.length === 0 && facts.tags.length === 0) return '';
  const shown = new Set([...facts.links, ...facts.tags].map(({ blockId }) => blockId));
  // Those above come before those beneath, so that one way down and one way up meet all of them.
  for (const { id, parentId } of facts.blocks) if (parentId !== null && shown.has(parentId)) shown.add(id);
  const above = new Set<string>();
  for (const { id, parentId, headingId } of [...facts.blocks].reverse()) {
    if (!shown.has(id) && !above.has(id)) continue;
    if (parentId !== null) above.add(parentId);
    if (headingId !== null) above.add(headingId);
  }
  const blocks = facts.blocks.filter(({ id }) => shown.has(id) || above.has(id));
  const tasks = facts.tasks.filter(({ blockId }) => shown.has(blockId));
  return JSON.stringify([facts.links, facts.tags, tasks, blocks.map(({ id, words, state }) => [id, words, state])]);
}

/** All of a page that lists of tasks show: its tasks with their words, and what stands beneath them. */
function taskKey({ tasks, blocks }: BodyFacts): string {
  if (tasks.length === 0) return '';
  const shown = new Set(tasks.map(({ blockId }) => blockId));
  for (const { id, parentId } of blocks) if (parentId !== null && shown.has(parentId)) shown.add(id);
  return JSON.stringify([tasks, blocks.filter(({ id }) => shown.has(id)).map(({ id, words }) => [id, words])]);
}
