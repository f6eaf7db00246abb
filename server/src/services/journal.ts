import {
  addDays,
  dayId,
  daysBetween,
  dayTitle,
  periodId,
  periodTitle,
  type AroundDay,
  type CalendarDay,
  type DayPage,
  type EarlierYear,
  type PeriodPage,
} from '@glossarion/core/journal';
import { bodyFacts, isHeading, shownIn, type BodyJson } from '@glossarion/core/document';
import { Between, IsNull, type FindOptionsWhere } from 'typeorm';
import { entryIfVisible, ownedBy, type Viewer } from '../access';
import type { Database } from '../database/database';
import {
  AttachmentEntity,
  DocumentEntity,
  EntryEntity,
  HappeningEntity,
  type Entry,
  type Happening,
} from '../entities';
import { DAYS, DAYS_FORTH } from '../entities/journal.queries';
import { dayBeginning } from './dayBeginnings';
import type { Entries } from './entries';
import type { Tasks } from './tasks';
import type { Zones } from './zones';

/** No day of a calendar comes before it. */
const FIRST_DAY = '0000-01-01';
/** No part of what else happened shows more. */
const PART = 60;
const NOTHING_WRITTEN = { name: '', firstWords: '', wordCount: 0 };

/** Earlier years that are shown. */
const YEARS = 20;

/** The days of an account. */
export class Journal {
  constructor(
    private database: Database,
    private entries: Entries,
    private tasks: Tasks,
    private zones: Zones,
  ) {}

  async day(viewer: Viewer, day: string): Promise<DayPage> {
    const row = this.database.reading(viewer).first<DayRow>(DAYS, { from: day, to: day, least: 0, limit: 1 });
    if (row) return toDay(row);
    const pageId = dayId(viewer.accountId, day);
    return {
      day,
      pageId,
      title: dayTitle(day),
      body: await dayBeginning(this.database.manager, viewer, pageId, day),
      wordCount: 0,
      pointing: 0,
      isStored: false,
    };
  }

  /** Written days before a day, newest first. */
  before(viewer: Viewer, day: string, limit: number): DayPage[] {
    const span = { from: FIRST_DAY, to: addDays(day, -1), least: 1, limit };
    return this.database.reading(viewer).all<DayRow>(DAYS, span).map(toDay);
  }

  /** Written days after a day and before the end of another, the next one first. */
  after(viewer: Viewer, day: string, until: string, limit: number): DayPage[] {
    const span = { from: addDays(day, 1), to: until, least: 1, limit };
    return this.database.reading(viewer).all<DayRow>(DAYS_FORTH, span).map(toDay);
  }

  /** How much was written on each day of a span, and what is due on it. */
  async calendar(viewer: Viewer, from: string, to: string): Promise<CalendarDay[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(['e.row', 'e.day', 'e.wordCount'])
      .where({ ...ownedBy(viewer), day: Between(from, to) });
    const rows = await this.database.reading(viewer).visible(query).getMany();
    const written = new Map(rows.map((row) => [row.day, row.wordCount]));
    const due = await this.tasks.countByDay(viewer, from, to);
    return Array.from({ length: daysBetween(from, to) + 1 }, (_each, index) => {
      const day = addDays(from, index);
      return { day, wordCount: written.get(day) ?? 0, due: due.get(day) ?? 0 };
    });
  }

  /** The pages of weeks and months, made or not. */
  periods(viewer: Viewer, periods: readonly string[]): PeriodPage[] {
    const connection = this.database.reading(viewer);
    return periods.map((period) => {
      const pageId = periodId(viewer.accountId, period);
      const { name, firstWords, wordCount } = entryIfVisible(connection, pageId) ?? { ...NOTHING_WRITTEN };
      return { period, pageId, title: name || periodTitle(period), firstWords, wordCount };
    });
  }

  /** What else happened on a day, beside what stands on its page. */
  async around(viewer: Viewer, day: string): Promise<AroundDay> {
    const reader = this.entries.reader(viewer);
    const [from, to] = await this.zones.momentsOf(viewer, day);
    const own = dayId(viewer.accountId, day);
    const begun = await this.pagesOf(viewer, { begunAt: Between(from, to) });
    const typedIn = await this.happened(viewer, day, 'words');
    const touched = await this.pagesOf(viewer, { changedAt: Between(from, to) });
    const changed = new Set([...typedIn.map(({ documentId }) => documentId), ...touched]);
    for (const id of [...begun, own]) changed.delete(id);
    const done = await this.tasks.placed(
      viewer,
      reader,
      (await this.happened(viewer, day, 'done')).map(({ blockId }) => blockId),
    );
    const attached = await this.database.manager.find(AttachmentEntity, {
      select: { id: true, name: true, media: true },
      where: { ...ownedBy(viewer), madeAt: Between(from, to) },
      order: { madeAt: 'ASC' },
      take: PART,
    });
    return {
      years: await this.years(viewer, day),
      begun: reader.present(begun, PART),
      changed: reader.present(changed, PART).filter((target) => target.day === null),
      done,
      attached: attached.map(({ id, name, media }) => ({ id, name, media })),
      targets: reader.targets(shownIn(done.map(({ node }) => node))),
    };
  }

  /** The same date in earlier years, as far as it was written on. */
  private async years(viewer: Viewer, day: string): Promise<EarlierYear[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(['e.row', 'e.day', 'e.firstWords', 'e.wordCount', 'd.json AS json'])
      .innerJoin(DocumentEntity.options.name, 'd', 'd.id = e.id')
      .where("e.day < :day AND e.day LIKE '____' || :date AND e.wordCount > 0", { day, date: day.slice(4) })
      .andWhere(ownedBy(viewer))
      .orderBy('e.day', 'DESC')
      .limit(YEARS);
    const rows = await this.database
      .reading(viewer)
      .visible(query)
      .getRawMany<{ e_day: string; e_wordCount: number; json: string }>();
    return rows.map(({ e_day, e_wordCount, json }) => ({
      day: e_day,
      wordCount: e_wordCount,
      firstWords: firstSaid(JSON.parse(json) as BodyJson),
    }));
  }

  private async pagesOf(viewer: Viewer, where: FindOptionsWhere<Entry>): Promise<string[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.id', 'id')
      .where({ ...ownedBy(viewer), kind: 'page', day: IsNull(), deletedAt: IsNull(), ...where })
      .orderBy('e.changedAt', 'DESC')
      .limit(PART);
    return (await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>()).map(({ id }) => id);
  }

  private happened(viewer: Viewer, day: string, what: Happening['what']): Promise<Happening[]> {
    return this.database.manager.find(HappeningEntity, {
      where: { ...ownedBy(viewer), day, what },
      order: { number: 'ASC' },
      take: PART,
    });
  }
}

/** The first words of a day that are not its headings'; those are every day's. */
function firstSaid({ content }: BodyJson): string {
  const { firstWords } = bodyFacts({ type: 'doc', content: content.filter((node) => !isHeading(node)) });
  return firstWords;
}

interface DayRow {
  pageId: string;
  day: string;
  wordCount: number;
  json: string;
  pointing: number;
}

const toDay = ({ json, ...row }: DayRow): DayPage => ({
  ...row,
  title: dayTitle(row.day),
  body: JSON.parse(json) as BodyJson,
  isStored: true,
});
