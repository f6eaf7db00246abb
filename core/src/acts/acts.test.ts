import fc from 'fast-check';
import { block, pageLink, text } from '../document/build';
import { namedId } from '../document/ids';
import type { NodeJson } from '../document/types';
import { bodyFacts } from '../document/facts';
import { FIELD_TYPE_NAMES } from '../kinds';
import { PIGMENTS } from '../outline/entry';
import { periodId } from '../journal/period';
import { ordersAfter } from '../outline/order';
import { SEASONS } from '../outline/season';
import { newTag } from '../tags';
import type { TaskChange } from '../tasks';
import { times } from '../testing';
import { ACT_KINDS, definitionOf, PartialOutline, planAtOnce, type Act, type ActEntry, type ActKind } from '.';
import { MemoryOutline, planAll, type HeldOutline } from './inMemory';

const ACCOUNT = namedId('acts', 'account');
const THEN = '2026-03-09T08:00:00.000Z';
const NOW = '2026-03-10T09:30:00.000Z';
const idOf = (name: string) => namedId('acts', name);

const entry = (name: string, kind: ActEntry['kind'], parent: string | null, orderKey: string): ActEntry => ({
  id: idOf(name),
  kind,
  parentId: parent === null ? null : idOf(parent),
  orderKey,
  name,
  pigment: kind === 'notebook' ? 'plum' : null,
  ornament: null,
  description: '',
  day: null,
  period: null,
  jotting: null,
  comesBack: null,
  firstWords: '',
  wordCount: 0,
  begunAt: THEN,
  changedAt: THEN,
  deletedAt: null,
  season: null,
  showsLeaves: 0,
  isTemplate: 0,
  templateId: null,
  madeFrom: null,
  mergedInto: null,
});

const line = (name: string, words: string, ...more: NodeJson[]) => {
  const node = block('paragraph', [text(words), ...more], { id: idOf(name) });
  return node;
};

/** Two notebooks, sections and pages up to four deep, one day. */
const keys = ordersAfter(null, 9);
const PAGES = ['Gate', 'Pintle', 'Race', 'Cogs', 'Oak', 'Green oak', 'Lime', 'Sand', 'Thought'];
const placed: ActEntry[] = [
  entry('Mill', 'notebook', null, keys[0]!),
  entry('Craft', 'notebook', null, keys[1]!),
  entry('Water', 'section', 'Mill', keys[0]!),
  entry('Wheel', 'section', 'Mill', keys[1]!),
  entry('Timber', 'section', 'Craft', keys[0]!),
  entry('Gate', 'page', 'Water', keys[0]!),
  entry('Pintle', 'page', 'Gate', keys[0]!),
  entry('Race', 'page', 'Water', keys[1]!),
  entry('Cogs', 'page', 'Wheel', keys[0]!),
  entry('Oak', 'page', 'Timber', keys[0]!),
  entry('Green oak', 'page', 'Oak', keys[0]!),
  entry('Lime', 'page', 'Craft', keys[1]!),
  entry('Sand', 'page', 'Lime', keys[0]!),
  { ...entry('Thought', 'page', null, keys[3]!), jotting: 'waiting', comesBack: '2026-03-12' },
];
const contents = new Map(
  PAGES.map((page, index): [string, NodeJson[]] => [
    idOf(page),
    [
      block('heading', `About ${page}`, { id: idOf(`${page} head`), level: 2 }),
      line(`${page} one`, `${page} is worn. `, pageLink(idOf(PAGES[(index + 3) % PAGES.length]!))),
      block('todo', `Measure ${page}`, { id: idOf(`${page} task`) }),
      block('paragraph', 'Beneath that.', { id: idOf(`${page} beneath`), depth: 1 }),
    ],
  ]),
);
const tagOf = (index: number) => idOf(`tag ${index % 5}`);
const NAMES = [...placed.map(({ name }) => name)];

const held = (): HeldOutline => ({
  accountId: ACCOUNT,
  entries: placed.map((each) => {
    const content = contents.get(each.id);
    if (!content) return each;
    const { firstWords, wordCount } = bodyFacts({ type: 'doc', content });
    return { ...each, firstWords, wordCount };
  }),
  contents,
  besides: [
    [idOf('Oak'), { kinds: [idOf('kind 0')], fields: { [idOf('field 0')]: { text: 'Green, two years' } } }],
    [idOf('Lime'), { kinds: [], fields: { [idOf('field 1')]: { atom: 4, pages: [idOf('Sand')] } } }],
  ],
  otherNames: [[idOf('Oak'), ['Quercus']]],
  tags: [0, 1, 2, 3, 4].map((each) => newTag(tagOf(each), `Tag ${each % 3}`, each > 2 ? tagOf(each - 3) : null)),
  pins: [
    { entryId: idOf('Gate'), orderKey: keys[0]! },
    { entryId: idOf('Oak'), orderKey: keys[1]! },
  ],
});

