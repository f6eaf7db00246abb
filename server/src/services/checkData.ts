import * as Y from 'yjs';
import { bodyFacts, readBody, readTitle, type BodyJson } from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/find';
import { MentionSearch } from '../background/mentions';
import type { RawDatabase } from '../database/database';
import { checkPlaces } from './checkPlaces';
import { foundTitle } from './facts';

/** A circle in what stands in what ends there; it is reported by itself. */
const MOST_STEPS = 50_000_000;

/** One place where what is stored of a page does not follow from its body. */
export interface Disagreement {
  pageId: string;
  what: string;
}

/** Rebuilds all facts from the bodies and compares them with the tables, row by row. Changes nothing. */
export function checkData(database: RawDatabase): Disagreement[] {
  const found: Disagreement[] = [];
  const pages = database
    .prepare(
      `SELECT e.row, e.id, e.name, e.firstWords, e.wordCount, b.json, b.state
       FROM entries e LEFT JOIN bodies b ON b.pageId = e.id WHERE e.kind = 'page'`,
    )
    .all() as PageRow[];
  const rows = (sql: string, pageId: string) => database.prepare(sql).all(pageId);
  for (const page of pages) {
    const report = (what: string) => found.push({ pageId: page.id, what });
    if (page.json === null) {
      report('The page has no body.');
      continue;
    }
    const body = JSON.parse(page.json) as BodyJson;
    const facts = bodyFacts(body);
    const expect = (what: string, held: unknown, derived: unknown) => {
      if (JSON.stringify(held) !== JSON.stringify(derived)) report(`${what} differ from the body.`);
    };
    expect('The first words and the count', [page.firstWords, page.wordCount], [facts.firstWords, facts.wordCount]);
    expect(
      'Blocks',
      rows(
        'SELECT id, parentId, headingId, position, depth, kind, state, words, node FROM blocks WHERE pageId = ? ORDER BY position',
        page.id,
      ),
      facts.blocks.map((block) => ({ ...block, node: JSON.stringify(block.node) })),
    );
    expect(
      'Links',
      rows('SELECT blockId, position, target, words FROM links WHERE pageId = ? ORDER BY position', page.id),
      facts.links,
    );
    expect(
      'Tags',
      rows('SELECT blockId, position, name, tag FROM tags WHERE pageId = ? ORDER BY position', page.id),
      facts.tags,
    );
    expect(
      'Attachments',
      rows('SELECT blockId, fileId FROM fileUses WHERE pageId = ? ORDER BY blockId', page.id),
      [...facts.files].sort((one, other) => (one.blockId < other.blockId ? -1 : 1)),
    );
    expect(
      'Former ids',
      rows('SELECT formerId, blockId FROM formerIds WHERE pageId = ? ORDER BY formerId', page.id),
      [...facts.formerIds].sort((one, other) => (one.formerId < other.formerId ? -1 : 1)),
    );
    const indexed = database.prepare('SELECT title, body FROM findIndex WHERE rowid = ?').get(page.row);
    const words = facts.blocks.map((block) => block.words).join('\n');
    const names = rows('SELECT name FROM otherNames WHERE pageId = ? ORDER BY position', page.id) as { name: string }[];
    const title = foundTitle(
      page.name,
      names.map(({ name }) => name),
    );
    expect('Words for finding', indexed, { title, body: indexedWords(words) });
    if (page.state) {
      const document = new Y.Doc({ gc: false });
      Y.applyUpdate(document, page.state);
      const updates = rows('SELECT data FROM updates WHERE pageId = ? ORDER BY number', page.id) as { data: Buffer }[];
      for (const { data } of updates) Y.applyUpdate(document, data);
      expect('The document’s title', page.name, readTitle(document));
      expect('The document’s words', facts, bodyFacts(readBody(document)));
    }
  }
  const beneath = database
    .prepare(
      `WITH RECURSIVE beneath(root, kind) AS (
         SELECT parentId, kind FROM entries WHERE parentId IS NOT NULL AND deletedAt IS NULL
         UNION ALL
         SELECT e.parentId, b.kind FROM beneath b JOIN entries e ON e.id = b.root
         WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL
         LIMIT ${MOST_STEPS}
       ), counted AS (
         SELECT root, SUM(kind = 'page') AS pages, SUM(kind = 'section') AS sections FROM beneath GROUP BY root
       )
       SELECT e.id FROM entries e LEFT JOIN counted c ON c.root = e.id
       WHERE e.pagesBeneath != COALESCE(c.pages, 0) OR e.sectionsBeneath != COALESCE(c.sections, 0)`,
    )
    .all() as { id: string }[];
  for (const { id } of beneath) found.push({ pageId: id, what: 'The number of pages and sections beneath differs.' });
  const names = database
    .prepare(
      `SELECT e.id, e.name, f.title FROM entries e LEFT JOIN findIndex f ON f.rowid = e.row WHERE e.kind != 'page'`,
    )
    .all() as { id: string; name: string; title: string | null }[];
  for (const { id, name, title } of names) {
    if (title !== indexedWords(name)) found.push({ pageId: id, what: 'The name for finding differs.' });
  }
  return [...found, ...checkPlaces(database), ...checkMentions(database)];
}

/** Compares what names what with the texts, where nothing is waiting to be looked through. */
function checkMentions(database: RawDatabase): Disagreement[] {
  if (database.prepare('SELECT 1 FROM namesDue').get()) return [];
  const search = new MentionSearch(database);
  const pages = database
    .prepare(
      `SELECT id, ownerId FROM entries e WHERE kind = 'page'
       AND NOT EXISTS (SELECT 1 FROM mentionsDue d WHERE d.pageId = e.id)`,
    )
    .all() as { id: string; ownerId: string }[];
  const held = database.prepare('SELECT name, blockId, places FROM mentions WHERE pageId = ?');
  return pages.flatMap(({ id, ownerId }) => {
    const key = (rows: { name: string; blockId: string; places: unknown }[]) =>
      rows
        .map((row) => JSON.stringify([row.name, row.blockId, row.places]))
        .sort()
        .join('\n');
    const derived = search.lookThrough(id, ownerId).map((each) => ({ ...each, places: JSON.stringify(each.places) }));
    const isSame = key(held.all(id) as typeof derived) === key(derived);
    return isSame ? [] : [{ pageId: id, what: 'What it names differs from its text.' }];
  });
}

interface PageRow {
  row: number;
  id: string;
  name: string;
  firstWords: string;
  wordCount: number;
  json: string | null;
  state: Buffer | null;
}
