import fc from 'fast-check';
import { times } from '../testing';
import { contentsRows, type ListedEntry } from './contents';
import { dropPlace, dropZone, stepPlace } from './drop';
import { mayHold, type EntryKind } from './entry';
import { ordersAfter } from './order';
import { PlaceError, planPlace, type Outline, type Place, type PlacedEntry } from './place';
import { carriedSeason } from './season';

/** An outline in memory, as the server's tables are one on disk. */
class MemoryOutline implements Outline {
  constructor(readonly entries: Map<string, PlacedEntry>) {}

  children = (parentId: string | null): PlacedEntry[] =>
    [...this.entries.values()]
      .filter((entry) => entry.parentId === parentId)
      .sort((one, other) => (one.orderKey < other.orderKey ? -1 : 1));

  entry = (id: string) => this.entries.get(id);
  lastKey = (parentId: string | null) => this.children(parentId).at(-1)?.orderKey ?? null;
  keyAfter = (parentId: string | null, orderKey: string | null) =>
    this.children(parentId).find((entry) => orderKey === null || entry.orderKey > orderKey)?.orderKey ?? null;

  /** Moves an entry; false when the move is refused. */
  move(id: string, place: Place): boolean {
    const moved = this.entries.get(id)!;
    try {
      this.entries.set(id, { ...moved, ...planPlace(this, moved, place) });
      return true;
    } catch (error) {
      if (error instanceof PlaceError) return false;
      throw error;
    }
  }

  order = (parentId: string | null): string[] => this.children(parentId).map((entry) => entry.id);

  /** Ids that can be reached from the top, each as often as it is reached; stops at a depth no tree here has. */
  reached(): string[] {
    const walk = (parentId: string | null, depth: number): string[] =>
      depth > 200 ? [] : this.order(parentId).flatMap((id) => [id, ...walk(id, depth + 1)]);
    return walk(null, 0);
  }
}

/** Random trees: two notebooks, and entries that each stand in one made before that may hold them. */
const arbitraryTree = fc
  .array(fc.record({ kind: fc.constantFrom<EntryKind>('section', 'page', 'page'), holder: fc.nat() }), {
    minLength: 3,
    maxLength: 18,
  })
  .map((wishes) => {
    const made: Omit<PlacedEntry, 'orderKey'>[] = ['n0', 'n1'].map((id) => ({ id, kind: 'notebook', parentId: null }));
    wishes.forEach(({ kind, holder }, index) => {
      const holders = made.filter((each) => mayHold(each.kind, kind));
      made.push({ id: `e${index}`, kind, parentId: holders[holder % holders.length]!.id });
    });
    const entries = new Map<string, PlacedEntry>();
    for (const parentId of [null, ...made.map((each) => each.id)]) {
      const children = made.filter((each) => each.parentId === parentId);
      const keys = ordersAfter(null, children.length);
      children.forEach((child, index) => entries.set(child.id, { ...child, orderKey: keys[index]! }));
    }
    return entries;
  });

/** Moves by two windows, chosen blindly: of anything to anywhere, as each window saw it a while ago. */
const arbitraryMoves = fc.array(
  fc.record({
    moved: fc.nat(),
    parent: fc.nat(),
    after: fc.option(fc.nat(), { nil: null }),
    isLast: fc.boolean(),
  }),
  { maxLength: 24 },
);

