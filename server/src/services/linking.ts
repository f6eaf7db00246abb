import { linkRanges, mapTextBlocks, nameKey, type NamedAt } from '@glossarion/core/alsoNamed';
import { isCalendarDate } from '@glossarion/core/dates';
import { checkBody, type NodeJson } from '@glossarion/core/document';
import { dayOfKey } from '../background/mentions';
import { foldWords } from '@glossarion/core/find';
import { dayId } from '@glossarion/core/journal';
import type { Act } from '@glossarion/core/outline';
import type { Entry } from '../entities';
import { notFound, Problem } from '../problem';
import type { ActContext, Performer } from './acts';
import { standing } from './alsoNamed';

/** The acts about names and links, each within the transaction that does it all. */

const idOf = (node: NodeJson): string => String(node.attrs?.id);

const ownPage = (context: ActContext, id: string): Entry => {
  const entry = context.database.writer
    .prepare("SELECT * FROM entries WHERE id = ? AND ownerId = ? AND kind = 'page'")
    .get(id, context.ownerId) as Entry | undefined;
  if (!entry) throw notFound();
  return entry;
};

/** Gives lines of a page other content. Undone, they are what they were. */
export const rewrite: Performer<'rewrite'> = async (act, context) => {
  const { content } = context.documents.bodyWithin(context.ownerId, act.id);
  const next = new Map(checkBody({ type: 'doc', content: act.nodes }).content.map((node) => [idOf(node), node]));
  const was = act.was && act.was.length > 0 ? checkBody({ type: 'doc', content: act.was }).content : [];
  const expected = new Map(was.map((node) => [idOf(node), JSON.stringify(node)]));
  const before: NodeJson[] = [];
  const rewritten = content.map((node) => {
    const other = next.get(idOf(node));
    if (!other) return node;
    const seen = expected.get(idOf(node));
    if (seen !== undefined && seen !== JSON.stringify(node)) {
      throw new Problem(409, 'The line was changed elsewhere meanwhile. Yours is kept here; look at both.');
    }
    before.push(node);
    return other;
  });
  if (before.length !== next.size) throw new Problem(409, 'The line is not on its page any more.');
  context.accepted.push(
    await context.documents.rewriteWithin(context.manager, context.ownerId, act.id, {
      type: 'doc',
      content: rewritten,
    }),
  );
  return [{ do: 'rewrite', id: act.id, nodes: before }];
};

const namesOf = (context: ActContext, id: string): string[] =>
  (
    context.database.writer.prepare('SELECT name FROM otherNames WHERE pageId = ? ORDER BY position').all(id) as {
      name: string;
    }[]
  ).map(({ name }) => name);

/** Gives a page other names, by which it is found and linked too. */
export const otherNames: Performer<'otherNames'> = (act, context) => {
  const entry = ownPage(context, act.id);
  if (entry.day !== null) throw new Problem(400, 'A day has its date for a name.');
  const { writer } = context.database;
  const before = namesOf(context, act.id);
  const names = [...new Map(act.names.map((name) => [foldWords(name).trim(), name.trim()])).values()].filter(Boolean);
  writer.prepare('DELETE FROM otherNames WHERE pageId = ?').run(act.id);
  const add = writer.prepare('INSERT INTO otherNames (pageId, position, name) VALUES (?, ?, ?)');
  names.forEach((name, position) => add.run(act.id, position, name));
  context.facts.writeOtherNames(entry);
  for (const name of before) if (!names.includes(name)) context.facts.noteName(act.id, name);
  for (const name of names) if (!before.includes(name)) context.facts.noteName(act.id, name);
  return [{ do: 'otherNames', id: act.id, names: before }];
};

/** Puts links in the place of names: in each of these lines, wherever it names the page. */
export const linkNames: Performer<'linkNames'> = async (act, context) => {
  const { writer } = context.database;
  const target = writer
    .prepare('SELECT name, day FROM entries WHERE id = ? AND ownerId = ?')
    .get(act.id, context.ownerId) as Pick<Entry, 'name' | 'day'> | undefined;
  const isDay = act.day !== undefined && dayId(context.ownerId, act.day) === act.id;
  const day = target?.day ?? (isDay ? act.day! : null);
  if (!target && day === null) throw notFound();
  const title = target?.name ?? '';
  const keys = new Set([title, ...namesOf(context, act.id)].map(nameKey).filter((key) => key !== null));
  const found = writer.prepare('SELECT name, places FROM mentions WHERE pageId = ? AND blockId = ?');
  const lines = new Map<string, Set<string>>();
  for (const { pageId, blockId } of act.places) lines.set(pageId, (lines.get(pageId) ?? new Set()).add(blockId));
  const undo: Act[] = [];
  for (const [pageId, blockIds] of lines) {
    ownPage(context, pageId);
    const { content } = context.documents.bodyWithin(context.ownerId, pageId);
    const nodes = content
      .filter((node) => blockIds.has(idOf(node)))
      .map((node) => {
        const rows = found.all(pageId, idOf(node)) as { name: string; places: string }[];
        const wanted = rows.filter(({ name }) => (day === null ? keys.has(name) : dayOfKey(name) === day));
        const places = wanted.flatMap(({ places: stored }) => JSON.parse(stored) as NamedAt[]);
        const isStanding = (place: NamedAt) => day !== null || standing(node, [place], keys).length > 0;
        return linked(node, places.filter(isStanding), act.id, (written) =>
          (day !== null ? isCalendarDate(written) : written === title) ? null : written,
        );
      })
      .filter((node) => !content.includes(node));
    if (nodes.length === 0) continue;
    undo.unshift(...(await context.perform({ do: 'rewrite', id: pageId, nodes })));
  }
  return undo;
};