/** Jottings stand in the order of their moments. */
const placeOf = ({ id, jotting, orderKey }: ActEntry) => (jotting === null ? orderKey : `~${id}`);

/** All that is there to be seen: what is in the bin or was changed when is not compared. */
function seen(outline: MemoryOutline): unknown {
  const { entries, contents: texts, besides, kinds, fields, otherNames, pins, searches } = outline.held();
  const besideOf = new Map(besides);
  const tags = outline.tags();
  const ofKinds = (each: { id: string }) => [each.id, each] as const;
  const bodies = new Map(texts);
  const shown = (parentId: string | null): unknown[] =>
    [...entries]
      // The page of a week, which begins empty, says as little as no page.
      .filter((each) => each.parentId === parentId && each.deletedAt === null && each.period === null)
      .sort((one, other) => (placeOf(one) < placeOf(other) ? -1 : 1))
      .map(({ changedAt: _changedAt, begunAt: _begunAt, orderKey: _orderKey, ...each }) => ({
        ...each,
        content: bodies.get(each.id) ?? null,
        // Places among the kinds of a page are nobody's work.
        kinds: [...(besideOf.get(each.id)?.kinds ?? [])].sort(),
        fields: besideOf.get(each.id)?.fields ?? {},
        beneath: shown(each.id),
      }));
  const isThere = new Set([...entries].filter(({ deletedAt }) => deletedAt === null).map(({ id }) => id));
  return {
    tree: shown(null),
    names: [...otherNames].filter(([id]) => isThere.has(id)).sort(([one], [other]) => (one < other ? -1 : 1)),
    pins: [...pins].map(({ entryId }) => entryId),
    searches: [...searches].map(({ id, name, line: query }) => [id, name, query]),
    tags: tags.all().map(({ deletedAt: _deletedAt, ...tag }) => ({ ...tag, worn: tags.worn(tag.id).sort() })),
    kinds: new Map([...kinds].filter(({ isDeleted }) => !isDeleted).map(ofKinds)),
    fields: new Map([...fields].filter(({ isDeleted }) => !isDeleted).map(ofKinds)),
  };
}

const arbitraryWish = fc.record({
  kind: fc.constantFrom(...ACT_KINDS),
  one: fc.nat(NAMES.length - 1),
  other: fc.nat(NAMES.length - 1),
  place: fc.nat(2),
  pick: fc.nat(3),
});
type Wish = typeof arbitraryWish extends fc.Arbitrary<infer T> ? T : never;

const TASK_CHANGES: readonly TaskChange[] = [
  { set: 'state', state: 'done', today: '2026-03-10' },
  { set: 'state', state: 'begun', today: '2026-03-11' },
  { set: 'repeat', repeat: 'FREQ=WEEKLY', today: '2026-03-10' },
  { set: 'for', day: '2026-03-12' },
  { set: 'skipped', today: '2026-03-10' },
  { set: 'state', state: 'open', today: '2026-03-11' },
  { set: 'due', due: '2026-03-14T09:30' },
  { set: 'priority', priority: 'high' },
  { set: 'state', state: 'dropped', today: '2026-03-10' },
];