test('moves of two windows in any order leave one tree: no cycle, nothing lost, all else in its order', () => {
  fc.assert(
    fc.property(arbitraryTree, arbitraryMoves, (entries, moves) => {
      const outline = new MemoryOutline(entries);
      const ids = [...entries.keys()];
      for (const wish of moves) {
        const id = ids[wish.moved % ids.length]!;
        const parentId = ids[wish.parent % ids.length]!;
        const afterId = wish.isLast ? undefined : wish.after === null ? null : ids[wish.after % ids.length]!;
        const before = new Map(ids.map((each) => [each, outline.order(each).filter((child) => child !== id)]));
        const isMoved = outline.move(id, { parentId, afterId });
        for (const each of ids) {
          expect(outline.order(each).filter((child) => child !== id)).toEqual(before.get(each));
        }
        if (!isMoved) continue;
        const siblings = outline.order(parentId);
        expect(siblings).toContain(id);
        if (afterId === null) expect(siblings[0]).toBe(id);
        if (afterId === undefined) expect(siblings.at(-1)).toBe(id);
        const isBeside = typeof afterId === 'string' && afterId !== id && siblings.includes(afterId);
        if (isBeside) expect(siblings[siblings.indexOf(afterId) + 1]).toBe(id);
      }
      expect(outline.reached().sort()).toEqual([...ids].sort());
      for (const entry of outline.entries.values()) {
        expect(mayHold(outline.entry(entry.parentId ?? '')?.kind ?? null, entry.kind)).toBe(true);
      }
    }),
    { numRuns: times(3000) },
  );
});

test('a move is taken back to the very spot by its old place', () => {
  fc.assert(
    fc.property(arbitraryTree, fc.nat(), fc.nat(), (entries, movedAt, parentAt) => {
      const outline = new MemoryOutline(entries);
      const ids = [...entries.keys()];
      const orders = () => JSON.stringify([null, ...ids].map((id) => outline.order(id)));
      const before = orders();
      const moved = outline.entry(ids[movedAt % ids.length]!)!;
      if (!outline.move(moved.id, { parentId: ids[parentAt % ids.length]! })) return;
      outline.entries.set(moved.id, moved);
      expect(orders()).toBe(before);
    }),
  );
});

test('a place that would break the outline is refused with a sentence', () => {
  const keys = ordersAfter(null, 3);
  const entries: PlacedEntry[] = [
    { id: 'n', kind: 'notebook', parentId: null, orderKey: keys[0]! },
    { id: 's', kind: 'section', parentId: 'n', orderKey: keys[0]! },
    { id: 't', kind: 'section', parentId: 's', orderKey: keys[0]! },
    { id: 'p', kind: 'page', parentId: 't', orderKey: keys[0]! },
  ];
  const outline = new MemoryOutline(new Map(entries.map((entry) => [entry.id, entry])));
  const moving = (id: string, place: Place) => () => planPlace(outline, outline.entry(id)!, place);
  expect(moving('s', { parentId: 't' })).toThrow('can’t be moved into itself');
  expect(moving('s', { parentId: 's' })).toThrow('can’t be moved into itself');
  expect(moving('s', { parentId: 'p' })).toThrow('A section can’t stand in a page.');
  expect(moving('p', { parentId: null })).toThrow('A page can’t stand in no notebook.');
  expect(moving('p', { parentId: 'gone' })).toThrow('not there any more');
});

describe('dropping', () => {
  test('the height over a line tells before, inside and after apart', () => {
    expect([0.1, 0.5, 0.9].map((height) => dropZone('page', 'page', height))).toEqual(['before', 'inside', 'after']);
    expect([0.1, 0.9].map((height) => dropZone('notebook', 'notebook', height))).toEqual(['before', 'after']);
    expect(dropZone('page', 'section', 0.1)).toBe('inside');
    expect(dropZone('section', 'page', 0.1)).toBeNull();
    expect(dropZone('section', 'notebook', 0.9)).toBe('inside');
  });

  const siblings = ['a', 'b', 'c'].map((id) => ({ id, kind: 'page' as const }));
  const page = (id: string, parentId = 's') => ({ id, kind: 'page' as const, parentId });

  test('a zone means a place', () => {
    expect(dropPlace(page('b'), 'before', siblings)).toEqual({ parentId: 's', afterId: 'a' });
    expect(dropPlace(page('a'), 'before', siblings)).toEqual({ parentId: 's', afterId: null });
    expect(dropPlace(page('b'), 'after', siblings)).toEqual({ parentId: 's', afterId: 'b' });
    expect(dropPlace(page('b'), 'inside', siblings)).toEqual({ parentId: 'b' });
  });

  test('steps by keyboard go over neighbours, in and out, and stop at the ends', () => {
    const section = { id: 's', kind: 'section' as const, parentId: 'n' };
    const step = (id: string, by: Parameters<typeof stepPlace>[0]) => stepPlace(by, page(id), siblings, section);
    expect(step('b', 'up')).toEqual({ parentId: 's', afterId: null });
    expect(step('a', 'up')).toBeNull();
    expect(step('a', 'down')).toEqual({ parentId: 's', afterId: 'b' });
    expect(step('c', 'down')).toBeNull();
    expect(step('b', 'in')).toEqual({ parentId: 'a' });
    expect(step('a', 'in')).toBeNull();
    expect(step('b', 'out')).toEqual({ parentId: 'n' });
    expect(stepPlace('out', page('x', 'b'), [], page('b'))).toEqual({ parentId: 's', afterId: 'b' });
    expect(stepPlace('out', section, [section], { id: 'n', kind: 'notebook', parentId: null })).toBeNull();
  });
});

