import { bodyFacts, shownWords, type NodeJson } from '../document';
import type { Rarity } from '../find/rarity';
import { tellingWords } from '../find/telling';
import { marginLine, wordsAround, type MarginReference, type MarginSubject } from '../margin/placing';
import type { Judged } from '../margin/placing/judged';
import { demoPages, type DemoPage } from './demoNotes';

/** A judged gloss with all that placing reads of it; `reference` is undefined when it does not stand in the notes. */
export interface JudgedCase extends Judged {
  subject: MarginSubject;
  reference: MarginReference | undefined;
  /** The lines of the page as they read, by id. */
  shown: ReadonlyMap<string, string>;
}

const { pages, titleOf } = demoPages();
const factsOf = new Map(pages.map((page) => [page.id, bodyFacts(page.body)]));

/** A day has no title of its own. */
const title = ({ name }: DemoPage): string => (typeof name === 'string' ? name : '');

/** How many pages of the demo notes hold what. */
export const demoRarity: Rarity = (() => {
  const counts = { word: new Map<string, number>(), link: new Map<string, number>(), tag: new Map<string, number>() };
  const count = (of: Map<string, number>, keys: Iterable<string>) => {
    for (const key of new Set(keys)) of.set(key, (of.get(key) ?? 0) + 1);
  };
  for (const page of pages) {
    const facts = factsOf.get(page.id)!;
    const words = page.body.content.map((node) => shownWords(node, titleOf)).join('\n');
    count(counts.word, tellingWords(`${title(page)}\n${words}`));
    count(
      counts.link,
      facts.links.map(({ target }) => target),
    );
    count(
      counts.tag,
      facts.tags.flatMap(({ tag }) => tag ?? []),
    );
  }
  return {
    pages: pages.length,
    ofWord: (stem) => counts.word.get(stem) ?? 0,
    ofLink: (id) => counts.link.get(id) ?? 0,
    ofTag: (tag) => counts.tag.get(tag) ?? 0,
  };
})();

/** The lines of a page that link to another, as its Margin has them: each with what stands beneath it. */
function referencesIn(source: DemoPage, subject: DemoPage): (MarginReference & { shown: string })[] {
  const { content } = source.body;
  const { blocks, links } = factsOf.get(source.id)!;
  const linking = new Set(links.filter(({ target }) => target === subject.id).map(({ blockId }) => blockId));
  return blocks.flatMap(({ id, depth, headingId }, place) => {
    if (!linking.has(id)) return [];
    const next = blocks.findIndex((block, index) => index > place && block.depth <= depth);
    const nodes = content.slice(place, next < 0 ? undefined : next);
    const around = {
      before: content[place - 1] ?? null,
      after: content[place + 1] ?? null,
      heading: content.find(({ attrs }) => attrs?.id === headingId) ?? null,
    };
    return [
      {
        ...marginLine(subject.id, nodes, titleOf),
        targetBlockId: null,
        pageId: source.id,
        title: title(source),
        around: typeof source.name === 'number' ? '' : wordsAround(subject.id, around, titleOf),
        shown: shownWords(nodes[0]!, titleOf),
      },
    ];
  });
}

const subjectOf = (page: DemoPage): MarginSubject => ({
  id: page.id,
  title: title(page),
  lines: page.body.content.map((node) => marginLine(page.id, [node], titleOf)),
});

const idOf = (node: NodeJson) => String(node.attrs?.id);

export function judgedCase(each: Judged): JudgedCase {
  const page = pages.find(({ name }) => name === each.page)!;
  const reference = pages
    .filter(({ name }) => name === each.from)
    .flatMap((source) => referencesIn(source, page))
    .find(({ shown }) => shown.startsWith(each.gloss));
  const shown = new Map(page.body.content.map((node) => [idOf(node), shownWords(node, titleOf)]));
  return { ...each, subject: subjectOf(page), reference, shown };
}

/**
 * The half that a page's glosses belong to: every other page in the order in which they were judged, so that what is
 * learnt of a page is not tried on it.
 */
export function halfOf(all: readonly Judged[]): (each: Judged) => 'tuned' | 'held' {
  const order = [...new Set(all.map(({ page }) => page))];
  return ({ page }) => (order.indexOf(page) % 2 === 0 ? 'tuned' : 'held');
}
