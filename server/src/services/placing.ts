import type { NodeJson } from '@glossarion/core/document';
import {
  marginLine,
  placeGlosses,
  wordsAround,
  type MarginReference,
  type MarginSubject,
} from '@glossarion/core/margin/placing';
import { accountOf, type Viewer, type ViewerConnection } from '../access';
import { rarityOf } from '../background/rarity';
import type { Database } from '../database/database';
import { EntryEntity, GlossPlaceEntity, MovedGlossEntity, type GlossPlace, type MovedGloss } from '../entities';
import { LINES } from '../entities/block.queries';
import { PUT_ROW } from '../entities/fact.queries';
import { LINES_AROUND } from '../entities/link.queries';
import { prepared } from '../sqlite/prepared';
import type { Entries, EntryReader } from './entries';
import { childrenOf, type WholeLine } from './wholeLines';

/** A line that points somewhere. */
interface Pointing {
  documentId: string;
  blockId: string;
}

/** Where glosses of a page were moved to by hand: the line, or null for the head, by their key as they stand now. */
export type MovedOnPage = ReadonlyMap<string, string | null>;

interface MovedRow extends MovedGloss {
  /** What the page it was moved on was merged into. */
  mergedInto: string | null;
}

interface LineAround extends WholeLine {
  beforeNode: string | null;
  nextNode: string | null;
  headingNode: string | null;
}

/** More lines of a page than these are not placed beside. */
const LINES_READ = 20_000;
/** How many pages an account has is counted again after so long, in milliseconds: it decides next to nothing. */
const COUNTED_FOR = 10 * 60_000;
const COLUMNS = ['targetId', 'blockId', 'lineId', 'score'] as const;
const PUT_PLACE = PUT_ROW(GlossPlaceEntity.options.tableName!, COLUMNS);

export const glossKey = ({ documentId, blockId }: Pointing): string => `${documentId}/${blockId}`;

/** Finds the lines that glosses stand beside, and keeps them with the facts of the page (core/margin). */
export class Placing {
  private counted = new Map<string, { pages: number; at: number }>();
  /** Transactions that are over. */
  private ended = 0;

  constructor(
    private database: Database,
    private entries: Entries,
  ) {
    database.onEnd(() => void (this.ended += 1));
  }

  /**
   * Where lines that point at a page stand in its Margin, of which it is not known yet; it is known from then on, as
   * long as neither side changes.
   */
  async find(viewer: Viewer, pageId: string, pointing: readonly Pointing[]): Promise<GlossPlace[]> {
    if (pointing.length === 0) return [];
    const pages = await this.pagesOf(viewer);
    const { ended } = this;
    const found = placed(this.database.reading(viewer), this.entries.reader(viewer), pageId, pointing, pages);
    // Each is the same whoever looks, but for what they may not see.
    if (accountOf(this.database.reader, pageId) === viewer.accountId) {
      void this.keep(viewer, pageId, pointing, pages, { rows: found, ended }).catch(() => undefined);
    }
    return found;
  }

  /** Where glosses were moved to by hand, by the page. */
  async moved(viewer: Viewer, pageIds: readonly string[]): Promise<ReadonlyMap<string, MovedOnPage>> {
    const rows = await this.database.manager
      .createQueryBuilder(MovedGlossEntity, 'm')
      .leftJoin(EntryEntity.options.name, 'e', 'e.id = m.targetId')
      .select([
        'm.targetId AS "targetId"',
        'm.blockId AS "blockId"',
        'm.lineId AS "lineId"',
        'e.mergedInto AS "mergedInto"',
      ])
      .where('m.targetId IN (:...pageIds)', { pageIds })
      .orWhere('m.targetId IN (SELECT e.id FROM entries e WHERE e.mergedInto IN (:...pageIds))')
      .getRawMany<MovedRow>();
    const moved = new Map<string, Map<string, string | null>>();
    const asked = new Set(pageIds);
    for (const { targetId, mergedInto, blockId, lineId } of rows) {
      const pageId = asked.has(targetId) || mergedInto === null ? targetId : mergedInto;
      const gloss = this.entries.block(viewer, blockId);
      const line = lineId === null ? null : this.entries.block(viewer, lineId);
      // Beside a line that is gone, or stands elsewhere now, it stands where it would have.
      if (!gloss || (line !== null && line?.pageId !== pageId)) continue;
      const ofPage = moved.get(pageId) ?? new Map<string, string | null>();
      ofPage.set(glossKey({ documentId: gloss.pageId, blockId: gloss.blockId }), line?.blockId ?? null);
      moved.set(pageId, ofPage);
    }
    return moved;
  }