test('what is laid aside above counts more than what is for later', () => {
  expect(carriedSeason(['now', 'later', 'now'])).toBe('later');
  expect(carriedSeason(['aside', 'later'])).toBe('aside');
  expect(carriedSeason([])).toBe('now');
});

describe('setting out a contents', () => {
  const entry = (id: string, kind: EntryKind, parentId: string, changedAt = '2026-11-24'): ListedEntry => ({
    id,
    kind,
    parentId,
    name: id,
    firstWords: '',
    changedAt,
  });
  const lines = (entries: ListedEntry[], order?: 'place' | 'name' | 'date') =>
    contentsRows('n', entries, order).map((row) => `${'  '.repeat(row.depth)}${row.folio} ${row.title}`);

  test('a notebook is set out like a book’s contents, with folio numbers', () => {
    expect(
      lines([
        entry('Waterworks', 'section', 'n'),
        entry('Loose page', 'page', 'n'),
        entry('Wheel', 'section', 'n'),
        entry('Survey', 'page', 'Waterworks'),
        entry('Gates', 'section', 'Waterworks'),
        entry('Sluice', 'page', 'Waterworks'),
        entry('Pintle', 'page', 'Sluice'),
        entry('Drawing', 'page', 'Gates'),
      ]),
    ).toEqual([
      '1 Loose page',
      'I Waterworks',
      '1 Survey',
      '2 Sluice',
      '  2.1 Pintle',
      '  i Gates',
      '1 Drawing',
      'II Wheel',
    ]);
  });

  test('by name and by date each level is sorted for itself', () => {
    const entries = [
      entry('Draft 10', 'page', 'n', '2026-03-01'),
      entry('Draft 9', 'page', 'n', '2026-05-01'),
      entry('b', 'page', 'Draft 9', '2026-01-01'),
      entry('a', 'page', 'Draft 9', '2026-09-01'),
    ];
    expect(lines(entries, 'name')).toEqual(['1 Draft 9', '  1.1 a', '  1.2 b', '2 Draft 10']);
    expect(lines(entries, 'date')).toEqual(['1 Draft 9', '  1.1 a', '  1.2 b', '2 Draft 10']);
    expect(lines(entries)).toEqual(['1 Draft 10', '2 Draft 9', '  2.1 b', '  2.2 a']);
  });

  test('twelve levels down numbers stay short, and levels and places are told', () => {
    const deep = Array.from({ length: 12 }, (_each, index) =>
      entry(`p${index}`, 'page', index === 0 ? 'n' : `p${index - 1}`),
    );
    const rows = contentsRows('n', deep);
    expect(rows.map((row) => row.folio).slice(0, 5)).toEqual(['1', '1.1', '1.1.1', '–1.1', '–1.1']);
    expect(rows.at(-1)).toMatchObject({ level: 12, position: 1, siblings: 1 });
  });

  test('a page without a title shows its first words and is not lost', () => {
    const nameless = { ...entry('p', 'page', 'n'), name: ' ', firstWords: 'Leaf has dropped' };
    expect(lines([nameless, { ...entry('q', 'page', 'n'), name: '' }])).toEqual([
      '1 Leaf has dropped',
      '2 Nameless page',
    ]);
  });
});
