import { bodyFacts, shownWords } from '../document';
import { demoPages } from '../testing/demoNotes';
import type { Rarity } from '../find';
import { kinOf, stemsOf, type KinPage } from './kin';
import { labelledKin } from './labelled';

/** All pages and days of the demo notes as likeness sees them. */
function demoKin() {
  const { pages } = demoPages();
  const titles = new Map(pages.map(({ id, name }) => [id, name]));
  const facts = new Map(pages.map((page) => [page.id, bodyFacts(page.body)]));
  const blockPage = new Map(pages.flatMap(({ id }) => facts.get(id)!.blocks.map((block) => [block.id, id])));
  const links = new Map<string, Set<string>>(pages.map(({ id }) => [id, new Set()]));
  for (const { id } of pages) {
    for (const { target } of facts.get(id)!.links) {
      const other = blockPage.get(target) ?? target;
      links.get(id)!.add(other);
      links.get(other)?.add(id);
    }
  }
  const tags = new Set([...facts.values()].flatMap((each) => each.tags.map(({ tag }) => tag)));
  const linkedTitle = (id: string) => {
    const title = titles.get(blockPage.get(id) ?? id);
    if (typeof title === 'string') return title;
    // The id of a tag is its name here.
    return tags.has(id) ? id : '';
  };
  const kin = pages.map((page): KinPage & { section: string } => ({
    id: page.id,
    section: page.section,
    title: typeof page.name === 'string' ? page.name : '',
    words: page.body.content.map((node) => shownWords(node, linkedTitle)).join('\n'),
    links: [...links.get(page.id)!],
    tags: [...new Set(facts.get(page.id)!.tags.map(({ tag }) => tag))],
  }));
  const count = (keysOf: (page: KinPage) => Iterable<string>) => {
    const counts = new Map<string, number>();
    for (const page of kin) for (const key of new Set(keysOf(page))) counts.set(key, (counts.get(key) ?? 0) + 1);
    return (key: string) => counts.get(key) ?? 0;
  };
  const rarity: Rarity = {
    pages: kin.length,
    ofWord: count((page) => stemsOf(page).counts.keys()),
    ofLink: count((page) => page.links),
    ofTag: count((page) => page.tags),
  };
  return { kin, rarity };
}

test('the page a careful reader calls most alike is among the first three for nine of ten', () => {
  const { kin, rarity } = demoKin();
  const pages = kin.filter((page) => page.title !== '');
  const rows = labelledKin.map(({ page: title, nearest, in: section }) => {
    const page = pages.find((each) => each.title === title)!;
    const unlinked = pages.filter((each) => !page.links.includes(each.id));
    const wanted = unlinked.find((each) => each.title === nearest && (!section || each.section === section));
    const found = kinOf(page, unlinked, rarity, 3);
    const shown = found.map(
      ({ id, likeness }) => `${kin.find((each) => each.id === id)!.title} ${likeness.toFixed(2)}`,
    );
    return { title, wanted, isThere: found.some(({ id }) => id === wanted?.id), shown: shown.join(', ') };
  });
  expect(rows.filter(({ wanted }) => !wanted).map(({ title }) => title)).toEqual([]);
  const agreeing = rows.filter(({ isThere }) => isThere).length;
  process.stdout.write(
    rows.map(({ title, isThere, shown }) => `${isThere ? '  ' : '✗ '}${title}: ${shown}\n`).join('') +
      `${agreeing} of ${rows.length} as a careful reader\n`,
  );
  expect(rows.length).toBeGreaterThanOrEqual(10);
  expect(agreeing / rows.length).toBeGreaterThanOrEqual(0.9);
});

const rarity: Rarity = { pages: 100, ofWord: (stem) => (stem === 'mill' ? 90 : 2), ofLink: () => 2, ofTag: () => 2 };
const page = (id: string, words: string, links: string[] = []): KinPage => ({ id, title: '', words, links, tags: [] });

test('rare common words and common links make pages alike, and say why', () => {
  const own = page('a', 'The mill hornbeam cogs wear', ['tomas']);
  const found = kinOf(
    own,
    [page('b', 'Hornbeam for cogs'), page('c', 'The mill has a mill'), page('d', 'Beans', ['tomas'])],
    rarity,
    5,
  );
  expect(found[0]!.id).toBe('b');
  expect(found[0]!.words.sort()).toEqual(['cogs', 'hornbeam']);
  expect(found.find(({ id }) => id === 'd')!.links).toEqual(['tomas']);
});

test('likeness goes both ways, and nothing in common is no kin', () => {
  const [one, other] = [page('a', 'oak moisture meter'), page('b', 'the meter reads oak wet')];
  const there = kinOf(one, [other], rarity, 1)[0]!.likeness;
  expect(kinOf(other, [one], rarity, 1)[0]!.likeness).toBeCloseTo(there, 12);
  expect(kinOf(one, [page('c', 'quince cheese')], rarity, 3)).toEqual([]);
});