  /** Placed once more from what is stored then, if anything was stored since it was read. */
  private keep(
    viewer: Viewer,
    pageId: string,
    pointing: readonly Pointing[],
    pages: number,
    found: { rows: GlossPlace[]; ended: number },
  ): Promise<void> {
    // It can be found again: the disk is not waited for.
    return this.database.writePiece(async () => {
      const connection = this.database.writing(viewer);
      if (accountOf(connection.raw, pageId) === undefined) return;
      const put = prepared(connection.raw, PUT_PLACE);
      const isSame = this.ended === found.ended;
      const rows = isSame ? found.rows : placed(connection, this.entries.reader(viewer), pageId, pointing, pages);
      for (const row of rows) {
        put.run(row.documentId, ...COLUMNS.map((column) => row[column]));
      }
    });
  }

  private async pagesOf(viewer: Viewer): Promise<number> {
    const known = this.counted.get(viewer.accountId);
    if (known && known.at > Date.now() - COUNTED_FOR) return known.pages;
    const query = this.database.manager.createQueryBuilder(EntryEntity, 'e').where({ kind: 'page' });
    const pages = await this.database.reading(viewer).visible(query).getCount();
    this.counted.set(viewer.accountId, { pages, at: Date.now() });
    return pages;
  }
}

function placed(
  connection: ViewerConnection,
  reader: EntryReader,
  pageId: string,
  pointing: readonly Pointing[],
  pages: number,
): GlossPlace[] {
  const titles = new Map<string, string>();
  const titleOf = (id: string): string => {
    if (!titles.has(id)) titles.set(id, reader.title(id));
    return titles.get(id)!;
  };
  const nameOf = (id: string): string => (reader.target(id).day === null ? titleOf(id) : '');
  const lines = connection.all<{ node: string }>(LINES, { id: pageId, from: null, limit: LINES_READ });
  const subject: MarginSubject = {
    id: pageId,
    title: nameOf(pageId),
    lines: lines.map(({ node }) => marginLine(pageId, [JSON.parse(node) as NodeJson], titleOf)),
  };
  const asked = JSON.stringify(pointing.map(({ documentId, blockId }) => [documentId, blockId]));
  const references = connection.all<LineAround>(LINES_AROUND, { asked }).map((line): MarginReference => {
    const { documentId } = pointing[line.place]!;
    const nodes = [JSON.parse(line.node) as NodeJson, ...childrenOf(connection, documentId, line)];
    const isDay = reader.target(documentId).day !== null;
    const parsed = (node: string | null) => (node === null ? null : (JSON.parse(node) as NodeJson));
    const around = { before: parsed(line.beforeNode), after: parsed(line.nextNode), heading: parsed(line.headingNode) };
    return {
      ...marginLine(pageId, nodes, titleOf),
      id: String(line.place),
      targetBlockId: null,
      pageId: documentId,
      title: isDay ? '' : titleOf(documentId),
      around: isDay ? '' : wordsAround(pageId, around, titleOf),
    };
  });
  return placeGlosses(subject, references, rarityOf(connection, pages)).map(({ referenceId, lineId, score }) => ({
    targetId: pageId,
    ...pointing[Number(referenceId)]!,
    lineId,
    score,
  }));
}
