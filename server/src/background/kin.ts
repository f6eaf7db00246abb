import { shownWords, type NodeJson } from '@glossarion/core/document';
import { kinOf, tellingStems, type Kin, type KinPage } from '@glossarion/core/kin';
import { tagToken, type TagTree } from '@glossarion/core/tags';
import { ownView, ViewerConnection, visibleTags, type Step } from '../access';
import type { RawDatabase } from '../sqlite/prepared';
import { LINES } from '../entities/block.queries';
import { STEP, UP } from '../entities/entry.queries';
import { FOUND } from '../entities/find.queries';
import { TAGS_OF } from '../entities/link.queries';
import { BY_LINKS, LINKED } from './kin.queries';
import { rarityOf } from './rarity';

const CANDIDATES = 80;
const STEMS = 14;
const SHOWN = 5;
/** The most tags that a stem is taken to name. */
const TAGS_OF_STEM = 4;
/** More lines than these of a page say no more about what it is about. */
const LINES_READ = 400;

/** Finds the pages that are most like one. Reads only. */
export class KinSearch {
  constructor(private database: RawDatabase) {}

  /** @param pages how many pages there are in all */
  find(accountId: string, pageId: string, pages: number): Kin[] {
    const connection = new ViewerConnection(this.database, ownView(accountId), true);
    const tags = visibleTags(connection);
    const page = pageOf(connection, tags, pageId);
    if (!page) return [];
    const rarity = rarityOf(connection, pages);
    const stems = tellingStems(page, rarity, STEMS);
    const linked = new Set(linkedWith(connection, pageId));
    const candidates = new Set([...byWords(connection, tags, stems), ...byLinks(connection, pageId)]);
    const others = [...candidates]
      .filter((id) => id !== pageId && !linked.has(id) && isKin(connection, id))
      .flatMap((id) => pageOf(connection, tags, id) ?? []);
    return kinOf(page, others, rarity, SHOWN);
  }
}

const idsOf = (rows: readonly { id: string }[]): string[] => [...new Set(rows.map(({ id }) => id))];

function pageOf(connection: ViewerConnection, tree: TagTree, id: string): KinPage | null {
  const step = connection.first<Step>(STEP, { id });
  if (!step) return null;
  const nodes = connection.all<{ node: string }>(LINES, { id, from: null, limit: LINES_READ });
  const titleOf = (target: string) => {
    const tag = tree.nameOf(target);
    if (tag !== null) return tag;
    const linked = connection.first<Step>(STEP, { id: target });
    return linked?.day === null ? linked.name : '';
  };
  const tags = connection.all<{ tag: string }>(TAGS_OF, { documentId: id, blockId: null });
  return {
    id,
    title: step.name,
    words: nodes.map(({ node }) => shownWords(JSON.parse(node) as NodeJson, titleOf)).join('\n'),
    links: linkedWith(connection, id),
    tags: [...new Set(tags.flatMap(({ tag }) => (tree.isGone(tag) ? [] : tree.present(tag)!.id)))],
  };
}

/** Pages that this one links to, and those that link to it. */
export const linkedWith = (connection: ViewerConnection, id: string): string[] =>
  idsOf(connection.all(LINKED, { id })).filter((each) => each !== id);

function byWords(connection: ViewerConnection, tree: TagTree, stems: readonly string[]): string[] {
  if (stems.length === 0) return [];
  const match = stems
    .flatMap((stem) => [
      `"${stem.replaceAll('"', '')}"*`,
      ...tree.named(stem, TAGS_OF_STEM, TAGS_OF_STEM).map((tag) => `"${tagToken(tag)}"`),
    ])
    .join(' OR ');
  return idsOf(connection.all(FOUND('ranked'), { match, limit: CANDIDATES }));
}

/** Pages that link to the same, and pages that the same link to. */
const byLinks = (connection: ViewerConnection, id: string): string[] =>
  idsOf(connection.all(BY_LINKS, { id, limit: CANDIDATES }));

/** Whether it is a page that can be alike: no day, not in the bin. */
function isKin(connection: ViewerConnection, id: string): boolean {
  const step = connection.first<Step>(STEP, { id });
  if (step?.kind !== 'page' || step.day !== null) return false;
  return connection.all<{ deletedAt: string | null }>(UP, { id }).every(({ deletedAt }) => deletedAt === null);
}
