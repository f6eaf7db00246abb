import { bodyFacts } from '../document/facts';
import { canonicalBeside, NOTHING_BESIDE, type Beside } from '../document/fields/content';
import { idOf } from '../document/kinds';
import type { NodeJson } from '../document/types';
import { dayId } from '../journal/day';
import { periodId } from '../journal/period';
import type { SavedSearch } from '../find/query/savedSearch';
import type { Field } from '../kinds/field';
import { joinBeside } from '../kinds/join';
import type { Kind } from '../kinds/kind';
import { withShipped } from '../kinds/shipped';
import { KindTree } from '../kinds/tree';
import { TagTree, type Tag } from '../tags/tree';
import { changedTask } from '../tasks/changes';
import type { Change } from './change';
import { NotHeld } from './notHeld';
import type { ActEntry, ActOutline, PinnedEntry } from './outline';

/** All that is known of an account, as acts see it. */
export interface HeldOutline {
  accountId: string;
  entries: Iterable<ActEntry>;
  contents?: Iterable<[pageId: string, content: readonly NodeJson[]]>;
  besides?: Iterable<[pageId: string, beside: Beside]>;
  kinds?: Iterable<Kind>;
  fields?: Iterable<Field>;
  otherNames?: Iterable<[pageId: string, names: readonly string[]]>;
  pins?: Iterable<PinnedEntry>;
  searches?: Iterable<SavedSearch>;
  tags?: Iterable<Tag>;
}

const byOrder = (one: ActEntry, other: ActEntry): number =>
  one.orderKey < other.orderKey ? -1 : Number(one.orderKey > other.orderKey);

const NEW: Omit<ActEntry, 'id' | 'kind' | 'parentId' | 'orderKey' | 'name' | 'begunAt' | 'changedAt'> = {
  pigment: null,
  ornament: null,
  description: '',
  day: null,
  period: null,
  jotting: null,
  comesBack: null,
  firstWords: '',
  wordCount: 0,
  deletedAt: null,
  season: null,
  showsLeaves: 0,
  isTemplate: 0,
  templateId: null,
  madeFrom: null,
  mergedInto: null,
};

/** An outline in memory, in which changes can be made: for windows, and for acts that are made of others. */
export class MemoryOutline implements ActOutline {
  private entries: Map<string, ActEntry>;
  private contents: Map<string, readonly NodeJson[]>;
  private besides: Map<string, Beside>;
  private ownKinds: Map<string, Kind>;
  private ownFields: Map<string, Field>;
  private names: Map<string, readonly string[]>;
  private pinned: Map<string, string>;
  private savedSearches: Map<string, SavedSearch>;
  private ownTags: Map<string, Tag>;
  private unlinked = new Set<string>();
  private movedGlosses = new Map<string, { lineId: string | null }>();
  private accountId: string;

  constructor(
    held: HeldOutline,
    readonly now: string,
  ) {
    this.accountId = held.accountId;
    this.entries = new Map([...held.entries].map((entry) => [entry.id, entry]));
    this.contents = new Map(held.contents ?? []);
    this.besides = new Map(held.besides ?? []);
    this.ownKinds = new Map([...(held.kinds ?? [])].map((kind) => [kind.id, kind]));
    this.ownFields = new Map([...(held.fields ?? [])].map((field) => [field.id, field]));
    this.names = new Map(held.otherNames ?? []);
    this.pinned = new Map([...(held.pins ?? [])].map(({ entryId, orderKey }) => [entryId, orderKey]));
    this.savedSearches = new Map([...(held.searches ?? [])].map((each) => [each.id, each]));
    this.ownTags = new Map([...(held.tags ?? [])].map((each) => [each.id, each]));
  }

  entry(id: string): ActEntry | undefined {
    return this.entries.get(id);
  }

  children(parentId: string | null): ActEntry[] {
    return [...this.entries.values()]
      .filter((entry) => entry.parentId === parentId && (parentId !== null || entry.kind === 'notebook'))
      .sort(byOrder);
  }

  beneath(id: string): ActEntry[] {
    const root = this.entries.get(id);
    if (!root) return [];
    const held = this.children(id).filter(({ deletedAt }) => deletedAt === null);
    return [root, ...held.flatMap((child) => this.beneath(child.id))];
  }

  lastKey(parentId: string | null): string | null {
    return this.children(parentId).at(-1)?.orderKey ?? null;
  }

  keyAfter(parentId: string | null, orderKey: string | null): string | null {
    return this.children(parentId).find((entry) => entry.orderKey > (orderKey ?? ''))?.orderKey ?? null;
  }

  isKeyTaken(parentId: string | null, orderKey: string, exceptId: string): boolean {
    return this.children(parentId).some((entry) => entry.orderKey === orderKey && entry.id !== exceptId);
  }

  content(id: string): readonly NodeJson[] {
    const content = this.contents.get(id);
    if (!content) throw new NotHeld(`The text of ${id} is not held.`);
    return content;
  }

  beside(id: string): Beside {
    return this.besides.get(id) ?? NOTHING_BESIDE;
  }

  kinds(): KindTree {
    const own = { kinds: [...this.ownKinds.values()], fields: [...this.ownFields.values()] };
    const { kinds, fields } = withShipped(this.accountId, own);
    return new KindTree(kinds, fields);
  }

  joinBeside = joinBeside;

