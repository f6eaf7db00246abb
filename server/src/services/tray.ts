import { shownIn, type BodyJson } from '@glossarion/core/document';
import type { JottingState } from '@glossarion/core/outline';
import { standsOn, type Jotting, type Tray } from '@glossarion/core/tray';
import type { SelectQueryBuilder } from 'typeorm';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { DocumentEntity, EntryEntity, type Entry } from '../entities';
import type { Entries } from './entries';

/** No answer brings more jottings. */
const MOST = 300;

interface Row {
  id: string;
  begunAt: string;
  jotting: JottingState;
  comesBack: string | null;
  json: string;
}

/** The jottings of an account. */
export class TrayReader {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** All that is in the Tray, first come first: what waits, what comes back, what is kept. */
  async tray(viewer: Viewer): Promise<Tray> {
    const rows = await this.jottings(viewer)
      .limit(MOST + 1)
      .getRawMany<Row>();
    const jottings = rows.slice(0, MOST).map(toJotting);
    const more = rows.length > MOST ? (await this.jottings(viewer).getCount()) - MOST : 0;
    return { jottings, more, targets: this.targets(viewer, jottings) };
  }

  /** How many jottings wait today. */
  async waiting(viewer: Viewer, today: string): Promise<number> {
    return onlyWaiting(this.jottings(viewer, false), today).getCount();
  }

  /** The jottings that wait today, first come first. */
  async first(viewer: Viewer, today: string, limit: number): Promise<Jotting[]> {
    const rows = await onlyWaiting(this.jottings(viewer), today).limit(limit).getRawMany<Row>();
    return rows.map(toJotting);
  }

  /** Those that come back on a day, or had come back by it when it is today. */
  async comingBack(viewer: Viewer, day: string, today: string): Promise<Jotting[]> {
    const query = this.jottings(viewer).andWhere("e.jotting = 'waiting' AND e.comesBack <= :day", { day });
    const rows = await query.limit(MOST).getRawMany<Row>();
    return rows.filter((row) => standsOn(row, day, today)).map(toJotting);
  }

  private targets(viewer: Viewer, jottings: readonly Jotting[]): Tray['targets'] {
    return this.entries.reader(viewer).targets(shownIn(jottings.flatMap(({ nodes }) => nodes)));
  }

  private jottings(viewer: Viewer, withBodies = true): SelectQueryBuilder<Entry> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .where('e.jotting IS NOT NULL AND e.deletedAt IS NULL')
      .orderBy('e.begunAt')
      .addOrderBy('e.row');
    if (withBodies) {
      query
        .select(['e.id AS id', 'e.begunAt AS "begunAt"', 'e.jotting AS jotting', 'e.comesBack AS "comesBack"'])
        .addSelect('d.json', 'json')
        .innerJoin(DocumentEntity.options.name, 'd', 'd.id = e.id');
    }
    return this.database.reading(viewer).visible(query);
  }
}

/** As `trayPartOf` (core/tray) says it. */
const onlyWaiting = (query: SelectQueryBuilder<Entry>, today: string): SelectQueryBuilder<Entry> =>
  query.andWhere("e.jotting = 'waiting' AND (e.comesBack IS NULL OR e.comesBack <= :today)", { today });

const toJotting = ({ json, ...row }: Row): Jotting => ({ ...row, nodes: (JSON.parse(json) as BodyJson).content });
