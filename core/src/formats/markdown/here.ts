import type { NodeJson } from '../../document/types';
import type { ReadFile } from './readFile';

/** A page that has the id of a file, as it is here. */
export interface PageHere {
  title: string;
  /** ISO 8601. */
  changedAt: string;
  content: readonly NodeJson[];
}

/** What a file is beside a page of the same id: the same, an earlier state of it, or something else. */
export type Beside = 'same' | 'earlier' | 'other';

/** The words of each line by its id, without what links and tags show, which a file says otherwise. */
function linesOf(content: readonly NodeJson[]): string {
  const words = (node: NodeJson): string =>
    node.type === 'text' ? (node.text ?? '') : (node.content ?? []).map(words).join(' ');
  return JSON.stringify(
    content.map((node) => [node.type, node.attrs?.id, words(node).replaceAll(/\s+/gu, ' ').trim()]),
  );
}

/** What is done with a page that is here already, with other words than a file has. */
export const PRESENT_CHOICES = ['leave', 'renew', 'both'] as const;
export type PresentChoice = (typeof PRESENT_CHOICES)[number];

/** A page that is here already with other words than a file has. */
export interface PresentPage {
  path: string;
  title: string;
  /** Whether it is the same by its id, or by its title in the same place. */
  by: 'id' | 'title';
}

const WITHOUT_IDS = /"[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}"/gu;

/** Whether a file has the very lines that a page has, whatever their ids. */
export const hasSameWords = ({ blocks }: Pick<ReadFile, 'blocks'>, here: PageHere): boolean => {
  const said = JSON.parse(blocks) as NodeJson[];
  // A page without a line has an empty one.
  const filled = (content: readonly NodeJson[]) =>
    content.filter(({ content: words = [] }, index) => index > 0 || words.length > 0);
  return (
    linesOf(filled(said)).replaceAll(WITHOUT_IDS, '') === linesOf(filled(here.content)).replaceAll(WITHOUT_IDS, '')
  );
};

export function besideHere({ front, blocks }: ReadFile, title: string, here: PageHere): Beside {
  const isSame = title === here.title && linesOf(JSON.parse(blocks) as NodeJson[]) === linesOf(here.content);
  if (isSame) return 'same';
  return front.changed !== undefined && here.changedAt > front.changed ? 'earlier' : 'other';
}