  otherNames(id: string): readonly string[] {
    return this.names.get(id) ?? [];
  }

  pins(): PinnedEntry[] {
    return [...this.pinned]
      .map(([entryId, orderKey]) => ({ entryId, orderKey }))
      .sort((one, other) => (one.orderKey < other.orderKey ? -1 : 1));
  }

  searches(): SavedSearch[] {
    return [...this.savedSearches.values()].sort((one, other) => (one.orderKey < other.orderKey ? -1 : 1));
  }

  tags(): TagTree {
    return new TagTree([...this.ownTags.values()]);
  }

  titlesMadeFrom(templateId: string): string[] {
    return [...this.entries.values()]
      .filter((entry) => entry.madeFrom === templateId && entry.deletedAt === null)
      .map(({ name }) => name);
  }

  linkingAlone(): readonly string[] {
    throw new NotHeld('What links where is not held.');
  }

  isUnlinked(targetId: string, pageId: string, blockId: string): boolean {
    return this.unlinked.has(`${targetId} ${pageId} ${blockId}`);
  }

  movedGloss(targetId: string, blockId: string): { lineId: string | null } | null {
    return this.movedGlosses.get(`${targetId} ${blockId}`) ?? null;
  }

  namedIn(): never {
    throw new NotHeld('What names what is not held.');
  }

  dayId(day: string): string {
    return dayId(this.accountId, day);
  }

  periodId(period: string): string {
    return periodId(this.accountId, period);
  }

  changedTask = changedTask;

  /** Makes a change, as the server would store it. */
  apply(change: Change): void {
    switch (change.change) {
      case 'add': {
        const { entry } = change;
        this.entries.set(entry.id, { ...NEW, changedAt: entry.begunAt, ...entry });
        if (change.content) this.write(entry.id, change.content);
        if (change.beside) this.besides.set(entry.id, canonicalBeside(change.beside));
        break;
      }
      case 'set':
        this.update(change.id, change.values);
        break;
      case 'name':
        this.update(change.id, { name: change.name, changedAt: this.now });
        break;
      case 'remove':
        this.entries.delete(change.id);
        this.contents.delete(change.id);
        this.besides.delete(change.id);
        this.pinned.delete(change.id);
        break;
      case 'content':
        this.write(change.id, change.content);
        this.update(change.id, { changedAt: this.now });
        break;
      case 'attributes':
        this.write(change.id, withAttributes(this.content(change.id), change.blockId, change.values));
        this.update(change.id, { changedAt: this.now });
        break;
      case 'beside': {
        const { kinds, fields } = this.beside(change.id);
        const beside = { kinds: change.kinds ?? kinds, fields: { ...fields, ...change.fields } };
        this.besides.set(change.id, canonicalBeside(beside));
        this.update(change.id, { changedAt: this.now });
        break;
      }
      case 'kind':
        this.ownKinds.set(change.kind.id, change.kind);
        break;
      case 'field':
        this.ownFields.set(change.field.id, change.field);
        break;
      case 'otherNames':
        this.names.set(change.id, change.names);
        break;
      case 'pin':
        this.pinned.set(change.id, change.orderKey);
        break;
      case 'unpin':
        this.pinned.delete(change.id);
        break;
      case 'search':
        if (change.saved) this.savedSearches.set(change.id, { id: change.id, ...change.saved });
        else this.savedSearches.delete(change.id);
        break;
      case 'tag':
        this.ownTags.set(change.tag.id, change.tag);
        break;
      case 'moveGloss': {
        const key = `${change.targetId} ${change.blockId}`;
        if (change.place) this.movedGlosses.set(key, change.place);
        else this.movedGlosses.delete(key);
        break;
      }
      case 'unlinked': {
        const key = `${change.targetId} ${change.pageId} ${change.blockId}`;
        if (change.isLeft) this.unlinked.add(key);
        else this.unlinked.delete(key);
      }
    }
  }

  private update(id: string, values: Partial<ActEntry>): void {
    const entry = this.entries.get(id);
    if (entry) this.entries.set(id, { ...entry, ...values });
  }

  private write(id: string, content: readonly NodeJson[]): void {
    this.contents.set(id, content);
    const { firstWords, wordCount } = bodyFacts({ type: 'doc', content: [...content] });
    this.update(id, { firstWords, wordCount });
  }

  /** All of it, to be compared. */
  held(): Required<HeldOutline> {
    return {
      accountId: this.accountId,
      entries: [...this.entries.values()],
      contents: [...this.contents],
      besides: [...this.besides].filter(([, { kinds, fields }]) => kinds.length + Object.keys(fields).length > 0),
      kinds: [...this.ownKinds.values()],
      fields: [...this.ownFields.values()],
      otherNames: [...this.names].filter(([, names]) => names.length > 0),
      pins: this.pins(),
      searches: this.searches(),
      tags: [...this.ownTags.values()],
    };
  }
}

/** The lines with other attributes of one; what says nothing is left out, as wherever bodies are written. */
const withAttributes = (
  content: readonly NodeJson[],
  blockId: string,
  values: Readonly<Record<string, unknown>>,
): NodeJson[] =>
  content.map((node) => {
    if (idOf(node) !== blockId) return node;
    const said = Object.entries({ ...node.attrs, ...values }).filter(([, value]) => value !== null);
    return { ...node, attrs: Object.fromEntries(said) };
  });