let made = 0;
function actOf({ kind, one, other, place, pick }: Wish): Act | null {
  const [name, second] = [NAMES[one]!, NAMES[other]!];
  const [id, otherId] = [idOf(name), idOf(second)];
  const afterId = place === 0 ? null : place === 1 ? undefined : idOf(NAMES[(one + other) % NAMES.length]!);
  const where = { parentId: otherId, ...(afterId !== undefined && { afterId }) };
  const blockIds = [[`${name} head`], [`${name} one`], [`${name} task`], [`${name} one`, `${name} task`]][pick]!.map(
    idOf,
  );
  const [kindId, fieldId] = [idOf(`kind ${one % 3}`), idOf(`field ${one % 3}`)];
  const fresh = () => idOf(`made ${(made += 1)}`);
  const acts: Partial<Record<ActKind, Act>> = {
    make: { do: 'make', id: fresh(), kind: 'page', name: 'Made', ...where },
    name: { do: 'name', id, name: `Called ${pick}` },
    describe: { do: 'describe', id, description: `Said ${pick}`, showsLeaves: pick > 1, pigment: PIGMENTS[pick]! },
    place: { do: 'place', id, ...where },
    putBack: { do: 'putBack', id, parentId: otherId, orderKey: keys[pick]! },
    season: { do: 'season', id, season: SEASONS[pick % SEASONS.length]! },
    bin: { do: 'bin', id },
    unbin: { do: 'unbin', id },
    restore: { do: 'restore', id },
    duplicate: { do: 'duplicate', id, copyId: fresh() },
    pin: { do: 'pin', id, ...(afterId !== undefined && { afterId }) },
    unpin: { do: 'unpin', id },
    saveSearch: {
      do: 'saveSearch',
      id: idOf(`search ${one % 3}`),
      saved: pick ? { name: `Search ${pick}`, line: `tag:lime ${name}` } : null,
      ...(place < 2 && { afterId: place ? null : idOf(`search ${other % 3}`) }),
    },
    describeTag: {
      do: 'describeTag',
      id: tagOf(one),
      ...(pick === 0 && { name: `Tag ${other % 3}` }),
      ...(pick === 1 && { parentId: place === 0 ? null : tagOf(other) }),
      ...(pick === 2 && { mergedInto: place === 0 ? null : tagOf(other) }),
      ...(pick === 3 && { isDeleted: place === 0 }),
    },
    nameTag: { do: 'nameTag', id: tagOf(one), path: `Tag ${other % 3}/New ${place}/tag ${pick}`.slice(pick ? 0 : 6) },
    wear: {
      do: 'wear',
      id,
      tagIds: [tagOf(one), tagOf(other)],
      lineId: fresh(),
      ...(place > 0 && { blockIds }),
    },
    mergeTags: { do: 'mergeTags', id: tagOf(one), intoId: tagOf(other) },
    putBlocks: { do: 'putBlocks', id, afterId: blockIds[0]!, nodes: [line(`made line ${(made += 1)}`, 'New.')] },
    dropBlocks: { do: 'dropBlocks', id, blockIds },
    moveBlocks: {
      do: 'moveBlocks',
      id,
      blocks: blockIds.map((each) => ({ id: each, from: id, to: otherId, afterId: null, depth: 0 })),
    },
    addFormer: { do: 'addFormer', id, blockId: blockIds[0]!, formerIds: [fresh()] },
    lift: { do: 'lift', id, blockIds, pageId: fresh(), parentId: id },
    split: { do: 'split', id, parentId: id, seed: fresh() },
    rewrite: { do: 'rewrite', id, nodes: [line(`${name} one`, `Rewritten ${pick}.`)] },
    otherNames: { do: 'otherNames', id, names: ['Also this', `Or ${pick}`].slice(0, pick) },
    merge: { do: 'merge', id, intoId: otherId },
    leadTo: { do: 'leadTo', id, toId: otherId },
    jot: { do: 'jot', id: fresh(), nodes: [line(`made line ${(made += 1)}`, 'Caught.')], at: NOW },
    tray: { do: 'tray', id, jotting: pick > 1 ? 'kept' : 'waiting', comesBack: place ? '2026-03-14' : null },
    file: { do: 'file', id, toId: otherId, at: (['head', 'end', idOf(`${second} head`)] as const)[place]! },
    beginPeriod: { do: 'beginPeriod', id: periodId(ACCOUNT, '2026-W11'), period: '2026-W11' },
    moveGloss: { do: 'moveGloss', id, blockId: blockIds[0]!, lineId: pick % 2 ? otherId : null, isMoved: pick > 0 },
    leaveUnlinked: { do: 'leaveUnlinked', id: otherId, pageId: id, blockId: blockIds[0]!, isLeft: pick > 0 },
    setTask: {
      do: 'setTask',
      id,
      blockId: idOf(`${name} task`),
      change: TASK_CHANGES[(pick + place * 4) % TASK_CHANGES.length]!,
      occurrence: null,
    },
    describeKind: {
      do: 'describeKind',
      id: kindId,
      name: `Kind ${one % 3}`,
      pigment: PIGMENTS[pick]!,
      ...(pick > 1 && { broaderId: idOf(`kind ${other % 3}`) }),
      ...(place === 2 && { isDeleted: true }),
    },
    setField: {
      do: 'setField',
      id: fieldId,
      kindId,
      name: `Field ${one % 3}`,
      type: FIELD_TYPE_NAMES[pick * 2]!,
      ...(place === 2 && { isDeleted: true }),
    },
    setKinds: { do: 'setKinds', id, add: [idOf(`kind ${other % 3}`)], remove: place ? [] : [idOf('kind 0')] },
    setFields: {
      do: 'setFields',
      id,
      fields: [[{ field: fieldId, atom: pick }], [{ field: fieldId, text: 'Said', pages: [otherId] }], []][place]!,
    },
    send: {
      do: 'send',
      id,
      toId: otherId,
      blockIds,
      at: 'end',
      form: (['move', 'copy', 'excerpt'] as const)[pick % 3]!,
      seed: fresh(),
    },
  };
  return acts[kind] ?? null;
}

