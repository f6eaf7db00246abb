import { block, checkBody, newId, shownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
import type { Act, MovedBlock } from '@glossarion/core/outline';
import { planFoldBack, planLift, planSend, planSplit } from '@glossarion/core/parts';
import { IsNull } from 'typeorm';
import { entryIfVisible, sees, writableEntry } from '../access';
import { prepared } from '../database/prepared';
import { BlockEntity, EntryEntity, LinkEntity } from '../entities';
import { STEP } from '../entities/entry.queries';
import { DROP_INDEX } from '../entities/find.queries';
import { Problem } from '../problem';
import type { ActContext, Performer } from './acts';
import { adjustBeneath, weightOf } from './beneath';
import { entryTitle, isUnwritten, type Step } from './entries';

/** The acts that take pages apart and put them together, each within the transaction that does it all. */

const idOf = (node: NodeJson): string => String(node.attrs?.id);

/** Pages whose blocks an act changes: read once, changed in memory, stored together. */
class Pages {
  private contents = new Map<string, NodeJson[]>();

  constructor(private context: ActContext) {}

  content(pageId: string): NodeJson[] {
    const known = this.contents.get(pageId);
    if (known) return known;
    writableEntry(this.context.connection, pageId);
    const content = [...this.context.documents.bodyWithin(this.context.viewer, pageId).content];
    this.contents.set(pageId, content);
    return content;
  }

  /** Stores them, those that lose blocks first: a block stands on one page alone. */
  async store(first: Iterable<string> = []): Promise<Act[]> {
    const { context } = this;
    const undo: Act[] = [];
    for (const pageId of new Set([...first, ...this.contents.keys()])) {
      const content = this.content(pageId);
      if (content.length === 0) {
        // A page holds one line at least.
        const line = block('paragraph', [], { id: newId() });
        content.push(line);
        undo.push({ do: 'dropBlocks', id: pageId, blockIds: [idOf(line)] });
      }
      const body: BodyJson = { type: 'doc', content };
      context.accepted.push(await context.documents.rewriteWithin(context.manager, context.viewer, pageId, body));
    }
    return undo;
  }
}

const indexAfter = (content: readonly NodeJson[], afterId: string | null): number =>
  afterId === null ? 0 : content.findIndex((node) => idOf(node) === afterId) + 1 || content.length;

const titleWords =
  ({ connection }: ActContext) =>
  (id: string): string => {
    const entry = connection.first<Step>(STEP, { id });
    return entry ? entryTitle(entry) : '';
  };

export const putBlocks: Performer<'putBlocks'> = async (act, context) => {
  const pages = new Pages(context);
  const content = pages.content(act.id);
  const present = new Set(content.map(idOf));
  const nodes = act.nodes.length === 0 ? [] : checkBody({ type: 'doc', content: act.nodes }).content;
  if (nodes.some((node) => present.has(idOf(node)))) throw new Problem(409, 'These lines are on the page already.');
  content.splice(indexAfter(content, act.afterId), 0, ...nodes);
  await pages.store();
  return [{ do: 'dropBlocks', id: act.id, blockIds: nodes.map(idOf) }];
};

export const dropBlocks: Performer<'dropBlocks'> = async (act, context) => {
  const pages = new Pages(context);
  const content = pages.content(act.id);
  const dropped = new Set(act.blockIds);
  const undo: Act[] = [];
  content.forEach((node, index) => {
    if (!dropped.has(idOf(node))) return;
    const afterId = index > 0 ? idOf(content[index - 1]!) : null;
    undo.push({ do: 'putBlocks', id: act.id, afterId, nodes: [node] });
  });
  const rest = content.filter((node) => !dropped.has(idOf(node)));
  content.splice(0, content.length, ...rest);
  const filled = await pages.store();
  return [...undo, ...filled];
};

export const moveBlocks: Performer<'moveBlocks'> = async (act, context) => {
  const pages = new Pages(context);
  const back: MovedBlock[] = [];
  for (const { id, from, to, afterId, depth } of act.blocks) {
    const source = pages.content(from);
    const index = source.findIndex((node) => idOf(node) === id);
    if (index < 0) continue;
    const [node] = source.splice(index, 1) as [NodeJson];
    const before = index > 0 ? idOf(source[index - 1]!) : null;
    back.push({ id, from: to, to: from, afterId: before, depth: Number(node.attrs?.depth ?? 0) });
    const target = pages.content(to);
    target.splice(indexAfter(target, afterId), 0, { ...node, attrs: { ...node.attrs, depth } });
  }
  const filled = await pages.store(act.blocks.map(({ from }) => from));
  // The last that was taken stood after those before it: they go back in the opposite order.
  return [{ do: 'moveBlocks', id: act.id, blocks: back.reverse() }, ...filled];
};

const former = (isAdded: boolean): Performer<'addFormer'> & Performer<'removeFormer'> =>
  (async (act: Extract<Act, { do: 'addFormer' | 'removeFormer' }>, context: ActContext) => {
    const pages = new Pages(context);
    const content = pages.content(act.id);
    const index = content.findIndex((node) => idOf(node) === act.blockId);
    const node = content[index];
    if (!node || node.type !== 'block') return [];
    const present = typeof node.attrs?.formerIds === 'string' ? node.attrs.formerIds.split(' ') : [];
    const named = new Set(act.formerIds);
    const changed = act.formerIds.filter((id) => present.includes(id) !== isAdded);
    const next = isAdded ? [...present, ...changed] : present.filter((id) => !named.has(id));
    content[index] = { ...node, attrs: { ...node.attrs, formerIds: next.length > 0 ? next.join(' ') : null } };
    await pages.store();
    const opposite = isAdded ? ('removeFormer' as const) : ('addFormer' as const);
    return [{ do: opposite, id: act.id, blockId: act.blockId, formerIds: changed }];
  }) as Performer<'addFormer'> & Performer<'removeFormer'>;

export const addFormer: Performer<'addFormer'> = former(true);
export const removeFormer: Performer<'removeFormer'> = former(false);

/**
 * Takes out what was made and is empty, as if it had never been. Words that came to a page meanwhile go to the bin with
 * it; a notebook or section that something was put into meanwhile stays.
 */
export const unmake: Performer<'unmake'> = async (act, context) => {
  const { connection, documents, manager } = context;
  if (!sees(connection, act.id)) return [];
  const entry = writableEntry(connection, act.id);
  const held = await manager.findBy(EntryEntity, { parentId: act.id });
  const isHolding = held.some(({ deletedAt }) => deletedAt === null);
  if (entry.kind !== 'page' && isHolding) return [];
  if (held.length > 0 || !isUnwritten(entry)) return context.perform({ do: 'bin', id: act.id });
  if (entry.deletedAt === null) adjustBeneath(connection.raw, entry.parentId, weightOf(entry), -1);
  prepared(connection.raw, DROP_INDEX).run(entry.row);
  await manager.update(EntryEntity, { mergedInto: entry.id }, { mergedInto: null });
  await manager.delete(EntryEntity, { id: entry.id });
  documents.forget(entry.id);
  const { id, kind, parentId, orderKey, name, ornament, description } = entry;
  return [
    { do: 'make', id, kind, parentId, name, ...(entry.pigment && { pigment: entry.pigment }), ornament, description },
    { do: 'putBack', id, parentId, orderKey },
  ];
};

/** Does acts in turn; what takes them back stands in the opposite order. */
async function performAll(acts: readonly Act[], context: ActContext): Promise<Act[]> {
  const undo: Act[] = [];
  for (const act of acts) {
    const back = await context.perform(act);
    // A page that was made for its parts is not left in the bin when they go back.
    undo.unshift(...(act.do === 'make' ? back.map((each): Act => ({ do: 'unmake', id: each.id })) : back));
  }
  return undo;
}

export const lift: Performer<'lift'> = (act, context) => {
  const { content } = context.documents.bodyWithin(context.viewer, act.id);
  const titleOf = titleWords(context);
  return performAll(
    planLift(content, act, (node) => shownWords(node, titleOf)),
    context,
  );
};

export const split: Performer<'split'> = (act, context) => {
  const { content } = context.documents.bodyWithin(context.viewer, act.id);
  const titleOf = titleWords(context);
  return performAll(
    planSplit(content, act, (node) => shownWords(node, titleOf)),
    context,
  );
};

export const foldBack: Performer<'foldBack'> = async (act, context) => {
  const { connection, documents, manager, viewer } = context;
  const entry = entryIfVisible(connection, act.id);
  const into = entry?.parentId ? await linkingPage(context, entry.id, entry.parentId) : null;
  if (!entry || !into)
    throw new Problem(400, 'This page stands beneath no other page that it could be folded back into.');
  if (await manager.existsBy(EntryEntity, { parentId: entry.id, deletedAt: IsNull() }))
    throw new Problem(400, 'There are pages beneath this one; fold those back or move them first.');
  const page = { id: entry.id, title: entry.name, content: documents.bodyWithin(viewer, entry.id).content };
  const { content } = documents.bodyWithin(viewer, into);
  return performAll(planFoldBack({ id: into, content }, page), context);
};

/** The page a page is folded back into: the one above it, or a day that it was lifted from. */
async function linkingPage({ connection, manager }: ActContext, id: string, parentId: string): Promise<string | null> {
  if (entryIfVisible(connection, parentId)?.kind === 'page') return parentId;
  // The line has no words of its own: the link is all there is in it.
  const query = manager
    .createQueryBuilder(EntryEntity, 'e')
    .select('DISTINCT e.id', 'id')
    .innerJoin(LinkEntity.options.name, 'l', 'l.documentId = e.id')
    .innerJoin(BlockEntity.options.name, 'b', 'b.documentId = l.documentId AND b.id = l.blockId')
    .where("l.target = :id AND b.words = '' AND e.deletedAt IS NULL", { id });
  const linking = await connection.visible(query).getRawMany<{ id: string }>();
  return linking.length === 1 ? linking[0]!.id : null;
}

export const send: Performer<'send'> = (act, context) => {
  const { documents, viewer } = context;
  const { content } = documents.bodyWithin(viewer, act.id);
  const target = documents.bodyWithin(viewer, act.toId).content;
  return performAll(planSend(content, target, act, titleWords(context)(act.id)), context);
};
