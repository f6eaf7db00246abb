import { shownWords, type NodeJson } from '../../document';
import type { SitePage } from './types';

/** A page as the site finds it: its file, its title, where it stands, and its lines with their anchors. */
export type FoundPage = [path: string, title: string, trail: string, lines: [anchor: string, words: string][]];

/** What of a page is found by its words. */
export function wordsOfPage({ path, title, trail, otherNames, fields, body, named }: SitePage): FoundPage {
  const titleOf = (id: string): string => named[id]?.title ?? '';
  const lines = body.content.flatMap((node: NodeJson): [string, string][] => {
    const words = shownWords(node, titleOf, '\n').replaceAll(/\s+/gu, ' ').trim();
    return words === '' ? [] : [[String(node.attrs?.id ?? ''), words]];
  });
  const beside = [...otherNames, ...fields.map(({ name, words }) => `${name} ${words}`)];
  return [
    path,
    title,
    trail.map((each) => each.title).join(' / '),
    [...beside.map((words): [string, string] => ['', words]), ...lines],
  ];
}