/** Refused in words; the outline it was tried in is as it was. */
const REFUSALS = new Set(['ActError', 'PlaceError', 'ShapeError', 'OrderError']);

test('whatever acts are done, taking them back gives what was there before', () => {
  fc.assert(
    fc.property(fc.array(arbitraryWish, { minLength: 1, maxLength: 12 }), (wishes) => {
      let outline = new MemoryOutline(held(), NOW);
      const before = seen(outline);
      const undos: Act[][] = [];
      for (const wish of wishes) {
        const act = actOf(wish);
        if (!act) continue;
        // What is refused halfway is thrown away, as the server throws its transaction away.
        const kept = outline.held();
        try {
          undos.unshift(planAll([act], outline).undo);
        } catch (error) {
          expect(REFUSALS).toContain((error as Error).name);
          outline = new MemoryOutline(kept, NOW);
        }
      }
      for (const undo of undos) planAll(undo, outline);
      expect(seen(outline)).toEqual(before);
    }),
    { numRuns: times(300) },
  );
});

test('planning changes nothing, and the same outline gives the same plan', () => {
  fc.assert(
    fc.property(arbitraryWish, (wish) => {
      const act = actOf(wish);
      const definition = act && definitionOf(act);
      if (!act || !definition || 'steps' in definition) return;
      const outline = new MemoryOutline(held(), NOW);
      const plan = () => {
        try {
          return definition.plan(act, outline);
        } catch (error) {
          return (error as Error).message;
        }
      };
      const before = JSON.stringify(outline.held());
      expect(plan()).toEqual(plan());
      expect(JSON.stringify(outline.held())).toBe(before);
    }),
    { numRuns: times(400) },
  );
});

test('what is shown at once is what comes, and nothing is shown of what a window does not hold', () => {
  let shown = 0;
  fc.assert(
    fc.property(fc.array(arbitraryWish, { minLength: 1, maxLength: 3 }), (wishes) => {
      const acts = wishes.flatMap((wish) => actOf(wish) ?? []);
      // Of each entry what a line of the contents says.
      const known = placed
        .filter(({ jotting }) => jotting === null)
        .map(({ id, kind, parentId, name, pigment, ornament, description, season, showsLeaves }) => {
          const values = { id, kind, parentId, name, pigment, ornament, description, season, showsLeaves };
          return { ...values, day: null, period: null, jotting: null, comesBack: null, deletedAt: null };
        });
      const changes = planAtOnce(acts, new PartialOutline(known, NOW));
      if (!changes) return;
      shown += 1;
      expect(planAll(acts, new MemoryOutline(held(), NOW)).changes).toEqual(changes);
    }),
    { numRuns: times(600) },
  );
  expect(shown).toBeGreaterThan(20);
  const moving: Act = { do: 'place', id: idOf('Gate'), parentId: idOf('Wheel') };
  expect(planAtOnce([moving], new PartialOutline([{ id: idOf('Gate'), day: null }], NOW))).toBeNull();
});

test('every act says what it touches and what others must ask for again', () => {
  for (const kind of ACT_KINDS) {
    const act = actOf({ kind, one: 5, other: 7, place: 1, pick: 1 }) ?? ({ do: kind, id: idOf('Gate') } as Act);
    const { changes, touches, shape } = definitionOf(act);
    const isSaid = touches(act).length > 0 || changes.some((what) => ['kinds', 'searches', 'tags'].includes(what));
    expect([kind, isSaid, changes.length > 0]).toEqual([kind, true, true]);
    for (const field of Object.keys(act))
      if (field !== 'do' && field !== 'id') expect(Object.keys(shape)).toContain(field);
  }
});
