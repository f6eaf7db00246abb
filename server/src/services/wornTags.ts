import type { MarginFilter, OfferedTag, TagLines, TagOrder, TagUses } from '@glossarion/core/margin';
import { visibleEntry, type Viewer, type ViewerConnection } from '../access';
import { linkedWith } from '../background/kin';
import type { Database } from '../database/database';
import { EntryEntity, KinEntity, TagUseEntity } from '../entities';
import { USES } from '../entities/tagUse.queries';
import { notFound } from '../problem';
import type { Entries, EntryReader } from './entries';
import { namedInGlosses, ReadGlosses } from './glosses';
import type { Kinds } from './kinds';
import { dayOf } from './log';
import { facetsOf, presentTags } from './margin';
import { isWanted, moment, notebookOf, type Referring, type ReferringLines, type ReferringRow } from './referring';
import type { ShownLines } from './shownLines';
import type { Tags } from './tags';
import type { Zones } from './zones';

/** Which of the lines that wear a tag are asked for. */
export interface TagLinesWish {
  /** Other tags that their pages wear too. */
  also: readonly string[];
  order: TagOrder;
  from: number;
  limit: number;
}

/** The tags that pages wear, by page. */
type TagsOf = ReadonlyMap<string, readonly string[]>;

/** How many pages like one are asked, how many tags are offered, and for how many pages' sake. */
const LIKE = 24;
const OFFERED = 6;
const REASONS = 2;
/** How much a link counts for, as likenesses do. */
const LINKED = 0.2;

interface Worn extends Referring {
  /** The day it is of. */
  on: string;
}

/** Which lines and pages wear tags, and which tags they may wear. */
export class WornTags {
  constructor(
    private database: Database,
    private entries: Entries,
    private tags: Tags,
    private kinds: Kinds,
    private referring: ReferringLines,
    private lines: ShownLines,
    private zones: Zones,
  ) {}

  /**
   * The lines that wear a tag, or one beneath it, on pages that are not in the bin.
   *
   * @throws Problem (404) when there is no such tag
   */
  async of(
    viewer: Viewer,
    tagId: string,
    filter: MarginFilter,
    { also, order, from, limit }: TagLinesWish,
  ): Promise<TagLines> {
    const connection = this.database.reading(viewer);
    const tags = this.tags.tree(connection);
    if (!tags.get(tagId)) throw notFound();
    const reader = this.entries.reader(viewer);
    const worn = await this.wearing(connection, reader, tags.beneath(tagId), await this.zones.of(viewer));
    const tagsOf = await this.tagsOfPages(worn.map(({ row }) => row.id));
    const tree = await this.kinds.tree(viewer);
    const kindsOf = await this.referring.kindsOf(worn);
    const others = also.map((each) => tags.beneath(each));
    const isCombined = ({ row }: Referring) =>
      others.every((ids) => tagsOf.get(row.id)!.some((each) => ids.includes(each)));
    const all = worn.filter(isCombined);
    const wanted = all.filter((each) => isWanted(connection, each, filter, tree, kindsOf)).sort(IN_ORDER[order]);
    const shown = wanted.slice(from, from + limit);
    const read = new ReadGlosses(this.lines, connection, reader, tree, shown);
    const entries = shown.map((each) => ({ gloss: read.of(each), on: each.on }));
    const firsts = [...new Map(all.map((each) => [each.row.id, each])).values()];
    // What stands beneath it is shown as that already.
    const own = new Set([tagId, ...also].flatMap((each) => tags.beneath(each)));
    const beside = ({ id }: ReferringRow) => tagsOf.get(id)!.filter((each) => !own.has(each));
    return {
      total: all.length,
      pages: firsts.length,
      count: wanted.length,
      entries,
      targets: reader.targets([...namedInGlosses(entries.map(({ gloss }) => gloss)), tagId, ...also]),
      facets: {
        ...facetsOf(all, () => [], tags, tree, kindsOf),
        tags: facetsOf(firsts, beside, tags, tree, kindsOf).tags,
      },
    };
  }

  /** How many lines wear each tag, on pages that are not in the bin; nothing of those that none does. */
  uses(viewer: Viewer): TagUses[] {
    const connection = this.database.reading(viewer);
    const rows = connection.all<TagUses>(USES);
    const tree = this.tags.tree(connection);
    const counts = new Map<string, number>();
    for (const { tag, lines } of rows) {
      for (const present of presentTags(tree, [tag])) counts.set(present, (counts.get(present) ?? 0) + lines);
    }
    return [...counts].map(([tag, lines]) => ({ tag, lines }));
  }

