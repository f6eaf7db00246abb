import { In, IsNull, type EntityManager } from 'typeorm';
import type { ActEntry, ActOutline, Need, PinnedEntry } from '@glossarion/core/acts';
import type { NamedAt } from '@glossarion/core/alsoNamed';
import { besideOf, NOTHING_BESIDE, type Beside, type BodyJson, type NodeJson } from '@glossarion/core/document';
import type { SavedSearch } from '@glossarion/core/find';
import { dayId, periodId } from '@glossarion/core/journal';
import { joinBeside, type KindTree } from '@glossarion/core/kinds';
import type { TagTree } from '@glossarion/core/tags';
import { changedTask } from '@glossarion/core/tasks/changes';
import { ENTRY_COLUMNS, entryIfVisible, ownedBy, ownKinds, visibleTags, type ViewerConnection } from '../access';
import { prepared } from '../sqlite/prepared';
import {
  AlsoNamedEntity,
  BlockEntity,
  EntryEntity,
  LinkEntity,
  MovedGlossEntity,
  PinEntity,
  SavedSearchEntity,
  UnlinkedEntity,
} from '../entities';
import { DOCUMENT } from '../entities/document.queries';
import { ALL_BENEATH, KEY_AFTER, LAST_KEY } from '../entities/entry.queries';
import { HOLDERS } from './holders';

const BENEATH = ALL_BENEATH(ENTRY_COLUMNS);

const keyOf = (...parts: (string | null)[]): string => parts.join(' ');

/** The outline that acts are planned from, as a transaction sees it. What it does not read as it is asked is read before. */
export class StoredOutline implements ActOutline {
  readonly changedTask = changedTask;
  readonly joinBeside = joinBeside;
  private tree: KindTree | null = null;
  private childrenOf = new Map<string | null, ActEntry[]>();
  private madeFrom = new Map<string, string[]>();
  private linking = new Map<string, string[]>();
  private pinned: PinnedEntry[] = [];
  private saved: SavedSearch[] = [];
  private left = new Set<string>();
  private movedGlosses = new Map<string, { lineId: string | null }>();
  private named = new Map<string, { name: string; places: NamedAt[] }[]>();

  constructor(
    private connection: ViewerConnection,
    private manager: EntityManager,
    readonly now: string,
  ) {}

  /** Reads what an act needs to have been read. */
  async read(needs: readonly Need[]): Promise<void> {
    for (const need of needs) await this.readOne(need);
  }

  private async readOne(need: Need): Promise<void> {
    const { connection, manager } = this;
    if ('childrenOf' in need) {
      const { childrenOf: parentId } = need;
      const query = manager
        .createQueryBuilder(EntryEntity, 'e')
        .where(parentId === null ? { parentId: IsNull(), kind: 'notebook' as const } : { parentId })
        .orderBy('e.orderKey')
        .addOrderBy('e.row');
      this.childrenOf.set(parentId, await connection.visible(query).getMany());
    } else if ('madeFrom' in need) {
      const query = manager.createQueryBuilder(EntryEntity, 'e').where({ madeFrom: need.madeFrom });
      const made = await connection.visible(query.andWhere('e.deletedAt IS NULL')).getMany();
      this.madeFrom.set(
        need.madeFrom,
        made.map(({ name }) => name),
      );
    } else if ('linkingAlone' in need) {
      // The line has no words of its own: the link is all there is in it.
      const query = manager
        .createQueryBuilder(EntryEntity, 'e')
        .select('DISTINCT e.id', 'id')
        .innerJoin(LinkEntity.options.name, 'l', 'l.documentId = e.id')
        .innerJoin(BlockEntity.options.name, 'b', 'b.documentId = l.documentId AND b.id = l.blockId')
        .where("l.target = :id AND b.words = '' AND e.deletedAt IS NULL", { id: need.linkingAlone });
      const linking = await connection.visible(query).getRawMany<{ id: string }>();
      this.linking.set(
        need.linkingAlone,
        linking.map(({ id }) => id),
      );
    } else if ('pins' in need) {
      const { viewer } = connection;
      this.pinned = await manager.find(PinEntity, { where: ownedBy(viewer), order: { orderKey: 'ASC' } });
    } else if ('searches' in need) {
      const where = ownedBy(connection.viewer);
      this.saved = await manager.find(SavedSearchEntity, { where, order: { orderKey: 'ASC' } });
    } else if ('kinds' in need) {
      this.tree = await ownKinds(manager, connection.viewer);
    } else if ('unlinked' in need) {
      const { targetId, pageId: documentId, blockId } = need.unlinked;
      if (await manager.existsBy(UnlinkedEntity, { targetId, documentId, blockId })) {
        this.left.add(keyOf(targetId, documentId, blockId));
      }
    } else if ('movedGloss' in need) {
      const { targetId, blockId } = need.movedGloss;
      const moved = await manager.findOneBy(MovedGlossEntity, { targetId, blockId });
      if (moved) this.movedGlosses.set(keyOf(targetId, blockId), { lineId: moved.lineId });
    } else {
      const { pageId: documentId, blockIds } = need.namedIn;
      for (const row of await manager.findBy(AlsoNamedEntity, { documentId, blockId: In([...blockIds]) })) {
        const key = keyOf(documentId, row.blockId);
        const places = JSON.parse(row.places) as NamedAt[];
        this.named.set(key, [...(this.named.get(key) ?? []), { name: row.name, places }]);
      }
    }
  }