/** A node with links at these places. */
function linked(
  node: NodeJson,
  places: readonly NamedAt[],
  target: string,
  words: (written: string) => string | null,
): NodeJson {
  let text = -1;
  return mapTextBlocks(node, (block) => {
    text += 1;
    const ranges = places
      .filter(([index]) => index === text)
      .map(([, start, end]) => ({ start, end }))
      .sort((one, other) => one.start - other.start);
    return linkRanges(block, ranges, target, words);
  });
}

/** Leaves a line that names a page unlinked for good, or offers it again. */
export const leaveUnlinked: Performer<'leaveUnlinked'> = (act, context) => {
  const { writer } = context.database;
  ownPage(context, act.pageId);
  if (!writer.prepare('SELECT 1 FROM entries WHERE id = ? AND ownerId = ?').get(act.id, context.ownerId))
    throw new Problem(400, 'Nothing is written on that day yet. Write a line there first; then lines can be left out.');
  const before = writer
    .prepare('SELECT 1 FROM unlinked WHERE targetId = ? AND pageId = ? AND blockId = ?')
    .get(act.id, act.pageId, act.blockId);
  writer
    .prepare(
      act.isLeft
        ? 'INSERT OR IGNORE INTO unlinked (targetId, pageId, blockId) VALUES (?, ?, ?)'
        : 'DELETE FROM unlinked WHERE targetId = ? AND pageId = ? AND blockId = ?',
    )
    .run(act.id, act.pageId, act.blockId);
  return [{ ...act, isLeft: before !== undefined }];
};

/** Lets links to a page lead to another one; null lets them lead to itself again. */
export const leadTo: Performer<'leadTo'> = async (act, context) => {
  const entry = ownPage(context, act.id);
  if (act.toId !== null) ownPage(context, act.toId);
  const { writer } = context.database;
  const next = writer.prepare('SELECT mergedInto FROM entries WHERE id = ?').pluck();
  const met = new Set<string>();
  for (let at = act.toId; at !== null && !met.has(at); at = (next.get(at) as string | null | undefined) ?? null) {
    if (at === act.id) {
      throw new Problem(
        409,
        'The other page was merged into this one meanwhile, and can’t hold it as well. Nothing was changed.',
      );
    }
    met.add(at);
  }
  writer.prepare('UPDATE entries SET mergedInto = ? WHERE id = ?').run(act.toId, act.id);
  return [{ do: 'leadTo', id: act.id, toId: entry.mergedInto }];
};

/**
 * Merges a page into another: its lines come to the other's end, what stands beneath it comes beneath the other, and
 * the other is called by its names too. Links to it lead to the other from then on.
 */
export const merge: Performer<'merge'> = async (act, context) => {
  const [from, into] = [ownPage(context, act.id), ownPage(context, act.intoId)];
  if (from.id === into.id) throw new Problem(400, 'A page can’t be merged into itself.');
  if (from.day !== null) throw new Problem(400, 'A day stays in the journal; its lines can be sent elsewhere.');
  if (from.deletedAt !== null || into.deletedAt !== null || into.mergedInto !== null)
    throw new Problem(400, 'What is in the bin can’t be merged. Bring it back first.');
  if (isBeneath(context, into.id, from.id))
    throw new Problem(400, 'The other page stands beneath this one. Merge it the other way round, or move it first.');
  const undo: Act[] = [];
  const doing = async (next: Act) => undo.unshift(...(await context.perform(next)));
  const { content } = context.documents.bodyWithin(context.ownerId, from.id);
  const end = context.documents.bodyWithin(context.ownerId, into.id).content.at(-1);
  const isBlank = content.length === 1 && content[0]!.type === 'block' && !content[0]!.content?.length;
  if (!isBlank) {
    let afterId = end ? idOf(end) : null;
    const blocks = content.map((node) => {
      const moved = { id: idOf(node), from: from.id, to: into.id, afterId, depth: Number(node.attrs?.depth ?? 0) };
      afterId = moved.id;
      return moved;
    });
    await doing({ do: 'moveBlocks', id: from.id, blocks });
  }
  if (into.day === null) {
    const names = [...namesOf(context, into.id), from.name, ...namesOf(context, from.id)];
    const isNew = (name: string) => name.trim() !== '' && foldWords(name).trim() !== foldWords(into.name).trim();
    await doing({ do: 'otherNames', id: into.id, names: names.filter(isNew) });
    await doing({ do: 'otherNames', id: from.id, names: [] });
    const beneath = context.database.writer
      .prepare('SELECT id FROM entries WHERE parentId = ? AND deletedAt IS NULL ORDER BY orderKey')
      .all(from.id) as { id: string }[];
    for (const { id } of beneath) await doing({ do: 'place', id, parentId: into.id });
  }
  await doing({ do: 'leadTo', id: from.id, toId: into.id });
  await doing({ do: 'bin', id: from.id });
  return undo;
};

function isBeneath(context: ActContext, id: string, aboveId: string): boolean {
  const read = context.database.writer.prepare('SELECT parentId FROM entries WHERE id = ?');
  let at: string | null = id;
  for (let steps = 0; at !== null && steps < 200; steps += 1) {
    if (at === aboveId) return true;
    at = (read.get(at) as { parentId: string | null } | undefined)?.parentId ?? null;
  }
  return false;
}
