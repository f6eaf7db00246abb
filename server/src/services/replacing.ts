import { createHash } from 'node:crypto';
import type { Act } from '@glossarion/core/acts';
import { idOf, type BodyJson, type NodeJson } from '@glossarion/core/document';
import type { Target } from '@glossarion/core/links';
import {
  matcherOf,
  MatcherError,
  replacedIn,
  type ChosenLine,
  type Matcher,
  type ReplacedPage,
  type ReplacePreview,
  type ReplaceWish,
} from '@glossarion/core/replace';
import type { Viewer, ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { DOCUMENT } from '../entities/document.queries';
import { Problem } from '../problem';
import { prepared } from '../sqlite/prepared';
import type { Entries, EntryReader } from './entries';
import type { Find } from './find';
import { nextTurn } from './turns';

/** The most lines and pages that are replaced at once. */
const MOST_LINES = 1_000;
const MOST_PAGES = 500;
/** The most pages that a search chooses. */
const MOST_FOUND = 20_000;
/** Others are served after so long, in milliseconds; and after so long nothing more is looked through. */
const AT_ONCE = 20;
const AT_MOST = 8_000;

/** What is done, to be performed as acts. */
export interface Replacement {
  acts: Act[];
  lines: number;
  /** Pages of which lines were changed meanwhile: these stay as they are. */
  left: Target[];
}

/** Replaces words across pages: shows what would be changed, and plans what was chosen of it. */
export class Replacing {
  constructor(
    private database: Database,
    private entries: Entries,
    private find: Find,
  ) {}

  /**
   * What a replacement would change, on the pages that a search finds or on all, those changed last first.
   *
   * @param searched a query line; empty for all pages
   */
  async preview(viewer: Viewer, wish: ReplaceWish, searched: string): Promise<ReplacePreview> {
    const preview: ReplacePreview = { pages: [], isMore: false, trouble: null };
    let matcher: Matcher;
    try {
      matcher = matcherOf(wish);
    } catch (error) {
      if (!(error instanceof MatcherError)) throw error;
      return { ...preview, trouble: error.message };
    }
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    let lines = 0;
    const begun = performance.now();
    let rested = begun;
    for (const id of await this.pagesFor(viewer, connection, searched)) {
      const page = previewOf(connection, reader, id, matcher);
      if (page) {
        preview.pages.push({ ...page, lines: page.lines.slice(0, MOST_LINES - lines) });
        lines += page.lines.length;
      }
      const now = performance.now();
      if (lines >= MOST_LINES || preview.pages.length >= MOST_PAGES || now - begun > AT_MOST) {
        preview.isMore = true;
        break;
      }
      if (now - rested > AT_ONCE) {
        await nextTurn();
        rested = performance.now();
      }
    }
    return preview;
  }

  /**
   * What was chosen of a preview, as acts; what is not as it was shown is left as it is.
   *
   * @throws Problem (400) when nothing can be looked for so
   */
  plan(viewer: Viewer, wish: ReplaceWish, chosen: readonly ChosenLine[]): Replacement {
    const matcher = checked(wish);
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    const byPage = new Map<string, Map<string, string>>();
    for (const { pageId, blockId, state } of chosen) {
      byPage.set(pageId, (byPage.get(pageId) ?? new Map<string, string>()).set(blockId, state));
    }
    const replacement: Replacement = { acts: [], lines: 0, left: [] };
    for (const [pageId, states] of byPage) {
      const was: NodeJson[] = [];
      const nodes: NodeJson[] = [];
      for (const node of contentOf(connection, reader, pageId)) {
        if (states.get(idOf(node)) !== stateOf(node)) continue;
        const replaced = replacedIn(node, matcher, titleIn(reader));
        if (!replaced) continue;
        was.push(node);
        nodes.push(replaced.node);
      }
      if (nodes.length < states.size) replacement.left.push(reader.target(pageId));
      if (nodes.length > 0) replacement.acts.push({ do: 'rewrite', id: pageId, nodes, was });
      replacement.lines += nodes.length;
    }
    return replacement;
  }

  private async pagesFor(viewer: Viewer, connection: ViewerConnection, searched: string): Promise<string[]> {
    if (searched.trim() !== '') return (await this.find.idsOf(viewer, searched, MOST_FOUND)) ?? [];
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.id', 'id')
      .where("e.kind = 'page' AND e.deletedAt IS NULL")
      .orderBy('e.changedAt', 'DESC');
    return (await connection.visible(query).getRawMany<{ id: string }>()).map(({ id }) => id);
  }
}

function checked(wish: ReplaceWish): Matcher {
  try {
    return matcherOf(wish);
  } catch (error) {
    if (error instanceof MatcherError) throw new Problem(400, error.message);
    throw error;
  }
}

function previewOf(
  connection: ViewerConnection,
  reader: EntryReader,
  id: string,
  matcher: Matcher,
): ReplacedPage | null {
  const lines = contentOf(connection, reader, id).flatMap((node) => {
    const replaced = replacedIn(node, matcher, titleIn(reader));
    if (!replaced) return [];
    const { before, after } = replaced;
    return [{ blockId: idOf(node), state: stateOf(node), before, after }];
  });
  return lines.length > 0 ? { page: reader.target(id), lines } : null;
}

/** The lines of a page that the viewer sees and that is not in the bin. */
function contentOf(connection: ViewerConnection, reader: EntryReader, id: string): NodeJson[] {
  const [present] = reader.present([id]);
  const stored = present && (prepared(connection.raw, DOCUMENT).get(id) as { json: string } | undefined);
  return stored ? (JSON.parse(stored.json) as BodyJson).content : [];
}

const titleIn =
  (reader: EntryReader) =>
  (id: string): string =>
    reader.title(id);

const stateOf = (node: NodeJson): string =>
  createHash('sha256').update(JSON.stringify(node)).digest('hex').slice(0, 24);
