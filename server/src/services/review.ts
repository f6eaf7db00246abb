import { Between, In } from 'typeorm';
import { countWords } from '@glossarion/core/document';
import { addDays, dayAt, momentsOf, type Period } from '@glossarion/core/journal';
import { shippedKindId } from '@glossarion/core/kinds';
import {
  daysOf,
  daysToCount,
  reviewOf,
  TAKING,
  tookOf,
  type DayCounts,
  type DayLine,
  type DaySpan,
  type NamingLine,
  type Taking,
  type WholeReview,
} from '@glossarion/core/review';
import { ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import { BlockEntity, EntryEntity, HappeningEntity, KindUseEntity, LinkEntity, TaskEntity } from '../entities';
import type { Entries } from './entries';
import type { Kinds } from './kinds';
import type { Zones } from './zones';

/** The most of what took the time that is listed. */
const TOOK_MOST = 40;
/** Ids that one statement names. */
const AT_ONCE = 500;

/** Looks back on weeks, months and years. */
export class Reviews {
  constructor(
    private database: Database,
    private entries: Entries,
    private kinds: Kinds,
    private zones: Zones,
  ) {}

  async of(viewer: Viewer, period: Period, today: string, weekBegins: number): Promise<WholeReview> {
    const span = daysToCount(period, weekBegins);
    const days = await this.counts(viewer, span);
    const review = reviewOf(period, days, today, weekBegins);
    const own = daysOf(period, weekBegins);
    const took = await this.took(viewer, { first: review.before.days.first, last: own.last }, review.before.days, own);
    const shown = took.slice(0, TOOK_MOST);
    return {
      review,
      took: shown,
      targets: this.entries.targets(
        viewer,
        shown.map(({ pageId }) => pageId),
      ),
    };
  }

  /** What is counted of each day. */
  private async counts(viewer: Viewer, span: DaySpan): Promise<DayCounts[]> {
    const days = new Map<string, DayCounts>();
    const at = (day: string): DayCounts => {
      const known = days.get(day) ?? { day, isWritten: false, ...NOTHING };
      days.set(day, known);
      return known;
    };
    for (const day of await this.writtenDays(viewer, span)) at(day).isWritten = true;
    for (const { day, what, count, words, pages } of await this.happenings(viewer, span)) {
      if (what === 'words') {
        at(day).words += words;
        at(day).pagesChanged += pages;
      } else if (what === 'done') at(day).tasksDone += count;
      else if (what === 'putOff') at(day).tasksPutOff += count;
    }
    for (const day of await this.pagesBegun(viewer, span)) at(day).pagesBegun += 1;
    for (const day of await this.tasksCome(viewer, span)) at(day).tasksCome += 1;
    return [...days.values()];
  }

  private async writtenDays(viewer: Viewer, { first, last }: DaySpan): Promise<string[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.day', 'day')
      .where('e.day BETWEEN :first AND :last AND e.wordCount > 0', { first, last });
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ day: string }>();
    return rows.map(({ day }) => day);
  }

  private happenings(viewer: Viewer, { first, last }: DaySpan) {
    return this.database.manager
      .createQueryBuilder(HappeningEntity, 'h')
      .leftJoin(EntryEntity.options.name, 'e', 'e.id = h.documentId AND e.day IS NULL AND h.words != 0')
      .select(['h.day AS day', 'h.what AS what', 'COUNT(*) AS count', 'SUM(h.words) AS words', 'COUNT(e.id) AS pages'])
      .where({ ...ownedBy(viewer), day: Between(first, last), isTakenBack: 0 as const })
      .groupBy('h.day')
      .addGroupBy('h.what')
      .getRawMany<{ day: string; what: string; count: number; words: number; pages: number }>();
  }

  /** The moments between which days lie where the person is. */
  private async momentsOf(
    viewer: Viewer,
    { first, last }: DaySpan,
  ): Promise<{ zone: string | null; from: string; to: string }> {
    const zone = await this.zones.of(viewer);
    return { zone, from: momentsOf(first, zone)[0], to: momentsOf(addDays(last, 1), zone)[0] };
  }

  /** The day of each page that was begun, leaving out what stands in the journal or the Tray. */
  private async pagesBegun(viewer: Viewer, span: DaySpan): Promise<string[]> {
    const { zone, from, to } = await this.momentsOf(viewer, span);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.begunAt', 'begunAt')
      .where("e.kind = 'page' AND e.deletedAt IS NULL AND e.day IS NULL AND e.period IS NULL AND e.jotting IS NULL")
      .andWhere('e.begunAt >= :from AND e.begunAt < :to', { from, to });
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ begunAt: string }>();
    return rows.map(({ begunAt }) => dayAt(new Date(begunAt), zone));
  }

  /** The day of each task that came in: that of its page, or else the one on which its line was begun. */
  private async tasksCome(viewer: Viewer, span: DaySpan): Promise<string[]> {
    const { zone, from, to } = await this.momentsOf(viewer, span);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(TaskEntity.options.name, 't', 't.documentId = e.id')
      .select(['e.day AS day', 't.blockId AS "blockId"'])
      .where('e.deletedAt IS NULL AND e.isTemplate = 0')
      .andWhere('(e.day BETWEEN :first AND :last OR (e.day IS NULL AND t.blockId >= :least AND t.blockId < :beyond))', {
        ...span,
        least: idAt(from),
        beyond: idAt(to),
      });
    const rows = await this.database
      .reading(viewer)
      .visible(query)
      .getRawMany<{ day: string | null; blockId: string }>();
    return rows.flatMap(({ day, blockId }) => day ?? momentOfId(blockId, zone) ?? []);
  }

  /** Which projects, people and readings lines of days name. */
  private async took(viewer: Viewer, all: DaySpan, before: DaySpan, own: DaySpan) {
    const naming = await this.naming(viewer, all);
    const isOwn = (day: string) => day >= own.first && day <= own.last;
    const wanted = naming.filter(({ day }) => isOwn(day) || (day >= before.first && day <= before.last));
    const documents = [...new Set(wanted.filter(({ day }) => isOwn(day)).map(({ documentId }) => documentId))];
    return tookOf(wanted, await this.linesOf(documents), isOwn);
  }

  private async naming(viewer: Viewer, { first, last }: DaySpan): Promise<NamingLine[]> {
    const tree = await this.kinds.tree(viewer);
    const takingOf = new Map<string, Taking>();
    for (const kind of [...TAKING].reverse()) {
      for (const id of tree.narrower(shippedKindId(viewer.accountId, kind))) takingOf.set(id, kind);
    }
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(LinkEntity.options.name, 'l', 'l.documentId = e.id AND l.ofField = 0')
      .leftJoin(BlockEntity.options.name, 'b', 'b.id = l.target')
      .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = COALESCE(b.documentId, l.target)')
      .select(['e.day AS day', 'e.id AS "documentId"', 'l.blockId AS "blockId"', 'u.documentId AS "pageId"'])
      .addSelect('u.kind', 'kindId')
      .where('e.day BETWEEN :first AND :last AND u.kind IN (:...kinds)', { first, last, kinds: [...takingOf.keys()] });
    const rows = await this.database
      .reading(viewer)
      .visible(query)
      .getRawMany<Omit<NamingLine, 'kind'> & { kindId: string }>();
    const reader = this.entries.reader(viewer);
    return rows
      .filter(({ pageId }) => reader.target(pageId).state !== 'gone')
      .map(({ kindId, ...rest }) => ({ ...rest, kind: takingOf.get(kindId)! }));
  }

  private async linesOf(documents: readonly string[]): Promise<DayLine[]> {
    const lines: DayLine[] = [];
    for (let from = 0; from < documents.length; from += AT_ONCE) {
      const rows = await this.database.manager.find(BlockEntity, {
        select: { documentId: true, id: true, parentId: true, words: true },
        where: { documentId: In(documents.slice(from, from + AT_ONCE)) },
      });
      for (const { documentId, id, parentId, words } of rows) {
        lines.push({ documentId, id, parentId, wordCount: countWords(words) });
      }
    }
    return lines;
  }
}

const NOTHING = { words: 0, tasksDone: 0, tasksPutOff: 0, tasksCome: 0, pagesBegun: 0, pagesChanged: 0 };

/** The least id that can be drawn at a moment: the first 48 bits of a UUID v7 are its milliseconds (RFC 9562, 5.7). */
function idAt(moment: string): string {
  const hex = Math.max(0, Date.parse(moment)).toString(16).padStart(12, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8)}`;
}

/** The day on which an id was drawn; null for one that was computed. */
function momentOfId(id: string, zone: string | null): string | null {
  if (id[14] !== '7') return null;
  return dayAt(new Date(parseInt(id.replace('-', '').slice(0, 12), 16)), zone);
}
