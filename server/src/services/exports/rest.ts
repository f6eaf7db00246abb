import { In, type EntitySchema, type ObjectLiteral } from 'typeorm';
import {
  ACCOUNT_FORMAT,
  ACCOUNT_VERSION,
  type AccountFile,
  type EntryRest,
  type PortableFile,
  type PortableHappening,
  type PortableTag,
} from '@glossarion/core/formats/account';
import type { BodyJson } from '@glossarion/core/document';
import { ownedBy, ownKinds, type Viewer } from '../../access';
import type { Database } from '../../database/database';
import {
  DocumentEntity,
  EntryEntity,
  HappeningEntity,
  MovedGlossEntity,
  PinEntity,
  SavedSearchEntity,
  SettingEntity,
  TagEntity,
  UnlinkedEntity,
} from '../../entities';
import type { ExportedEntry } from './entries';

/** Ids that one statement asks for. */
const AT_ONCE = 500;

/** Without what goes without saying. */
const said = <T extends object>(values: T): Partial<T> =>
  Object.fromEntries(
    Object.entries(values).filter(([, value]) => value !== null && value !== '' && value !== 0 && value !== false),
  ) as Partial<T>;

const restOf = (entry: ExportedEntry): EntryRest | [] => {
  const { id, day, period, jotting, comesBack, isTemplate, templateId, madeFrom, mergedInto } = entry;
  const rest = said({
    day,
    period,
    jotting,
    comesBack,
    isTemplate: isTemplate === 1,
    templateId,
    madeFrom,
    mergedInto,
  });
  return Object.keys(rest).length > 0 ? ({ id, ...rest } as EntryRest) : [];
};

/** What an export says beside its pages: of the whole account, or what its pages need of it. */
export async function restOfAccount(
  database: Database,
  viewer: Viewer,
  entries: readonly ExportedEntry[],
  named: ReadonlySet<string>,
  files: PortableFile[],
  isWhole: boolean,
): Promise<AccountFile> {
  const { manager } = database;
  const own = ownedBy(viewer);
  const kinds = (await ownKinds(manager, viewer)).everything();
  const ids = entries.map(({ id }) => id);
  const among = async <T>(find: (some: string[]) => Promise<T[]>): Promise<T[]> => {
    const found: T[] = [];
    for (let from = 0; from < ids.length; from += AT_ONCE) found.push(...(await find(ids.slice(from, from + AT_ONCE))));
    return found;
  };
  const tags = neededTags(
    await manager.find(TagEntity, { where: own, order: { folded: 'ASC', id: 'ASC' } }),
    named,
    isWhole,
  );
  const kindsNeeded = isWhole ? kinds.kinds : neededKinds(kinds.kinds, named);
  const isOfKind = new Set(kindsNeeded.map(({ id }) => id));
  const inOrder = { order: { number: 'ASC' } } as const;
  const happenings = isWhole
    ? await manager.find(HappeningEntity, { where: own, ...inOrder })
    : await among((some) => manager.find(HappeningEntity, { where: { documentId: In(some), ...own }, ...inOrder }));
  const ofOwn = <T extends ObjectLiteral>(entity: EntitySchema<T>, column: string): Promise<T[]> =>
    database
      .reading(viewer)
      .visible(
        manager
          .createQueryBuilder(entity, 'r')
          .innerJoin(EntryEntity.options.name, 'e', `e.id = r.${column}`)
          .where({}),
      )
      .getMany() as Promise<T[]>;
  const moved = isWhole ? await ofOwn(MovedGlossEntity, 'targetId') : [];
  const unlinked = isWhole ? await ofOwn(UnlinkedEntity, 'documentId') : [];
  const described = new Map<string, string>();
  for (let from = 0; from < tags.length; from += AT_ONCE) {
    const some = tags.slice(from, from + AT_ONCE).map(({ id }) => id);
    for (const { id, json } of await manager.findBy(DocumentEntity, { id: In(some) })) described.set(id, json);
  }
  const pins = isWhole ? await manager.find(PinEntity, { where: own, order: { orderKey: 'ASC' } }) : [];
  const searches = isWhole ? await manager.find(SavedSearchEntity, { where: own, order: { orderKey: 'ASC' } }) : [];
  const settings = isWhole ? await manager.find(SettingEntity, { where: own, order: { key: 'ASC' } }) : [];
  return {
    format: ACCOUNT_FORMAT,
    version: ACCOUNT_VERSION,
    account: viewer.accountId,
    entries: entries.flatMap(restOf),
    tags: tags.map(({ id, parentId, name, pigment, mergedInto, deletedAt }): PortableTag => {
      const json = described.get(id);
      const body = json === undefined ? null : (JSON.parse(json) as BodyJson);
      return { id, parentId, name, ...said({ pigment, mergedInto, deletedAt, body }) } as PortableTag;
    }),
    kinds: [...kindsNeeded],
    fields: kinds.fields.filter(({ kindId }) => isOfKind.has(kindId)),
    savedSearches: searches.map(({ id, name, line, orderKey }) => ({ id, name, line, orderKey })),
    pins: pins.map(({ entryId }) => entryId),
    settings: Object.fromEntries(settings.map(({ key, value }) => [key, JSON.parse(value) as unknown])),
    happenings: happenings.map(
      ({ documentId, what, day, blockId, occurrence, fromDay, toDay, words, isTakenBack }) =>
        ({
          ...{ documentId, what, day },
          ...said({ blockId, occurrence, fromDay, toDay, words, isTakenBack: isTakenBack === 1 }),
        }) as PortableHappening,
    ),
    movedGlosses: moved.map(({ targetId, blockId, lineId }) => ({ targetId, blockId, lineId })),
    unlinked: unlinked.map(({ targetId, documentId, blockId }) => ({ targetId, documentId, blockId })),
    files,
  };
}

/** The tags that are worn, with those above them and those they were merged into. */
function neededTags<T extends { id: string; parentId: string | null; mergedInto: string | null }>(
  tags: readonly T[],
  named: ReadonlySet<string>,
  isWhole: boolean,
): T[] {
  const byId = new Map(tags.map((tag) => [tag.id, tag]));
  const needed = new Set<string>();
  const need = (id: string | null): void => {
    const tag = id === null ? undefined : byId.get(id);
    if (!tag || needed.has(tag.id)) return;
    needed.add(tag.id);
    need(tag.parentId);
    need(tag.mergedInto);
  };
  for (const { id } of tags) if (isWhole || named.has(id)) need(id);
  return tags.filter(({ id }) => needed.has(id));
}

/** The kinds that pages are of, with those they are narrower than. */
function neededKinds<T extends { id: string; broaderId: string | null }>(
  kinds: readonly T[],
  named: ReadonlySet<string>,
): T[] {
  const byId = new Map(kinds.map((kind) => [kind.id, kind]));
  const needed = new Set<string>();
  const need = (id: string | null): void => {
    const kind = id === null ? undefined : byId.get(id);
    if (!kind || needed.has(kind.id)) return;
    needed.add(kind.id);
    need(kind.broaderId);
  };
  for (const { id } of kinds) if (named.has(id)) need(id);
  return kinds.filter(({ id }) => needed.has(id));
}
