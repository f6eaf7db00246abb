import { linkRanges, mapTextBlocks, nameKey, type NamedAt } from '@glossarion/core/alsoNamed';
import { isCalendarDate } from '@glossarion/core/dates';
import { checkBody, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { dayOfKey } from '../background/alsoNamed';
import { foldWords } from '@glossarion/core/find';
import { dayId } from '@glossarion/core/journal';
import type { Act } from '@glossarion/core/outline';
import { In, IsNull } from 'typeorm';
import { sees, visibleEntry, writableEntry, type EntryRow } from '../access';
import { AlsoNamedEntity, EntryEntity, UnlinkedEntity } from '../entities';
import { LED, UP } from '../entities/entry.queries';
import { notFound, Problem } from '../problem';
import type { ActContext, Performer } from './acts';
import { placesStillNaming } from './alsoNamed';
import { otherNamesOf, writeOtherNames } from './otherNames';

/** The acts about names and links, each within the transaction that does it all. */

const idOf = (node: NodeJson): string => String(node.attrs?.id);

/** A page that is to be changed. */
function writablePage({ connection }: ActContext, id: string): EntryRow {
  const entry = writableEntry(connection, id);
  if (entry.kind !== 'page') throw notFound();
  return entry;
}

/** Gives lines of a page other content. Undone, they are what they were. */
export const rewrite: Performer<'rewrite'> = async (act, context) => {
  const { content } = context.documents.bodyWithin(context.viewer, act.id);
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
  const body: BodyJson = { type: 'doc', content: rewritten };
  context.accepted.push(await context.documents.rewriteWithin(context.manager, context.viewer, act.id, body));
  return [{ do: 'rewrite', id: act.id, nodes: before }];
};

/** Gives a page other names, by which it is found and linked too. */
export const otherNames: Performer<'otherNames'> = async (act, context) => {
  const { facts, manager } = context;
  const entry = writablePage(context, act.id);
  if (entry.day !== null) throw new Problem(400, 'A day has its date for a name.');
  const before = await otherNamesOf(manager, act.id);
  const names = [...new Map(act.names.map((name) => [foldWords(name).trim(), name.trim()])).values()].filter(Boolean);
  await writeOtherNames(manager, act.id, names);
  facts.writeOtherNames(entry);
  for (const name of before) if (!names.includes(name)) facts.noteName(act.id, name);
  for (const name of names) if (!before.includes(name)) facts.noteName(act.id, name);
  return [{ do: 'otherNames', id: act.id, names: before }];
};

/** Puts links in the place of names: in each of these lines, wherever it names the page. */
export const linkNames: Performer<'linkNames'> = async (act, context) => {
  const { connection, documents, manager, viewer } = context;
  const target = sees(connection, act.id) ? visibleEntry(connection, act.id) : null;
  const isDay = act.day !== undefined && dayId(viewer.accountId, act.day) === act.id;
  const day = target?.day ?? (isDay ? act.day! : null);
  if (!target && day === null) throw notFound();
  const title = target?.name ?? '';
  const names = target ? await otherNamesOf(manager, act.id) : [];
  const keys = new Set([title, ...names].map(nameKey).filter((key) => key !== null));
  const lines = new Map<string, Set<string>>();
  for (const { pageId, blockId } of act.places) lines.set(pageId, (lines.get(pageId) ?? new Set()).add(blockId));
  const undo: Act[] = [];
  for (const [pageId, blockIds] of lines) {
    writablePage(context, pageId);
    const { content } = documents.bodyWithin(viewer, pageId);
    const found = await manager.findBy(AlsoNamedEntity, { documentId: pageId, blockId: In([...blockIds]) });
    const nodes = content
      .filter((node) => blockIds.has(idOf(node)))
      .map((node) => {
        const rows = found.filter(({ blockId }) => blockId === idOf(node));
        const wanted = rows.filter(({ name }) => (day === null ? keys.has(name) : dayOfKey(name) === day));
        const places = wanted.flatMap(({ places: stored }) => JSON.parse(stored) as NamedAt[]);
        const isStillNaming = (place: NamedAt) => day !== null || placesStillNaming(node, [place], keys).length > 0;
        return linked(node, places.filter(isStillNaming), act.id, (written) =>
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
export const leaveUnlinked: Performer<'leaveUnlinked'> = async (act, context) => {
  const { connection, manager } = context;
  writablePage(context, act.pageId);
  if (!sees(connection, act.id))
    throw new Problem(400, 'Nothing is written on that day yet. Write a line there first; then lines can be left out.');
  const unlinked = { targetId: act.id, documentId: act.pageId, blockId: act.blockId };
  const isLeft = await manager.existsBy(UnlinkedEntity, unlinked);
  await manager.delete(UnlinkedEntity, unlinked);
  if (act.isLeft) await manager.insert(UnlinkedEntity, unlinked);
  return [{ ...act, isLeft }];
};

/** Lets links to a page lead to another one; null lets them lead to itself again. */
export const leadTo: Performer<'leadTo'> = async (act, context) => {
  const entry = writablePage(context, act.id);
  if (act.toId !== null) {
    visibleEntry(context.connection, act.toId);
    const led = context.connection.all<{ id: string }>(LED, { id: act.toId });
    if (led.some(({ id }) => id === act.id)) {
      throw new Problem(
        409,
        'The other page was merged into this one meanwhile, and can’t hold it as well. Nothing was changed.',
      );
    }
  }
  await context.manager.update(EntryEntity, { id: act.id }, { mergedInto: act.toId });
  return [{ do: 'leadTo', id: act.id, toId: entry.mergedInto }];
};

/**
 * Merges a page into another: its lines come to the other's end, what stands beneath it comes beneath the other, and
 * the other is called by its names too. Links to it lead to the other from then on.
 */
export const merge: Performer<'merge'> = async (act, context) => {
  const [from, into] = [writablePage(context, act.id), writablePage(context, act.intoId)];
  if (from.id === into.id) throw new Problem(400, 'A page can’t be merged into itself.');
  if (from.day !== null) throw new Problem(400, 'A day stays in the journal; its lines can be sent elsewhere.');
  if (from.deletedAt !== null || into.deletedAt !== null || into.mergedInto !== null)
    throw new Problem(400, 'What is in the bin can’t be merged. Bring it back first.');
  const above = context.connection.all<{ id: string }>(UP, { id: into.id });
  if (above.some(({ id }) => id === from.id))
    throw new Problem(400, 'The other page stands beneath this one. Merge it the other way round, or move it first.');
  const undo: Act[] = [];
  const doing = async (next: Act) => undo.unshift(...(await context.perform(next)));
  const { content } = context.documents.bodyWithin(context.viewer, from.id);
  const end = context.documents.bodyWithin(context.viewer, into.id).content.at(-1);
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
    const [others, more] = [await otherNamesOf(context.manager, into.id), await otherNamesOf(context.manager, from.id)];
    const names = [...others, from.name, ...more];
    const isNew = (name: string) => name.trim() !== '' && foldWords(name).trim() !== foldWords(into.name).trim();
    await doing({ do: 'otherNames', id: into.id, names: names.filter(isNew) });
    await doing({ do: 'otherNames', id: from.id, names: [] });
    const beneath = await context.manager.find(EntryEntity, {
      where: { parentId: from.id, deletedAt: IsNull() },
      order: { orderKey: 'ASC' },
    });
    for (const { id } of beneath) await doing({ do: 'place', id, parentId: into.id });
  }
  await doing({ do: 'leadTo', id: from.id, toId: into.id });
  await doing({ do: 'bin', id: from.id });
  return undo;
};
