import * as Y from 'yjs';
import {
  definitionOf,
  touchedBy,
  undoOfStep,
  type Act,
  type AnyAct,
  type Plan,
  type PlannedAct,
} from '@glossarion/core/acts';
import { OrderError, ordersAfter } from '@glossarion/core/outline';
import { IsNull } from 'typeorm';
import { ownedBy, sees, writableEntry, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { makeChange, type Making } from './changes';
import type { Accepted, Documents } from './documents';
import type { FactWriter } from './facts';
import type { Kinds } from './kinds';
import { StoredOutline } from './storedOutline';
import type { Tags } from './tags';

export interface ActResult {
  /** What takes it all back, in the order to be done. */
  undo: Act[];
  /** Ids whose name, place or state changed. */
  touched: string[];
  accepted: Accepted[];
}

/** What was accepted of each page, as one: its windows take it in at once. */
function oneForEachPage(accepted: readonly Accepted[]): Accepted[] {
  const pages = new Map<string, Accepted[]>();
  for (const each of accepted) pages.set(each.pageId, [...(pages.get(each.pageId) ?? []), each]);
  return [...pages.values()].map((parts) => ({
    ...parts[0]!,
    mended: Y.mergeUpdates(parts.flatMap(({ mended }) => mended ?? [])),
    changed: [...new Set(parts.flatMap(({ changed }) => changed))],
    linked: [...new Set(parts.flatMap(({ linked }) => linked))],
  }));
}

/** Does structural acts (core/acts): all of a list in one transaction, or none. */
export class Acts {
  constructor(
    private database: Database,
    private documents: Documents,
    private facts: FactWriter,
    private kinds: Kinds,
    private tags: Tags,
  ) {}

  /** @param now the present moment, for tests */
  async perform(viewer: Viewer, acts: readonly Act[], now = new Date().toISOString()): Promise<ActResult> {
    const accepted: Accepted[] = [];
    const undo: Act[] = [];
    await this.database.write(async (manager) => {
      const making: Making = {
        manager,
        connection: this.database.writing(viewer),
        documents: this.documents,
        facts: this.facts,
        kinds: this.kinds,
        tags: this.tags,
        now,
        accepted,
      };
      for (const act of acts) undo.unshift(...(await performOne(act, making)));
    });
    for (const each of oneForEachPage(accepted)) this.documents.tell(each);
    const touched = [...new Set([...touchedBy(acts), ...accepted.map(({ pageId }) => pageId)])];
    return { undo, touched, accepted };
  }
}

/** Plans an act from what is stored now, and stores what it changes; gives the acts that take it back. */
async function performOne(act: Act, making: Making): Promise<Act[]> {
  const definition = definitionOf(act);
  const outline = new StoredOutline(making.connection, making.manager, making.now);
  await outline.read(definition.needs?.(act, outline) ?? []);
  if ('steps' in definition) {
    const undo: Act[] = [];
    for (const step of definition.steps(act, outline)) {
      undo.unshift(...undoOfStep(step, await performOne(step, making)));
    }
    return undo;
  }
  if (!definition.isPersonal) {
    const present = definition.touches(act).filter((id) => sees(making.connection, id));
    for (const id of present) writableEntry(making.connection, id);
  }
  const plan = await planWithRoom(definition, act, outline, making);
  for (const change of plan.changes) await makeChange(change, making);
  return plan.undo;
}

/** Where no order key is left between two siblings, all of them get new ones first. */
async function planWithRoom(
  definition: PlannedAct<AnyAct>,
  act: Act,
  outline: StoredOutline,
  making: Making,
): Promise<Plan> {
  try {
    return definition.plan(act, outline);
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    const parentId =
      'parentId' in act && act.parentId !== undefined ? act.parentId : (outline.entry(act.id)?.parentId ?? null);
    await renewOrder(making, parentId);
    return definition.plan(act, outline);
  }
}

/** Gives all that stands in something new keys, in the order in which it is shown. */
async function renewOrder({ connection, manager }: Making, parentId: string | null): Promise<void> {
  const children = await manager.find(EntryEntity, {
    select: { row: true },
    // Beside notebooks, days and jottings stand in nothing, by no order.
    where: {
      ...ownedBy(connection.viewer),
      ...(parentId === null ? { parentId: IsNull(), kind: 'notebook' } : { parentId }),
    },
    order: { orderKey: 'ASC', row: 'ASC' },
  });
  const keys = ordersAfter(null, children.length);
  for (const [index, { row }] of children.entries()) {
    await manager.update(EntryEntity, { row }, { orderKey: keys[index]! });
  }
}