  /**
   * Tags that a page may wear: those of the pages most like it, and of what it links to. None that it wears already.
   */
  async offered(viewer: Viewer, pageId: string): Promise<OfferedTag[]> {
    const connection = this.database.reading(viewer);
    visibleEntry(connection, pageId);
    const { manager } = this.database;
    const kin = await manager.find(KinEntity, { where: { pageId }, order: { place: 'ASC' }, take: LIKE });
    const likeness = new Map(kin.map(({ otherId, likeness: amount }) => [otherId, amount]));
    for (const other of linkedWith(connection, pageId).slice(0, LIKE))
      likeness.set(other, likeness.get(other) ?? LINKED);
    const reader = this.entries.reader(viewer);
    const like = reader.present(likeness.keys()).filter(({ kind }) => kind === 'page');
    const tagsOf = await this.tagsOfPages([pageId, ...like.map(({ id }) => id)]);
    const tree = this.tags.tree(connection);
    const own = presentTags(tree, tagsOf.get(pageId) ?? []);
    const offered = new Map<string, { weight: number; because: string[] }>();
    for (const { id, title } of like) {
      for (const tag of presentTags(tree, tagsOf.get(id) ?? [])) {
        if (own.has(tag)) continue;
        const { weight, because } = offered.get(tag) ?? { weight: 0, because: [] };
        offered.set(tag, { weight: weight + likeness.get(id)!, because: [...because, title].slice(0, REASONS) });
      }
    }
    return [...offered]
      .sort(([, one], [, other]) => other.weight - one.weight)
      .slice(0, OFFERED)
      .map(([tag, { because }]) => ({ tag, name: tree.nameOf(tag)!, because }));
  }

  /** The lines that wear one of these, each once. */
  private async wearing(
    connection: ViewerConnection,
    reader: EntryReader,
    tags: readonly string[],
    zone: string | null,
  ): Promise<Worn[]> {
    const query = this.database.manager
      .createQueryBuilder(TagUseEntity, 'u')
      .innerJoin(EntryEntity.options.name, 'e', 'e.id = u.documentId')
      .select('e.id', 'id')
      .addSelect('u.blockId', 'blockId')
      .addSelect('MIN(u.position)', 'position')
      .addSelect('e.changedAt', 'changedAt')
      .where('u.tag IN (SELECT value FROM json_each(:tags))', { tags: JSON.stringify(tags) })
      .groupBy('u.documentId, u.blockId');
    const rows = await connection
      .visible(query)
      .getRawMany<Pick<ReferringRow, 'id' | 'blockId' | 'position' | 'changedAt'>>();
    // What is true of a page is looked up once for all its lines.
    const pages = new Map<string, Pick<Worn, 'place' | 'notebook' | 'on'> | null>();
    const worn: Worn[] = [];
    for (const { id, blockId, position, changedAt } of rows) {
      const row: ReferringRow = {
        id,
        blockId,
        position,
        changedAt,
        ofField: 0,
        target: null,
        lineId: null,
        score: null,
      };
      let page = pages.get(row.id);
      if (page === undefined) {
        const place = reader.place(row.id);
        const on = place.isDeleted ? '' : dayOf(place.day ?? changedAt, zone);
        page = place.isDeleted ? null : { place, notebook: notebookOf(row.id, place), on };
        pages.set(row.id, page);
      }
      if (!page) continue;
      const { place, notebook, on } = page;
      worn.push({
        row,
        place,
        notebook,
        targetBlockId: null,
        lineId: null,
        isMoved: false,
        score: 0,
        heldOn: null,
        on,
      });
    }
    return worn;
  }

  private async tagsOfPages(pages: readonly string[]): Promise<TagsOf> {
    const uses = await this.database.manager
      .createQueryBuilder(TagUseEntity, 'u')
      .select('u.documentId', 'documentId')
      .addSelect('u.tag', 'tag')
      .distinct()
      .where('u.documentId IN (SELECT value FROM json_each(:pages))', { pages: JSON.stringify([...new Set(pages)]) })
      .getRawMany<{ documentId: string; tag: string }>();
    const tags = new Map<string, string[]>();
    for (const { documentId, tag } of uses) {
      const own = tags.get(documentId);
      if (own) own.push(tag);
      else tags.set(documentId, [tag]);
    }
    return tags;
  }
}

const compared = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/** Lines of one page in their order. */
const within = (one: Worn, other: Worn): number =>
  compared(moment(other), moment(one)) || compared(one.row.id, other.row.id) || one.row.position - other.row.position;

const IN_ORDER: Record<TagOrder, (one: Worn, other: Worn) => number> = {
  page: within,
  newest: (one, other) => compared(other.on, one.on) || within(one, other),
  oldest: (one, other) => compared(one.on, other.on) || within(one, other),
};