  entry(id: string): ActEntry | undefined {
    return entryIfVisible(this.connection, id);
  }

  children(parentId: string | null): readonly ActEntry[] {
    const children = this.childrenOf.get(parentId);
    if (!children) throw new Error('What stands there was not read before.');
    return children;
  }

  beneath(id: string): readonly ActEntry[] {
    return this.connection.all<ActEntry>(BENEATH, { id });
  }

  lastKey(parentId: string | null): string | null {
    return this.connection.first<{ orderKey: string | null }>(LAST_KEY, { parentId })!.orderKey;
  }

  keyAfter(parentId: string | null, orderKey: string | null): string | null {
    const values = { parentId, orderKey: orderKey ?? '', exceptId: null };
    return this.connection.first<{ orderKey: string }>(KEY_AFTER, values)?.orderKey ?? null;
  }

  isKeyTaken(parentId: string | null, orderKey: string, exceptId: string): boolean {
    const values = { parentId, orderKey, exceptId };
    return this.connection.first<{ orderKey: string }>(KEY_AFTER, values)?.orderKey === orderKey;
  }

  private body(id: string): BodyJson | null {
    const stored = this.entry(id) && (prepared(this.connection.raw, DOCUMENT).get(id) as { json: string } | undefined);
    return stored ? (JSON.parse(stored.json) as BodyJson) : null;
  }

  content(id: string): readonly NodeJson[] {
    return this.body(id)?.content ?? [];
  }

  beside(id: string): Beside {
    const body = this.body(id);
    return body ? besideOf(body) : NOTHING_BESIDE;
  }

  kinds(): KindTree {
    if (!this.tree) throw new Error('The kinds were not read before.');
    return this.tree;
  }

  otherNames(id: string): readonly string[] {
    return HOLDERS.page.otherNames(this.connection.raw, id);
  }

  pins(): readonly PinnedEntry[] {
    return this.pinned;
  }

  searches(): readonly SavedSearch[] {
    return this.saved;
  }

  tags(): TagTree {
    return visibleTags(this.connection);
  }

  titlesMadeFrom(templateId: string): readonly string[] {
    return this.madeFrom.get(templateId) ?? [];
  }

  linkingAlone(id: string): readonly string[] {
    return this.linking.get(id) ?? [];
  }

  isUnlinked(targetId: string, pageId: string, blockId: string): boolean {
    return this.left.has(keyOf(targetId, pageId, blockId));
  }

  movedGloss(targetId: string, blockId: string): { lineId: string | null } | null {
    return this.movedGlosses.get(keyOf(targetId, blockId)) ?? null;
  }

  namedIn(pageId: string, blockId: string): readonly { name: string; places: readonly NamedAt[] }[] {
    return this.named.get(keyOf(pageId, blockId)) ?? [];
  }

  periodId(period: string): string {
    return periodId(this.connection.viewer.accountId, period);
  }

  dayId(day: string): string {
    return dayId(this.connection.viewer.accountId, day);
  }
}
