import { In, type EntityManager } from 'typeorm';
import type { AccountFile } from '@glossarion/core/formats/account';
import { ordersAfter } from '@glossarion/core/outline';
import { ownedBy, type Viewer } from '../access';
import {
  EntryEntity,
  HappeningEntity,
  MovedGlossEntity,
  PinEntity,
  SavedSearchEntity,
  SettingEntity,
  UnlinkedEntity,
  type Happening,
} from '../entities';
import { SETTINGS } from './settingForms';

/** Rows that one statement stores. */
const AT_ONCE = 200;

const inLots = async <T>(rows: readonly T[], store: (some: T[]) => Promise<unknown>): Promise<void> => {
  for (let from = 0; from < rows.length; from += AT_ONCE) await store(rows.slice(from, from + AT_ONCE));
};

/**
 * Takes in what an account says beside its pages: what happened on days, pins, saved searches, settings. What is there
 * already stays as it is. Within a transaction.
 *
 * @param made the pages that came in: what is said of others is left
 */
export async function takeRest(
  manager: EntityManager,
  viewer: Viewer,
  rest: AccountFile,
  made: ReadonlySet<string>,
): Promise<void> {
  const own = ownedBy(viewer);
  const happenings = rest.happenings.filter(({ documentId }) => made.has(documentId));
  await inLots(happenings, (some) =>
    manager
      .createQueryBuilder()
      .insert()
      .into(HappeningEntity)
      .values(
        some.map(({ isTakenBack, what, ...happening }) => ({
          ...happening,
          what: what as Happening['what'],
          isTakenBack: isTakenBack ? (1 as const) : (0 as const),
          ...own,
        })),
      )
      .orIgnore()
      .execute(),
  );
  const moved = rest.movedGlosses.filter(({ targetId }) => made.has(targetId));
  await inLots(moved, (some) => manager.upsert(MovedGlossEntity, some, ['targetId', 'blockId']));
  const named = [...new Set(rest.unlinked.map(({ targetId }) => targetId))];
  const there = await ownAmong(manager, viewer, named);
  const unlinked = rest.unlinked.filter(({ documentId, targetId }) => made.has(documentId) && there.has(targetId));
  await inLots(unlinked, (some) => manager.upsert(UnlinkedEntity, some, ['targetId', 'documentId', 'blockId']));
  await takePins(manager, viewer, rest.pins);
  await takeSearches(manager, viewer, rest);
  const set = new Set((await manager.findBy(SettingEntity, own)).map(({ key }) => key));
  // What makes no sense here is not set.
  const isKnown = (key: string, value: unknown) =>
    Object.hasOwn(SETTINGS, key) && SETTINGS[key]!.required().validate(value).error === undefined;
  const settings = Object.entries(rest.settings).filter(([key, value]) => !set.has(key) && isKnown(key, value));
  await inLots(settings, (some) =>
    manager.insert(
      SettingEntity,
      some.map(([key, value]) => ({ key, value: JSON.stringify(value), ...own })),
    ),
  );
}

/** Those of these ids that are entries of the viewer's own. */
async function ownAmong(manager: EntityManager, viewer: Viewer, ids: readonly string[]): Promise<Set<string>> {
  const found = new Set<string>();
  await inLots(ids, async (some) => {
    const where = { id: In(some), ...ownedBy(viewer) };
    for (const { id } of await manager.find(EntryEntity, { select: { id: true }, where })) found.add(id);
  });
  return found;
}

async function takePins(manager: EntityManager, viewer: Viewer, ids: readonly string[]): Promise<void> {
  const own = ownedBy(viewer);
  const present = await manager.find(PinEntity, { where: own, order: { orderKey: 'ASC' } });
  const pinned = new Set(present.map(({ entryId }) => entryId));
  const isThere = await ownAmong(manager, viewer, ids);
  const wanted = ids.filter((id) => isThere.has(id) && !pinned.has(id));
  const orders = ordersAfter(present.at(-1)?.orderKey ?? null, wanted.length);
  await inLots([...wanted.entries()], (some) =>
    manager.insert(
      PinEntity,
      some.map(([index, entryId]) => ({ entryId, orderKey: orders[index]!, ...own })),
    ),
  );
}

async function takeSearches(manager: EntityManager, viewer: Viewer, { savedSearches }: AccountFile): Promise<void> {
  const own = ownedBy(viewer);
  const present = await manager.find(SavedSearchEntity, { where: own, order: { orderKey: 'ASC' } });
  const isThere = ({ id, name, line }: { id: string; name: string; line: string }) =>
    present.some((each) => each.id === id || (each.name === name && each.line === line));
  const wanted = savedSearches.filter((search) => !isThere(search));
  const orders = ordersAfter(present.at(-1)?.orderKey ?? null, wanted.length);
  await inLots([...wanted.entries()], (some) =>
    manager.insert(
      SavedSearchEntity,
      some.map(([index, { id, name, line }]) => ({ id, name, line, orderKey: orders[index]!, ...own })),
    ),
  );
}
